import { modelOf } from '../model';
import { lookUp } from '../required';
import { structureOf } from '../structure';
import { partsById, type Member, type Train } from '../train';
import { contactLoads, contactPlaces, type ContactPlace } from './contacts';
import type { MeshForces } from './mesh-forces';
import { memberName } from '../words';
import { ridingOf } from './riders';
import { isOverhung, NOTHING, shaftForces, sumOf, type Load, type ShaftForces, type Vector } from './shaft';

/** What a member's wheels do to it. */
export interface MemberForces {
  /** What its bearings hold and how it is bent; null where it has none or a place is missing. */
  readonly shaft: ShaftForces | null;
  /** What is missing for that; null where nothing is. */
  readonly lacks: string | null;
  /** The shaft on which it rides, which bears its load; null where it has bearings of its own, or none is known. */
  readonly ridesOn: string | null;
  /** Of a planet: what one copy's pin has to hold, N; of others null. */
  readonly pinN: number | null;
  /** What of that pulls it outward because it turns with its carrier; null where that is not known. */
  readonly turningN: number | null;
  /** Its equal planets push from all sides, so that nothing is left across the axis. */
  readonly balanced: boolean;
  /** Gears beyond its bearings. */
  readonly overhung: readonly string[];
}

/**
 * What the wheels of a train do to its members, by member.
 * @param turning what pulls planets outward, see turningForces; without it only teeth push their pins
 */
export function memberForces(
  train: Train,
  forces: ReadonlyMap<string, MeshForces | null>,
  turning: ReadonlyMap<string, number> = new Map(),
): ReadonlyMap<string, MemberForces> {
  const loads = new Map<string, Load[]>();
  const pins = new Map<string, Load[]>();
  // A carrier is pushed where its planets are: at their teeth, as if each were one body with it.
  for (const { place, force } of contactLoads(train, forces)) {
    listed(loads, place.member).push({ force, at: place.from.own });
    if (place.carrier !== null && place.from.carrier)
      listed(loads, place.carrier).push({ force, at: place.from.carrier });
    if (place.copy !== 0) continue;
    const outward = listed(pins, place.member).length === 0 ? turning.get(place.member) : undefined;
    listed(pins, place.member).push({ force, at: place.from.own });
    if (outward !== undefined) listed(pins, place.member).push({ force: pulled(place, outward), at: place.from.own });
  }
  const unknown = unknownOn(train, forces);
  const builds = modelOf(train).derive(buildsOf);
  const riding = ridingOf(train);
  /** Of what rides on an axis nobody knows where, the first that pushes across it. */
  const strayOn = (shaft: string) =>
    [...riding.unknown].find(
      ([member, shafts]) => shafts.includes(shaft) && (unknown.has(member) || pushesAcross(loads.get(member) ?? [])),
    )?.[0];
  /** What is not known of the forces on a shaft and on all that it bears. */
  const lackOf = (shaft: string, borne: readonly string[]): string | null => {
    if (borne.some((id) => unknown.has(id))) return UNKNOWN;
    const stray = strayOn(shaft);
    if (stray === undefined) return null;
    const name = memberName(train, stray);
    return `It is not known what ${name} rides on: give it bearings of its own, or join it to its shaft.`;
  };
  return new Map(
    train.members.map((member) => {
      const { overhung, lacks: missing } = lookUp(builds, member.id);
      const own = loads.get(member.id) ?? [];
      const borne = [member.id as string, ...(riding.riders.get(member.id) ?? [])];
      const isPlanet = member.carrier !== undefined;
      const ridesOn = riding.on.get(member.id) ?? null;
      const lacks = isPlanet || ridesOn !== null ? null : (missing ?? lackOf(member.id, borne));
      const pin = isPlanet ? sumOf(pins.get(member.id) ?? []) : null;
      return [
        member.id as string,
        {
          shaft:
            !isPlanet && lacks === null && member.bearings
              ? shaftForces(
                  member.bearings,
                  borne.flatMap((id) => loads.get(id) ?? []),
                )
              : null,
          lacks,
          ridesOn,
          pinN: pin && Math.hypot(pin.x, pin.y),
          turningN: turning.get(member.id) ?? null,
          balanced: isBalanced(own),
          overhung,
        },
      ] as const;
    }),
  );
}

/** Away from the carrier's axis. */
function pulled({ from: { own, carrier } }: ContactPlace, n: number): Vector {
  const [x, y] = [(carrier ?? own).x - own.x, (carrier ?? own).y - own.y];
  const radius = Math.hypot(x, y);
  return { x: (n * x) / radius, y: (n * y) / radius, z: 0 };
}

const UNKNOWN = 'A force on it is not known: a module is missing, it is shared, or it crosses the axis.';

function listed<T>(lists: Map<string, T[]>, key: string): T[] {
  const list = lists.get(key) ?? [];
  lists.set(key, list);
  return list;
}

const isBalanced = (loads: readonly Load[]): boolean =>
  loads.length > 1 && loads.some(({ force }) => force.x !== 0 || force.y !== 0) && !pushesAcross(loads);

/** Is anything left of its loads across its axis? */
function pushesAcross(loads: readonly Load[]): boolean {
  const net = sumOf(loads);
  const size = loads.reduce((total, { force }) => total + Math.hypot(force.x, force.y), 0);
  return size > 0 && Math.hypot(net.x, net.y) >= NOTHING * size;
}

/** How a member is held, whatever pushes it. */
interface Build {
  readonly overhung: readonly string[];
  readonly lacks: string | null;
}

function buildsOf(train: Train): ReadonlyMap<string, Build> {
  const { axisOf } = structureOf(train);
  const places = new Map<string, ContactPlace[]>();
  for (const place of contactPlaces(train)) {
    listed(places, place.member).push(place);
    if (place.carrier !== null) listed(places, place.carrier).push(place);
  }
  const { riders } = ridingOf(train);
  const borneBy = (id: string) => [id, ...(riders.get(id) ?? [])].flatMap((one) => places.get(one) ?? []);
  return new Map(
    train.members.map((member) => [member.id as string, buildOf(member, borneBy(member.id), axisOf.has(member.id))]),
  );
}

function buildOf({ bearings }: Member, places: readonly ContactPlace[], turnsOnLine: boolean): Build {
  if (bearings === undefined) return { overhung: [], lacks: 'Say where its two bearings stand.' };
  const beyond = places.flatMap(({ along, gear }) => (along !== null && isOverhung(bearings, along) ? [gear] : []));
  return {
    overhung: [...new Set(beyond)],
    lacks: !turnsOnLine
      ? 'It turns about no fixed line.'
      : places.some(({ along }) => along === null)
        ? 'Give the stations of its gears, and the length of a station in mm.'
        : null,
  };
}

/** Members on which something acts of which the direction or the size is not known. */
function unknownOn(train: Train, forces: ReadonlyMap<string, MeshForces | null>): ReadonlySet<string> {
  const parts = partsById(train);
  const placed = modelOf(train).derive(placedMeshes);
  return new Set(
    train.meshes.flatMap((mesh) => {
      const known = forces.get(mesh.id);
      if (known && (placed.has(mesh.id) || known.tangentialN === 0)) return [];
      return parts.pair(mesh).flatMap(({ member }) => [member, parts.find.member(member)?.carrier ?? member]);
    }),
  );
}

const placedMeshes = (train: Train): ReadonlySet<string> => new Set(contactPlaces(train).map(({ mesh }) => mesh));
