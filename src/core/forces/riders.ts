import { modelOf } from '../model';
import { structureOf } from '../structure';
import type { Member, Train } from '../train';

/** What holds a member across its axis: bearings of its own, another member on which it rides, or nothing known. */
export interface Riding {
  /** By member without bearings of its own: the shaft on which it rides. */
  readonly on: ReadonlyMap<string, string>;
  /** By shaft: what rides on it. */
  readonly riders: ReadonlyMap<string, readonly string[]>;
  /** By member of which that is not known: the shafts on which it may. */
  readonly unknown: ReadonlyMap<string, readonly string[]>;
}

/**
 * A loose wheel, a hub or a sleeve has no bearings in the housing: it rides on the shaft that has, on its own axis.
 * Where several have, on the one that couplers join it to, directly or through others that ride; a ring may as well be
 * held from outside, so that of a ring nothing is said.
 */
export const ridingOf = (train: Train): Riding => modelOf(train).derive(findRiding);

function findRiding(train: Train): Riding {
  const { axes } = structureOf(train);
  const byId = new Map(train.members.map((member) => [member.id as string, member]));
  const rings = new Set(train.gears.flatMap(({ member, type }) => (type === 'internal' ? [member as string] : [])));
  const on = new Map<string, string>();
  const unknown = new Map<string, readonly string[]>();
  for (const axis of axes) {
    const members = axis.flatMap((id) => byId.get(id) ?? []).filter(({ carrier }) => carrier === undefined);
    const shafts = members.filter(hasBearings).map(({ id }) => id as string);
    if (shafts.length === 0) continue;
    for (const { id } of members.filter((member) => !hasBearings(member))) {
      const joined = shafts.length === 1 ? shafts : joinedShafts(train, id, byId);
      const [shaft] = joined;
      if (shaft !== undefined && joined.length === 1 && !rings.has(id)) on.set(id, shaft);
      else unknown.set(id, shafts);
    }
  }
  const riders = new Map<string, string[]>();
  for (const [member, shaft] of on) riders.set(shaft, [...(riders.get(shaft) ?? []), member]);
  return { on, riders, unknown };
}

const hasBearings = ({ bearings }: Member): boolean => bearings !== undefined;

/** The shafts with bearings that couplers lead to, through members that have none. */
function joinedShafts(train: Train, from: string, byId: ReadonlyMap<string, Member>): readonly string[] {
  const found = new Set<string>();
  const seen = new Set([from]);
  const left = [from];
  for (let at = left.pop(); at !== undefined; at = left.pop())
    for (const coupler of train.couplers) {
      if (!('joins' in coupler) || !(coupler.joins as readonly string[]).includes(at)) continue;
      for (const other of coupler.joins) {
        const member = byId.get(other);
        if (!member || seen.has(other)) continue;
        seen.add(other);
        if (hasBearings(member)) found.add(other);
        else left.push(other);
      }
    }
  return [...found];
}
