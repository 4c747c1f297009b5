import type { PartRef } from '../parts';
import { FRAME } from '../frame';
import type { Train } from '../schema';
import { checked, refused, type Edit } from './edit';

/** What goes when a part is removed: the part itself and everything that cannot stay without it. */
export interface Removal {
  readonly gears: readonly string[];
  readonly members: readonly string[];
  readonly meshes: readonly string[];
  readonly couplers: readonly string[];
}

/**
 * What removing a part takes along: with a gear its meshes, with a mesh the sliding that moves it, with a member its
 * gears, the planets it carries and the couplers on it. A member that loses its last gear or planet goes too, unless it
 * has a task or couplers enough to be a link.
 */
export function partsRemovedWith(train: Train, { kind, id }: PartRef): Removal {
  const gone = {
    gear: new Set<string>(),
    member: new Set<string>(),
    mesh: new Set<string>(),
    coupler: new Set<string>(),
  };
  gone[kind].add(id);
  const before = () => gone.gear.size + gone.member.size + gone.mesh.size + gone.coupler.size;
  for (let size = -1; size !== before();) {
    size = before();
    for (const member of train.members)
      if (member.carrier !== undefined && gone.member.has(member.carrier)) gone.member.add(member.id);
    for (const gear of train.gears) if (gone.member.has(gear.member)) gone.gear.add(gear.id);
    for (const mesh of train.meshes) if (mesh.gears.some((gear) => gone.gear.has(gear))) gone.mesh.add(mesh.id);
    for (const coupler of train.couplers)
      if ('joins' in coupler ? coupler.joins.some((member) => gone.member.has(member)) : gone.mesh.has(coupler.mesh))
        gone.coupler.add(coupler.id);
    for (const member of train.members)
      if (isLeftBare(train, member.id, gone) && !isLeftBare(train, member.id, null)) gone.member.add(member.id);
  }
  return { gears: [...gone.gear], members: [...gone.member], meshes: [...gone.mesh], couplers: [...gone.coupler] };
}

type Gone = Readonly<Record<'gear' | 'member' | 'mesh' | 'coupler', ReadonlySet<string>>>;

/**
 * Has a member nothing on it, and no task as input or output? Without its last gear or planet one coupler leads
 * nowhere, two make it a link.
 */
function isLeftBare({ members, gears, couplers, input, outputs }: Train, id: string, gone: Gone | null): boolean {
  if (id === FRAME || id === input || outputs.includes(id)) return false;
  const own = [
    ...gears.filter((gear) => gear.member === id).map((gear) => !gone?.gear.has(gear.id)),
    ...members.filter(({ carrier }) => carrier === id).map((planet) => !gone?.member.has(planet.id)),
  ];
  const coupled = couplers.filter(
    (coupler) => 'joins' in coupler && coupler.joins.includes(id) && !gone?.coupler.has(coupler.id),
  ).length;
  return !own.includes(true) && coupled < (own.length > 0 ? 2 : 1);
}

/** Removes a part and what goes with it. The input and the outputs cannot go. */
export function removePart(train: Train, part: PartRef): Edit {
  const { gears, members, meshes, couplers } = partsRemovedWith(train, part);
  if (members.includes(train.input)) return refused('The input would go with it. Make another member the input first.');
  if (train.outputs.some((output) => members.includes(output)))
    return refused('An output would go with it. Make another member the output first.');
  return checked({
    ...withoutCouplers(train, new Set(couplers)),
    members: train.members.filter(({ id }) => !members.includes(id)),
    gears: train.gears.filter(({ id }) => !gears.includes(id)),
    meshes: train.meshes.filter(({ id }) => !meshes.includes(id)),
  });
}

/** A document without these couplers: no position engages them and no selector moves them. */
export function withoutCouplers(train: Train, gone: ReadonlySet<string>): Train {
  return {
    ...train,
    couplers: train.couplers.filter(({ id }) => !gone.has(id)),
    positions: train.positions.map((position) => ({
      ...position,
      engaged: position.engaged.filter((id) => !gone.has(id)),
    })),
    ...(train.selectors && {
      selectors: train.selectors.map((selector) => ({
        ...selector,
        spans: selector.spans.filter(({ coupler }) => !gone.has(coupler)),
      })),
    }),
  };
}
