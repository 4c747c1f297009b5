import type { Coupler, Gear, Mesh, Train } from '../schema';
import { addition, aGear, nextLetter, refusedAddition, withParts, type Addition } from './addition';
import { checked, freshId, refused, type Edit } from './edit';
import { partsById } from '../part-index';
import { lookUp } from '../../required';
import { withoutCouplers } from './remove';

/** Lets two gears that are there already mesh; bevel and worm gears turn oppositely until it is said otherwise. */
export function addMesh(train: Train, a: string, b: string): Addition {
  const pair = [a, b].map((id) => partsById(train).find.gear(id));
  const worm = pair.findIndex((gear) => gear?.type === 'worm');
  const gears: [string, string] = worm === 1 ? [b, a] : [a, b];
  return addition(
    withParts(train, {
      meshes: [
        meshOf(
          train,
          gears,
          pair.flatMap((gear) => gear ?? []),
        ),
      ],
    }),
    aGear(a),
  );
}

/** A mesh of these gears that says which way they turn where it has to. */
export const meshOf = (train: Train, gears: [string, string], kinds: readonly Pick<Gear, 'type'>[]): Mesh => ({
  id: freshId(train.meshes, 'mesh'),
  gears,
  ...(kinds.some(({ type }) => type === 'bevel' || type === 'worm') && { sense: 'opposite' as const }),
});

/** Takes a gear off its member, so that it turns about the same line on its own, with a clutch between the two. */
export function freeGear(train: Train, gearId: string): Addition {
  const gear = partsById(train).find.gear(gearId);
  const member = partsById(train).find.member(gear?.member);
  if (!gear || !member) return refusedAddition(`There is no gear "${gearId}".`);
  if (member.carrier !== undefined)
    return refusedAddition('A gear of a planet cannot be freed from it: both turn about one pin.');
  if (
    train.gears.filter((other) => other.member === member.id).length === 1 &&
    !train.members.some(({ carrier }) => carrier === member.id) &&
    train.input !== member.id &&
    !train.outputs.includes(member.id)
  ) {
    return refusedAddition(`It is the only gear on ${member.name || member.id}, so there is nothing to free it from.`);
  }
  const wheel = freshId(train.members, 'wheel');
  const letter = nextLetter(train);
  const moved = {
    ...train,
    gears: train.gears.map((other) => (other.id === gearId ? { ...other, member: wheel } : other)),
  };
  return addition(
    withParts(moved, {
      members: [{ id: wheel, name: wheel }],
      couplers: [{ id: letter, name: letter, type: 'clutch', joins: [wheel, member.id] }],
    }),
    aGear(gearId),
  );
}

/** Makes one member of two that turn about the same line: everything on the second goes over to the first. */
export function joinMembers(train: Train, keep: string, drop: string): Edit {
  if (keep === drop) return refused('Choose two different members.');
  const over = (id: string) => (id === drop ? keep : id);
  const between = train.couplers.filter(
    (coupler) => 'joins' in coupler && over(coupler.joins[0]) === over(coupler.joins[1]),
  );
  const left = withoutCouplers(train, new Set(between.map(({ id }) => id)));
  return checked({
    ...left,
    input: over(train.input),
    outputs: [...new Set(train.outputs.map(over))],
    members: train.members
      .filter(({ id }) => id !== drop)
      .map((member) => (member.carrier === drop ? { ...member, carrier: keep } : member)),
    gears: train.gears.map((gear) => ({ ...gear, member: over(gear.member) })),
    couplers: left.couplers.map((coupler) =>
      'joins' in coupler ? { ...coupler, joins: coupler.joins.map(over) as [string, string] } : coupler,
    ),
  });
}

/** Turns a one-way clutch round: what pushed is pushed. */
export function reverseOneWay(train: Train, couplerId: string): Edit {
  return checked({
    ...train,
    couplers: train.couplers.map((coupler): Coupler =>
      coupler.id === couplerId && 'joins' in coupler
        ? { ...coupler, joins: [coupler.joins[1], coupler.joins[0]] }
        : coupler,
    ),
  });
}

/** The places of gears along the axis: each group of gears one station further than the group before. */
export function setStations(train: Train, groups: readonly (readonly string[])[]): Edit {
  const stations = new Map(groups.flatMap((gears, i) => gears.map((id) => [id, i] as const)));
  return checked({
    ...train,
    gears: train.gears.map((gear) => (stations.has(gear.id) ? { ...gear, station: lookUp(stations, gear.id) } : gear)),
  });
}
