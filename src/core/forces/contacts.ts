import { centreOf, endView, type EndViewGear } from '../end-view';
import { geometryOf } from '../geometry';
import { modelOf } from '../model';
import { itemAt } from '../required';
import { partsById, type Gear, type Train } from '../train';
import type { MeshForces } from './mesh-forces';
import type { Vector } from './shaft';

/** Where one tooth contact lies on one copy of a gear: all that hangs on no force. */
export interface ContactPlace {
  readonly mesh: string;
  readonly gear: string;
  readonly member: string;
  readonly carrier: string | null;
  readonly copy: number;
  /** Of the mesh's gears the first or the second. */
  readonly side: 0 | 1;
  readonly ring: boolean;
  readonly radiusMm: number;
  /** From the gear's axis to the contact, as long as 1, right and down as the end view shows them. */
  readonly outward: { readonly x: number; readonly y: number };
  /** From the axis of the gear's member, and of its carrier where it has one, mm; along the axis 0 where not known. */
  readonly from: { readonly own: Vector; readonly carrier: Vector | null };
  /** Along the axis, mm; null where no station is given. */
  readonly along: number | null;
}

/** A force of one tooth contact on one copy of a gear. */
export interface ContactLoad {
  readonly place: ContactPlace;
  readonly force: Vector;
}

const MM_PER_M = 1000;

/** Where the tooth contacts of a train lie, as the end view puts its axes; of bevels, worms, chains and belts none. */
export const contactPlaces = (train: Train): readonly ContactPlace[] => modelOf(train).derive(findPlaces);

function findPlaces(train: Train): readonly ContactPlace[] {
  const parts = partsById(train);
  const geometry = geometryOf(train);
  return endView(train, []).flatMap(({ wheels, meshes }) =>
    meshes.flatMap(({ a, b, mesh }) => {
      const sides = [itemAt(wheels, a), itemAt(wheels, b)] as const;
      // Planets that nobody counted are drawn as three.
      const missing = sides.some(
        ({ orbit, member, copy }) => orbit !== null && copy >= (parts.find.member(member)?.copies ?? 1),
      );
      const running = geometry.mesh(mesh);
      if (missing || !running || sides.some(({ shape }) => shape !== 'toothed' && shape !== 'ring')) return [];
      const [p, q] = [centreStill(sides[0]), centreStill(sides[1])];
      const apart = Math.hypot(q.x - p.x, q.y - p.y);
      if (apart === 0) return [];
      // A gear in a ring touches it on the side away from the ring's middle.
      const inRing = sides[1].shape === 'ring' ? -1 : 1;
      const outward = { x: (inRing * (q.x - p.x)) / apart, y: (inRing * (q.y - p.y)) / apart };
      // Both gears of an outside pair have their teeth on the sides that face each other.
      const opposite = sides.some(({ shape }) => shape === 'ring') ? outward : { x: -outward.x, y: -outward.y };
      return [
        placeOn(train, mesh, sides[0], 0, running.workingDiametersMm[0] / 2, outward),
        placeOn(train, mesh, sides[1], 1, running.workingDiametersMm[1] / 2, opposite),
      ];
    }),
  );
}

const centreStill = (wheel: EndViewGear) => centreOf(wheel, () => 0);

function placeOn(
  train: Train,
  mesh: string,
  wheel: EndViewGear,
  side: 0 | 1,
  radiusMm: number,
  outward: ContactPlace['outward'],
): ContactPlace {
  const gear = partsById(train).gear(wheel.gear);
  const along = placeOf(train, gear);
  const own = { x: outward.x * radiusMm, y: outward.y * radiusMm, z: along ?? 0 };
  const middle = centreStill(wheel);
  return {
    mesh,
    gear: gear.id,
    member: gear.member,
    carrier: partsById(train).find.member(gear.member)?.carrier ?? null,
    copy: wheel.copy,
    side,
    ring: wheel.shape === 'ring',
    radiusMm,
    outward,
    from: {
      own,
      carrier: wheel.orbit && {
        x: middle.x - wheel.centre.x + own.x,
        y: middle.y - wheel.centre.y + own.y,
        z: own.z,
      },
    },
    along,
  };
}

/** Where a gear stands along the axis, mm: its station times the length of one. */
export const placeOf = ({ stationLength }: Train, { station }: Gear): number | null =>
  station === undefined || stationLength === undefined ? null : station * stationLength;

/** Every tooth contact's force on both gears, as vectors. */
export function contactLoads(train: Train, forces: ReadonlyMap<string, MeshForces | null>): readonly ContactLoad[] {
  return contactPlaces(train).flatMap((place) => {
    const found = forces.get(place.mesh);
    return found ? [{ place, force: forceAt(place, found) }] : [];
  });
}

function forceAt({ side, ring, radiusMm, outward: { x, y } }: ContactPlace, found: MeshForces): Vector {
  // Torque turns clockwise in the end view, right-handed about the axis that points away from who looks.
  const tangential = (MM_PER_M * itemAt(found.torquesNm, side)) / radiusMm;
  // Out of the teeth: towards a gear's own axis, away from a ring's.
  const radial = ring ? found.radialN : -found.radialN;
  return {
    x: x * radial - y * tangential,
    y: x * tangential + y * radial,
    z: side === 0 ? found.axialN : -found.axialN + 0,
  };
}
