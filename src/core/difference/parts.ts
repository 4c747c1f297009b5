import { FRAME, type Coupler, type Gear, type Member, type Mesh, type Position, type Train, partsById } from '../train';
import { couplerName, gearName, memberName } from '../words';
import { fieldChanges, type FieldWords } from './fields';

const MEMBER: readonly FieldWords<Member>[] = [
  { word: 'equal planets', read: ({ copies }) => copies },
  { word: 'colour', read: ({ color }) => color },
  { word: 'allowed torque', read: ({ limit }) => limit, unit: 'N·m' },
];
const GEAR: readonly FieldWords<Gear>[] = [
  { word: 'type', read: ({ type }) => type },
  { word: 'module', read: ({ module }) => module, unit: 'mm' },
  { word: 'station', read: ({ station }) => station },
  { word: 'face width', read: ({ faceWidth }) => faceWidth, unit: 'mm' },
  { word: 'material', read: ({ material }) => material },
];
const MESH: readonly FieldWords<Mesh>[] = [
  { word: 'sense', read: ({ sense }) => sense },
  { word: 'efficiency', read: ({ efficiency }) => efficiency },
  { word: 'efficiency backward', read: ({ backEfficiency }) => backEfficiency },
  { word: 'self-locking', read: ({ selfLocking }) => selfLocking ?? false },
];
const COUPLER: readonly FieldWords<Coupler>[] = [
  { word: 'type', read: ({ type }) => type },
  { word: 'style', read: ({ style }) => style },
  { word: 'capacity', read: ({ capacity }) => capacity, unit: 'N·m' },
  { word: 'control', read: (coupler) => ('control' in coupler ? coupler.control : undefined) },
  { word: 'station', read: ({ station }) => station },
];
const HEADER: readonly FieldWords<Train>[] = [
  { word: 'name', read: ({ name }) => `“${name}”` },
  { word: 'efficiency of meshes', read: ({ efficiency }) => efficiency },
];

/** What is different in the parts, one short sentence for each part that was added, removed or changed. */
export function partChanges(before: Train, after: Train): string[] {
  const [was, is] = [wordsOf(before), wordsOf(after)];
  return [
    ...fieldChanges(HEADER, before, after),
    ...(before.notes === after.notes ? [] : ['notes changed']),
    ...inOrder(before.members, after.members).flatMap(({ old, now }) => {
      if (!old) return [`${is.member(now.id)} added`];
      if (!now) return [`${was.member(old.id)} removed`];
      const renamed =
        was.member(old.id) === is.member(now.id) ? [] : [`${was.member(old.id)}, now called ${is.member(now.id)}`];
      const carried =
        old.carrier === now.carrier
          ? []
          : [`carried by ${is.member(now.carrier ?? FRAME)} instead of ${was.member(old.carrier ?? FRAME)}`];
      return [...renamed, ...about(is.member(now.id), [...carried, ...fieldChanges(MEMBER, old, now)])];
    }),
    ...inOrder(before.gears, after.gears).flatMap(({ old, now }) => {
      if (!old) return [`gear of ${is.gear(now)} added`];
      if (!now) return [`gear of ${was.gear(old)} removed`];
      const teeth = old.teeth === now.teeth ? [] : [`${old.teeth} → ${now.teeth} teeth`];
      const moved =
        old.member === now.member ? [] : [`fixed to ${is.member(now.member)} instead of ${was.member(old.member)}`];
      return about(
        `${was.member(old.member)}’s gear${teeth.length > 0 ? '' : ` of ${now.teeth}`}`,
        [...teeth, ...moved, ...fieldChanges(GEAR, old, now)],
        ' ',
      );
    }),
    ...inOrder(before.meshes, after.meshes).flatMap(({ old, now }) => {
      if (!old) return [`${is.mesh(now)} mesh`];
      if (!now) return [`${was.mesh(old)} no longer mesh`];
      const pair =
        [...old.gears].sort().join() === [...now.gears].sort().join()
          ? []
          : [`${is.mesh(now)} mesh instead of ${was.mesh(old)}`];
      return [...pair, ...about(`mesh of ${is.mesh(now)}`, fieldChanges(MESH, old, now))];
    }),
    ...inOrder(before.couplers, after.couplers).flatMap(({ old, now }) => {
      if (!old) return [`${is.coupler(now.id)} added ${is.between(now)}`];
      if (!now) return [`${was.coupler(old.id)} removed`];
      const renamed =
        was.coupler(old.id) === is.coupler(now.id) ? [] : [`${was.coupler(old.id)}, now called ${is.coupler(now.id)}`];
      const moved = same(joinedBy(old), joinedBy(now)) ? [] : [`${is.between(now)}, was ${was.between(old)}`];
      return [...renamed, ...about(is.coupler(now.id), [...moved, ...fieldChanges(COUPLER, old, now)])];
    }),
    ...inOrder(before.positions, after.positions).flatMap(({ old, now }) => {
      if (!old) return [`position ${now.name} added`];
      if (!now) return [`position ${old.name} removed`];
      return [
        ...(old.name === now.name ? [] : [`position ${old.name}, now called ${now.name}`]),
        ...about(`position ${now.name}`, engagedChanges(old, now, was, is)),
      ];
    }),
    ...orderChange(before.positions, after.positions),
    ...(before.input === after.input ? [] : [`input: ${was.member(before.input)} → ${is.member(after.input)}`]),
    ...(same(before.outputs, after.outputs)
      ? []
      : [`output: ${before.outputs.map(was.member).join(', ')} → ${after.outputs.map(is.member).join(', ')}`]),
    ...(same(before.selectors ?? [], after.selectors ?? []) ? [] : ['selectors changed']),
    ...(same(before.tipSpeedLimits ?? {}, after.tipSpeedLimits ?? {}) ? [] : ['limits of tip speed changed']),
    ...(same(before.setAside ?? [], after.setAside ?? [])
      ? []
      : [`findings set aside: ${before.setAside?.length ?? 0} → ${after.setAside?.length ?? 0}`]),
  ];
}

