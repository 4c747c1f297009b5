import { FRAME, partsById, type Train } from '../train';
import { couplerName, memberName } from '../words';
import { withIdsInFindings } from './findings';

type Ids = ReadonlyMap<string, string>;

/**
 * A train that was read anew, with the ids that its parts had in the document it was written from: logs, searches and
 * links name parts by them. Parts are known by what they are called; what stands between the same neighbours, and is as
 * many as there were, is the same with another name.
 */
export function withIdsOf(read: Train, before: Train): Train {
  const members = paired(read.members, before.members, ({ id }, train) => memberName(train, id), [read, before]);
  members.set(FRAME, FRAME);
  const gears = paired(
    read.gears,
    before.gears,
    ({ id, member, teeth, type }, train) => {
      const nth = partsById(train)
        .gearsOn(member)
        .findIndex((gear) => gear.id === id);
      return `${train === read ? members.get(member) : member} ${nth} ${type} ${teeth}`;
    },
    [read, before],
  );
  const meshes = paired(
    read.meshes,
    before.meshes,
    ({ gears: [a, b] }, train) => (train === read ? `${gears.get(a)}\n${gears.get(b)}` : `${a}\n${b}`),
    [read, before],
  );
  const couplers = paired(read.couplers, before.couplers, ({ id }, train) => couplerName(train, id), [read, before]);
  const selectors = paired(read.selectors ?? [], before.selectors ?? [], ({ name }) => name, [read, before]);
  const positions = paired(read.positions, before.positions, ({ name }) => name, [read, before]);
  const renamed = renameIds(read, { members, gears, meshes, couplers, selectors, positions });
  const { setAside } = read;
  return setAside
    ? {
        ...renamed,
        setAside: setAside.map((one) => ({ ...one, finding: withIdsInFindings(one.finding, read, renamed) })),
      }
    : renamed;
}

/** The id before of each part now. */
function paired<P extends { readonly id: string }>(
  now: readonly P[],
  before: readonly P[],
  called: (part: P, train: Train) => string,
  [read, was]: readonly [Train, Train],
): Map<string, string> {
  const left = new Map<string, P[]>();
  for (const part of before) {
    const name = called(part, was);
    left.set(name, [...(left.get(name) ?? []), part]);
  }
  const known = now.map((part) => left.get(called(part, read))?.shift()?.id ?? null);
  const ids = fillGaps(
    known,
    before.map(({ id }) => id),
  );
  const taken = new Set(ids.flatMap((id) => id ?? []));
  return new Map(
    now.map(({ id }, i) => {
      const own = ids[i] ?? unlike(id, taken);
      taken.add(own);
      return [id, own];
    }),
  );
}

/** What is new between two that are known takes the ids between them, where there are as many. */
function fillGaps(known: readonly (string | null)[], before: readonly string[]): readonly (string | null)[] {
  const filled = [...known];
  const used = new Set(known.flatMap((id) => id ?? []));
  for (let from = 0; from < filled.length; from++) {
    if (filled[from] !== null) continue;
    let to = from;
    while (to < filled.length && filled[to] === null) to++;
    const first = from === 0 ? 0 : before.indexOf(filled[from - 1] ?? '') + 1;
    const last = to === filled.length ? before.length : before.indexOf(filled[to] ?? '');
    const between = before.slice(first, Math.max(first, last)).filter((id) => !used.has(id));
    if (between.length === to - from)
      between.forEach((id, i) => {
        filled[from + i] = id;
        used.add(id);
      });
    from = to;
  }
  return filled;
}

/** An id that no part has: its own, or that with a number. */
function unlike(id: string, taken: ReadonlySet<string>): string {
  let own = id;
  for (let i = 2; taken.has(own); i++) own = `${id} ${i}`;
  return own;
}

function renameIds(
  train: Train,
  ids: Readonly<Record<'members' | 'gears' | 'meshes' | 'couplers' | 'selectors' | 'positions', Ids>>,
): Train {
  const of = (list: keyof typeof ids, id: string) => ids[list].get(id) ?? id;
  const two = (list: keyof typeof ids, [a, b]: readonly [string, string]) => [of(list, a), of(list, b)] as const;
  return {
    ...train,
    members: train.members.map(({ id, name, carrier, ...rest }) => ({
      id: of('members', id),
      name,
      ...(carrier !== undefined && { carrier: of('members', carrier) }),
      ...rest,
    })),
    gears: train.gears.map((gear) => ({ ...gear, id: of('gears', gear.id), member: of('members', gear.member) })),
    meshes: train.meshes.map((mesh) => ({ ...mesh, id: of('meshes', mesh.id), gears: two('gears', mesh.gears) })),
    couplers: train.couplers.map((coupler) =>
      'joins' in coupler
        ? { ...coupler, id: of('couplers', coupler.id), joins: two('members', coupler.joins) }
        : { ...coupler, id: of('couplers', coupler.id), mesh: of('meshes', coupler.mesh) },
    ),
    ...(train.selectors && {
      selectors: train.selectors.map((selector) => ({
        ...selector,
        id: of('selectors', selector.id),
        spans: selector.spans.map((span) => ({ ...span, coupler: of('couplers', span.coupler) })),
      })),
    }),
    positions: train.positions.map((position) => ({
      ...position,
      id: of('positions', position.id),
      engaged: position.engaged.map((id) => of('couplers', id)),
    })),
    input: of('members', train.input),
    outputs: train.outputs.map((id) => of('members', id)),
  };
}
