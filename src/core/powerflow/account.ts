import { planetarySets, type MemberIndex, type PlanetarySet } from '../kinematics';
import { abs, add, div, fraction, mul, neg, sign, sum, ZERO, type Rational } from '../rational';
import type { Solved } from '../solve';
import { powerOf } from '../statics';
import { contributions, type Contribution } from './contributions';

/**
 * Where a member takes power or gives it: a gear in a mesh, the pins of all planets of one set on their carrier, a
 * coupler,
 * the driver's or a load's end; for a planet of a set, whatever it passes on inside that set.
 */
export type PowerPlace =
  | { readonly kind: 'mesh'; readonly id: string }
  | { readonly kind: 'pins'; readonly set: PlanetarySet }
  | { readonly kind: 'inside'; readonly set: PlanetarySet }
  | { readonly kind: 'joint'; readonly id: string }
  | { readonly kind: 'input' }
  | { readonly kind: 'output' };

/** What a member receives at one place, per unit put in; negative where it gives. Null where it is truly open. */
export interface PowerEntry {
  readonly place: PowerPlace;
  readonly torque: Rational | null;
  readonly power: Rational | null;
}

/** Every entry of every member, kept place by place; on each member torques and powers sum to zero. */
export interface Account {
  readonly sets: readonly PlanetarySet[];
  /** The set a mesh belongs to; undefined for one between fixed axes. */
  readonly setOfMesh: ReadonlyMap<string, PlanetarySet>;
  /** The set of which a member is a planet. */
  homeOf(member: MemberIndex): PlanetarySet | undefined;
  entriesOf(member: MemberIndex): readonly PowerEntry[];
}

/** The account of a solved position. Members on which nothing acts have no entries. */
export function accountOf(solved: Solved): Account {
  const { network, state } = solved;
  const sets = planetarySets(network, state.meshes);
  const setOfMesh = new Map(sets.flatMap((set) => set.meshes.map(({ mesh }) => [mesh.id, set] as const)));
  const homes = new Map(sets.flatMap((set) => [...set.planets].map((planet) => [planet, set] as const)));
  const byMember = new Map<MemberIndex, Contribution[]>();
  for (const item of contributions(solved)) {
    const own = byMember.get(item.member);
    if (own) own.push(item);
    else byMember.set(item.member, [item]);
  }
  const entries = new Map<MemberIndex, readonly PowerEntry[]>();
  byMember.forEach((own, member) => {
    const torques = balanced(gatherPins(own, setOfMesh));
    const speed = state.speeds.of(member);
    const home = homes.get(member);
    entries.set(
      member,
      home
        ? planetEntries(solved, member, home, torques)
        : torques.map(({ place, torque }): PowerEntry => ({ place, torque, power: powerOf(torque, speed) })),
    );
  });
  return {
    sets,
    setOfMesh,
    homeOf: (member) => homes.get(member),
    entriesOf: (member) => entries.get(member) ?? [],
  };
}

type TorqueEntry = Pick<PowerEntry, 'place' | 'torque'>;

/**
 * The torques on one member by place: the pins of one set pull both ways, and only what is left over reaches their
 * carrier.
 */
function gatherPins(own: readonly Contribution[], setOfMesh: ReadonlyMap<string, PlanetarySet>): TorqueEntry[] {
  const found: TorqueEntry[] = [];
  const pins = new Map<PlanetarySet, Rational | null>();
  for (const { source, torque } of own) {
    const set = source.kind === 'mesh' && source.side === 'arm' ? setOfMesh.get(source.id) : undefined;
    if (set) {
      const before = pins.has(set) ? (pins.get(set) ?? null) : ZERO;
      pins.set(set, before && torque && add(before, torque));
    } else found.push({ place: source.kind === 'mesh' ? { kind: 'mesh', id: source.id } : source, torque });
  }
  return [...found, ...[...pins].map(([set, torque]): TorqueEntry => ({ place: { kind: 'pins', set }, torque }))];
}

/** A single open torque follows from the others: on every member they sum to zero. */
function balanced(entries: readonly TorqueEntry[]): readonly TorqueEntry[] {
  const open = entries.filter(({ torque }) => torque === null);
  if (open.length !== 1) return entries;
  const others = sum(entries.flatMap(({ torque }) => torque ?? []));
  return entries.map((entry) => (entry.torque === null ? { ...entry, torque: neg(others) } : entry));
}

/**
 * A planet moves with its carrier as well as round its pin, so a tooth that pushes it gives it what the mate gives:
 * torque on the mate
 * times the mate's speed. What is left goes on inside the set, over its pin or to planets it meshes with; between
 * those two the
 * power divides by where the planets stand, which tooth counts do not tell, so both are one place.
 */
function planetEntries(
  { state }: Solved,
  member: MemberIndex,
  home: PlanetarySet,
  torques: readonly TorqueEntry[],
): readonly PowerEntry[] {
  const entries = torques.map((entry): PowerEntry => {
    const { place, torque } = entry;
    const mesh = place.kind === 'mesh' ? home.meshes.find((one) => one.mesh.id === place.id) : undefined;
    if (!mesh) return { ...entry, power: powerOf(torque, state.speeds.of(member)) };
    const [mate, teeth] = mesh.a === member ? [mesh.b, div(mesh.zb, mesh.za)] : [mesh.a, div(mesh.za, mesh.zb)];
    if (home.planets.has(mate)) return { ...entry, power: ZERO };
    return { ...entry, power: negated(powerOf(torque && mul(torque, teeth), state.speeds.of(mate))) };
  });
  const received = entries.map(({ power }) => power);
  const inside = received.includes(null) ? null : neg(sum(received.flatMap((power) => power ?? [])));
  return [...entries, { place: { kind: 'inside', set: home }, torque: ZERO, power: inside }];
}

const negated = (value: Rational | null): Rational | null => value && neg(value);

const HALF = fraction(1, 2);

/**
 * The torque a member carries from what drives it to what it drives, signed like its rotation: all that comes in,
 * place by place,
 * which is all that goes out. For a member at rest, the torque it passes to what holds it. Null where it is open.
 */
export function carriedTorque(entries: readonly PowerEntry[], speed: Rational | null): Rational | null {
  const sizes = entries.map(({ torque }) => torque && abs(torque));
  if (sizes.includes(null)) return null;
  const carried = mul(HALF, sum(sizes.flatMap((size) => size ?? [])));
  return speed && sign(speed) < 0 ? neg(carried) : carried;
}

/** Power a member passes on: all that it receives, place by place. Null where it is open. */
export function carriedPower(entries: readonly PowerEntry[]): Rational | null {
  const powers = entries.map(({ power }) => power);
  if (powers.includes(null)) return null;
  return sum(powers.flatMap((power) => (power && sign(power) > 0 ? [power] : [])));
}
