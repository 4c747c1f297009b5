import { centreOf, endView, type EndViewGear } from '../end-view';
import { geometryOf } from '../geometry';
import { modelOf } from '../model';
import { itemAt } from '../required';
import { structureOf } from '../structure';
import { partsById, type Gear, type Train } from '../train';
import type { MeshForces } from './mesh-forces';
import { isOverhung, shaftForces, sumOf, type Load, type ShaftForces, type Vector } from './shaft';

/** What a member's wheels do to it. */
export interface MemberForces {
  /** What its bearings hold and how it is bent; null where it has none or a place is missing. */
  readonly shaft: ShaftForces | null;
  /** What is missing for that; null where nothing is. */
  readonly lacks: string | null;
  /** Of a planet: what one copy's pin has to hold, N; of others null. */
  readonly pinN: number | null;
  /** Its equal planets push from all sides, so that nothing is left across the axis. */
  readonly balanced: boolean;
  /** Gears beyond its bearings. */
  readonly overhung: readonly string[];
}

/** A force of one tooth contact on one copy of a gear. */
export interface ContactLoad {
  readonly mesh: string;
  readonly gear: string;
  readonly member: string;
  readonly copy: number;
  readonly force: Vector;
  /** Across the axis from the gear's own, and from its carrier's where it has one, mm. */
  readonly from: { readonly own: Across; readonly carrier: Across | null };
  /** Along the axis, mm; null where no station is given. */
  readonly along: number | null;
}

interface Across {
  readonly x: number;
  readonly y: number;
}

/** Smaller than this part of all forces together, what is left of them is rounding. */
const NOTHING = 1e-9;
const MM_PER_M = 1000;

/** Where the tooth contacts of a train lie, as the end view puts its axes; made once for a train. */
const contactsOf = (train: Train): readonly Contact[] => modelOf(train).derive(findContacts);

interface Contact {
  readonly mesh: string;
  /** Of a mesh's gears the first or the second, and which of its copies. */
  readonly sides: readonly [EndViewGear, EndViewGear];
  /** From the first wheel's axis to where its teeth touch, as long as 1. */
  readonly outward: Across;
}

function findContacts(train: Train): readonly Contact[] {
  const parts = partsById(train);
  const still = () => 0;
  return endView(train, []).flatMap(({ wheels, meshes }) =>
    meshes.flatMap(({ a, b, mesh }) => {
      const sides = [itemAt(wheels, a), itemAt(wheels, b)] as const;
      // Planets that nobody counted are drawn as three.
      const missing = sides.some(
        ({ orbit, member, copy }) => orbit !== null && copy >= (parts.find.member(member)?.copies ?? 1),
      );
      if (missing || sides.some(({ shape }) => shape !== 'toothed' && shape !== 'ring')) return [];
      if (sides.some(({ gear }) => parts.gear(gear).type === 'bevel')) return [];
      const [p, q] = [centreOf(sides[0], still), centreOf(sides[1], still)];
      const apart = Math.hypot(q.x - p.x, q.y - p.y);
      if (apart === 0) return [];
      // A gear in a ring touches it on the side away from the ring's middle.
      const inRing = sides[1].shape === 'ring' ? -1 : 1;
      return [{ mesh, sides, outward: { x: (inRing * (q.x - p.x)) / apart, y: (inRing * (q.y - p.y)) / apart } }];
    }),
  );
}

/** Every tooth contact's force on both gears, as vectors; of bevels, worms, chains and belts none. */
export function contactLoads(train: Train, forces: ReadonlyMap<string, MeshForces | null>): readonly ContactLoad[] {
  const geometry = geometryOf(train);
  const parts = partsById(train);
  return contactsOf(train).flatMap(({ mesh, sides, outward }) => {
    const found = forces.get(mesh);
    const running = geometry.mesh(mesh);
    if (!found || !running) return [];
    return sides.map((side, i): ContactLoad => {
      const gear = parts.gear(side.gear);
      const radius = itemAt(running.workingDiametersMm, i) / 2;
      // Both gears of an outside pair have their teeth on the sides that face each other.
      const flips = i === 1 && sides.every(({ shape }) => shape !== 'ring') ? -1 : 1;
      const u = { x: flips * outward.x, y: flips * outward.y };
      // Torque turns clockwise in the end view, right-handed about the axis that points away from who looks.
      const tangential = (MM_PER_M * itemAt(found.torquesNm, i)) / radius;
      // Out of the teeth: towards a gear's own axis, away from a ring's.
      const radial = side.shape === 'ring' ? found.radialN : -found.radialN;
      const force = {
        x: -u.y * tangential + u.x * radial,
        y: u.x * tangential + u.y * radial,
        z: i === 0 ? found.axialN : -found.axialN + 0,
      };
      const own = { x: u.x * radius, y: u.y * radius };
      const pin = side.orbit && {
        x: centreOf(side, () => 0).x - side.centre.x,
        y: centreOf(side, () => 0).y - side.centre.y,
      };
      return {
        mesh,
        gear: gear.id,
        member: gear.member,
        copy: side.copy,
        force,
        from: { own, carrier: pin && { x: pin.x + own.x, y: pin.y + own.y } },
        along: placeOf(train, gear),
      };
    });
  });
}

