import { partsById } from '../part-index';
import type { Gear, Train } from '../schema';
import { addition, aGear, refusedAddition, withParts, type Addition } from './addition';
import { freshId } from './edit';

/** What a member that is there can be in a set that is added. */
export type SetPart = 'sun' | 'carrier' | 'ring';

const SET_PARTS: readonly SetPart[] = ['sun', 'carrier', 'ring'];

/**
 * A simple planetary set of which this member is the sun, the carrier or the ring; the other two are new. The ring's
 * count follows from the others' (ring = sun + 2 planets).
 */
export function addSet(train: Train, member: string, as: SetPart, sunTeeth: number, planetTeeth: number): Addition {
  if (!partsById(train).find.member(member)) return refusedAddition(`There is no member "${member}".`);
  const id = (part: SetPart) => (part === as ? member : freshId(train.members, part));
  const sun: Gear = { id: freshId(train.gears, 'sun gear'), member: id('sun'), teeth: sunTeeth, type: 'external' };
  return withPlanets(train, {
    sun,
    fresh: SET_PARTS.filter((part) => part !== as).map(id),
    carrier: id('carrier'),
    ring: id('ring'),
    planetTeeth,
    gears: [sun],
  });
}

/** Planets round a gear that is there, which becomes their sun, with a carrier and a ring. */
export function addPlanetsRound(train: Train, gearId: string, planetTeeth: number): Addition {
  const sun = partsById(train).find.gear(gearId);
  if (!sun) return refusedAddition(`There is no gear "${gearId}".`);
  if (sun.type !== 'external') return refusedAddition('A sun is an external gear.');
  const [carrier, ring] = [freshId(train.members, 'carrier'), freshId(train.members, 'ring')];
  return withPlanets(train, { sun, fresh: [carrier, ring], carrier, ring, planetTeeth, gears: [] });
}

function withPlanets(
  train: Train,
  set: {
    readonly sun: Gear;
    readonly fresh: readonly string[];
    readonly carrier: string;
    readonly ring: string;
    readonly planetTeeth: number;
    readonly gears: readonly Gear[];
  },
): Addition {
  const { sun, carrier, ring, planetTeeth } = set;
  const planet = freshId(train.members, 'planet');
  const [planetGear, ringGear] = [freshId(train.gears, 'planet gear'), freshId(train.gears, 'ring gear')];
  const size = sun.module === undefined ? {} : { module: sun.module };
  const inner = freshId(train.meshes, 'mesh');
  return addition(
    withParts(train, {
      members: [...set.fresh.map((id) => ({ id, name: id })), { id: planet, name: planet, carrier, copies: 3 }],
      gears: [
        ...set.gears,
        { id: planetGear, member: planet, teeth: planetTeeth, type: 'external', ...size },
        { id: ringGear, member: ring, teeth: sun.teeth + 2 * planetTeeth, type: 'internal', ...size },
      ],
      meshes: [
        { id: inner, gears: [sun.id, planetGear] },
        { id: freshId([...train.meshes, { id: inner }], 'mesh'), gears: [planetGear, ringGear] },
      ],
    }),
    aGear(sun.id),
  );
}
