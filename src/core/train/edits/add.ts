import { FRAME } from '../frame';
import type { Gear, Member, Train } from '../schema';
import { addition, aGear, nextLetter, refusedAddition, withParts, type Addition } from './addition';
import { meshOf } from './connect';
import { freshId } from './edit';
import { partsById } from '../part-index';

const gearOf = (train: Train, id: string): Gear | undefined => partsById(train).find.gear(id);
const memberOf = (train: Train, id: string): Member | undefined => partsById(train).find.member(id);

/** What a gear meshes with where nothing else is said. */
const MATE: Record<Gear['type'], Gear['type']> = {
  external: 'external',
  internal: 'external',
  bevel: 'bevel',
  worm: 'external',
  sprocket: 'sprocket',
  pulley: 'pulley',
};

/**
 * A gear on a shaft of its own that meshes with this one: same module, and the kind that runs with it (sprocket with
 * sprocket).
 */
export function addMeshingGear(train: Train, gearId: string, teeth: number): Addition {
  const gear = gearOf(train, gearId);
  if (!gear) return refusedAddition(`There is no gear "${gearId}".`);
  const carrier = memberOf(train, gear.member)?.carrier;
  const shaft = freshId(train.members, 'shaft');
  const id = freshId(train.gears, 'gear');
  return addition(
    withParts(train, {
      members: [{ id: shaft, name: shaft, ...(carrier === undefined ? {} : { carrier }) }],
      gears: [
        {
          id,
          member: shaft,
          teeth,
          type: MATE[gear.type],
          ...(gear.module === undefined ? {} : { module: gear.module }),
        },
      ],
      meshes: [meshOf(train, [gearId, id], [gear])],
    }),
    aGear(id),
  );
}

/** A shaft of its own, with nothing on it yet. */
export function addShaft(train: Train): Addition {
  const id = freshId(train.members, 'shaft');
  return addition(withParts(train, { members: [{ id, name: id }] }), { kind: 'member', id });
}

/** A second gear fixed to the same member. */
export function addGearOn(train: Train, member: string, teeth: number): Addition {
  const id = freshId(train.gears, 'gear');
  return addition(withParts(train, { gears: [{ id, member, teeth, type: 'external' }] }), aGear(id));
}

/** A chain drive: a sprocket on this member, another on a shaft of its own, and the chain between them. */
export function addChain(train: Train, member: string, teeth: number, otherTeeth: number): Addition {
  const first = freshId(train.gears, 'sprocket');
  const grown = addition(withParts(train, { gears: [{ id: first, member, teeth, type: 'sprocket' }] }), aGear(first));
  return grown.ok ? addMeshingGear(grown.train, first, otherTeeth) : grown;
}

/** Puts an idler between the two gears of a mesh: the size of the ratio stays, the direction turns. */
export function addIdlerBetween(train: Train, meshId: string, teeth: number): Addition {
  const mesh = partsById(train).find.mesh(meshId);
  const [a, b] = mesh?.gears.map((id) => gearOf(train, id)) ?? [];
  if (!mesh || !a || !b) return refusedAddition(`There is no mesh "${meshId}".`);
  if (a.type !== 'external' || b.type !== 'external')
    return refusedAddition('An idler goes between two external gears.');
  const shaft = freshId(train.members, 'idler');
  const id = freshId(train.gears, 'idler gear');
  const carrier = memberOf(train, a.member)?.carrier;
  const opened = {
    ...train,
    meshes: train.meshes.map((other) =>
      other.id === meshId ? { ...other, gears: [a.id, id] as [string, string] } : other,
    ),
  };
  return addition(
    withParts(opened, {
      members: [{ id: shaft, name: shaft, ...(carrier === undefined ? {} : { carrier }) }],
      gears: [{ id, member: shaft, teeth, type: 'external', ...(a.module === undefined ? {} : { module: a.module }) }],
      meshes: [{ id: freshId(train.meshes, 'mesh'), gears: [id, b.id] }],
    }),
    aGear(id),
  );
}

/** A second gear on a planet, with a sun of its own that it meshes: a stepped planet. */
export function addStep(train: Train, planet: string, planetTeeth: number, sunTeeth: number): Addition {
  const carrier = memberOf(train, planet)?.carrier;
  if (carrier === undefined) return refusedAddition('Only a planet can be stepped.');
  const sun = freshId(train.members, 'sun');
  const [stepGear, sunGear] = [freshId(train.gears, 'step gear'), freshId(train.gears, 'sun gear')];
  return addition(
    withParts(train, {
      members: [{ id: sun, name: sun }],
      gears: [
        { id: stepGear, member: planet, teeth: planetTeeth, type: 'external' },
        { id: sunGear, member: sun, teeth: sunTeeth, type: 'external' },
      ],
      meshes: [{ id: freshId(train.meshes, 'mesh'), gears: [stepGear, sunGear] }],
    }),
    aGear(stepGear),
  );
}

/**
 * A clutch between two members, a brake where one is the frame; both must turn about one line, which the format checks.
 */
export function addCoupler(train: Train, type: 'clutch' | 'one-way', a: string, b: string): Addition {
  const kind = type === 'clutch' && (a === FRAME || b === FRAME) ? 'brake' : type;
  const id = freshId(train.couplers, nextLetter(train));
  return addition(withParts(train, { couplers: [{ id, name: id, type: kind, joins: [a, b] }] }), {
    kind: 'coupler',
    id,
  });
}

/** Makes a mesh one that slides in and out. */
export function makeSliding(train: Train, mesh: string): Addition {
  const id = freshId(train.couplers, nextLetter(train));
  return addition(withParts(train, { couplers: [{ id, name: id, type: 'sliding-mesh', mesh }] }), {
    kind: 'coupler',
    id,
  });
}