/** Where a gear stands along the axis, mm: its station times the length of one. */
export const placeOf = ({ stationLength }: Train, { station }: Gear): number | null =>
  station === undefined || stationLength === undefined ? null : station * stationLength;

/** What the wheels of a train do to its members, by member. */
export function memberForces(
  train: Train,
  forces: ReadonlyMap<string, MeshForces | null>,
): ReadonlyMap<string, MemberForces> {
  const loads = contactLoads(train, forces);
  const { axisOf } = structureOf(train);
  const unknown = unknownOn(train, forces);
  const parts = partsById(train);
  const byMember = listedBy(loads, ({ member }) => member);
  const byCarrier = listedBy(loads, ({ member }) => parts.find.member(member)?.carrier ?? member);
  return new Map(
    train.members.map((member) => {
      const own = byMember.get(member.id) ?? [];
      const isPlanet = member.carrier !== undefined;
      // A carrier is pushed where its planets are: at their teeth, as if each were one body with it.
      const carried = (byCarrier.get(member.id) ?? []).filter(({ from }) => from.carrier !== null);
      const across = (load: ContactLoad, at: Across): Load => ({
        force: load.force,
        at: { ...at, z: load.along ?? 0 },
      });
      const all = [
        ...own.map((load) => across(load, load.from.own)),
        ...carried.map((load) => across(load, load.from.carrier ?? load.from.own)),
      ];
      const places = [...own, ...carried];
      const lacks = isPlanet
        ? null
        : lacksFor({
            bearings: member.bearings,
            places,
            unknown: unknown.has(member.id),
            still: !axisOf.has(member.id),
          });
      const net = sumOf(all);
      const size = all.reduce((total, { force }) => total + Math.hypot(force.x, force.y), 0);
      const { bearings } = member;
      return [
        member.id as string,
        {
          shaft: !isPlanet && lacks === null && bearings ? shaftForces(bearings, all) : null,
          lacks,
          pinN: isPlanet ? pinOf(own) : null,
          balanced: all.length > 1 && size > 0 && Math.hypot(net.x, net.y) < NOTHING * size,
          overhung: bearings
            ? [
                ...new Set(
                  places.flatMap(({ along, gear }) => (along !== null && isOverhung(bearings, along) ? [gear] : [])),
                ),
              ]
            : [],
        },
      ] as const;
    }),
  );
}

function listedBy(loads: readonly ContactLoad[], key: (load: ContactLoad) => string) {
  const lists = new Map<string, ContactLoad[]>();
  for (const load of loads) {
    const list = lists.get(key(load));
    if (list) list.push(load);
    else lists.set(key(load), [load]);
  }
  return lists;
}

/** What one copy's pin holds across the axis. */
function pinOf(own: readonly ContactLoad[]): number {
  const { x, y } = sumOf(
    own.filter(({ copy }) => copy === 0).map(({ force, from }) => ({ force, at: { ...from.own, z: 0 } })),
  );
  return Math.hypot(x, y);
}

/** Members on which something acts of which the direction or the size is not known. */
function unknownOn(train: Train, forces: ReadonlyMap<string, MeshForces | null>): ReadonlySet<string> {
  const parts = partsById(train);
  const found = new Set(contactsOf(train).map(({ mesh }) => mesh));
  return new Set(
    train.meshes.flatMap((mesh) => {
      const known = forces.get(mesh.id);
      if (known && (found.has(mesh.id) || known.tangentialN === 0)) return [];
      return parts.pair(mesh).flatMap(({ member }) => [member, parts.find.member(member)?.carrier ?? member]);
    }),
  );
}

function lacksFor({
  bearings,
  places,
  unknown,
  still,
}: {
  readonly bearings: readonly [number, number] | undefined;
  readonly places: readonly ContactLoad[];
  readonly unknown: boolean;
  readonly still: boolean;
}): string | null {
  if (bearings === undefined) return 'Say where its two bearings stand.';
  if (still) return 'It turns about no fixed line.';
  if (unknown) return 'A force on it is not known: a module is missing, it is shared, or it crosses the axis.';
  if (places.some(({ along }) => along === null))
    return 'Give the stations of its gears, and the length of a station in mm.';
  return null;
}