interface Words {
  readonly member: (id: string) => string;
  readonly coupler: (id: string) => string;
  readonly gear: (gear: Gear) => string;
  readonly mesh: (mesh: Mesh) => string;
  readonly between: (coupler: Coupler) => string;
}

/** How a document's parts are called. */
function wordsOf(train: Train): Words {
  const member = (id: string) => memberName(train, id);
  const gear = (id: string) => {
    const found = partsById(train).find.gear(id);
    return found ? `${member(found.member)}’s ${found.teeth}` : id;
  };
  const mesh = ({ gears: [a, b] }: Mesh) => `${gear(a)} and ${gear(b)}`;
  const between = (coupler: Coupler) => {
    if ('joins' in coupler) return `between ${coupler.joins.map(member).join(' and ')}`;
    const slid = partsById(train).find.mesh(coupler.mesh);
    return slid ? `at ${mesh(slid)}` : '';
  };
  return { member, coupler: (id) => couplerName(train, id), gear: (gear) => gearName(train, gear), mesh, between };
}

const joinedBy = (coupler: Coupler): readonly string[] => ('joins' in coupler ? coupler.joins : [coupler.mesh]);

/** The parts of both by id: in the new order, then those that are gone. */
function inOrder<T extends { readonly id: string }>(
  before: readonly T[],
  after: readonly T[],
): ({ old: T; now: T } | { old: T; now: undefined } | { old: undefined; now: T })[] {
  const old = new Map(before.map((item) => [item.id, item]));
  const left = new Set(after.map(({ id }) => id));
  return [
    ...after.map((now) => ({ old: old.get(now.id) as T, now })),
    ...before.filter(({ id }) => !left.has(id)).map((gone) => ({ old: gone, now: undefined })),
  ];
}

const about = (subject: string, changes: readonly string[], between = ': '): string[] =>
  changes.length === 0 ? [] : [`${subject}${between}${changes.join(', ')}`];

function engagedChanges(old: Position, now: Position, was: Words, is: Words): string[] {
  const on = now.engaged.filter((id) => !old.engaged.includes(id)).map(is.coupler);
  const off = old.engaged.filter((id) => !now.engaged.includes(id)).map(was.coupler);
  return [
    ...(on.length > 0 ? [`engages ${on.join(', ')}`] : []),
    ...(off.length > 0 ? [`releases ${off.join(', ')}`] : []),
  ];
}

function orderChange(before: readonly Position[], after: readonly Position[]): string[] {
  const left = new Set(after.map(({ id }) => id));
  const known = new Set(before.map(({ id }) => id));
  const [old, now] = [before.filter(({ id }) => left.has(id)), after.filter(({ id }) => known.has(id))];
  return same(
    old.map(({ id }) => id),
    now.map(({ id }) => id),
  )
    ? []
    : [`positions stand in the order ${after.map(({ name }) => name).join(', ')}`];
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
