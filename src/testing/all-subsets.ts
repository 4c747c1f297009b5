import { networkOf, type MemberIndex, type Network } from '@/core/kinematics';
import {
  compare,
  div,
  isZero,
  mul,
  neg,
  ONE,
  sign,
  solveDense,
  sub,
  sum,
  toFraction,
  ZERO,
  type Rational,
} from '@/core/rational';
import type { Train } from '@/core/train';

/**
 * A second route to what one-way clutches do, by brute force: the law of least motion taken literally, over the plain
 * speeds of all members, trying every set of one-way clutches that might hold. Nothing here uses the solver's motions,
 * coordinates or programmes.
 */
export interface BruteForce {
  readonly status: 'drive' | 'split' | 'neutral' | 'held' | 'locked';
  /** Driver's speed over the first receiver's that turns; null unless it drives. */
  readonly ratio: Rational | null;
  /** Clutches that push in at least one set of multipliers. */
  readonly holds: ReadonlySet<string>;
  /** Torque of each clutch per unit of torque put in, for one receiver and where only one set of multipliers exists. */
  readonly torques: ReadonlyMap<string, Rational> | null;
  /** Ids of self-locking meshes whose worm stands. */
  readonly standing: ReadonlySet<string>;
  /** Of every member per unit of the driver's speed, null where it is left open; none where it is locked. */
  readonly speeds: ReadonlyMap<string, Rational | null>;
}

type Row = readonly Rational[];

export interface Asked {
  readonly driver: MemberIndex;
  readonly speed: Rational;
  readonly receivers: readonly MemberIndex[];
  /** Rows held at zero besides those of the train. */
  readonly extra?: readonly Row[];
}

export function bruteForce(train: Train, engaged: ReadonlySet<string>, ask?: Asked): BruteForce {
  const network = networkOf(train);
  const {
    driver,
    speed,
    receivers,
    extra = [],
  } = ask ?? { driver: network.input, speed: ONE, receivers: network.outputs };
  const size = network.memberIds.length;
  const unit = (member: MemberIndex): Row => Array.from({ length: size }, (_, i) => (i === member ? ONE : ZERO));
  const minus = (a: Row, b: Row): Row => a.map((value, i) => sub(value, b[i]!));
  const times = (factor: Rational, a: Row): Row => a.map((value) => mul(factor, value));
  const meshRows = network.meshes.map(({ a, b, arm, za, zb }) =>
    minus(times(za, minus(unit(a), unit(arm))), times(neg(zb), minus(unit(b), unit(arm)))),
  );
  const isIn = (k: number) =>
    network.meshes[k]!.slidBy === null || engaged.has(network.couplers[network.meshes[k]!.slidBy!]!.coupler.id);
  const joints = network.couplers.flatMap(({ coupler, acts }) =>
    acts.kind === 'joins' && coupler.type !== 'one-way' && engaged.has(coupler.id)
      ? [minus(unit(acts.a), unit(acts.b))]
      : [],
  );
  const oneWays = network.couplers.flatMap(({ coupler, acts }) =>
    acts.kind === 'joins' && coupler.type === 'one-way' && (coupler.control !== 'selectable' || engaged.has(coupler.id))
      ? [{ id: coupler.id, lead: minus(unit(acts.b), unit(acts.a)) }]
      : [],
  );
  const rate = times(div(ONE, speed), unit(driver));
  const leads = oneWays.map(({ lead }) => lead);

  // Worms let go of their wheels; one that could not stand without stopping the driver is turned by something else.
  const inMesh = [...meshRows.keys()].filter(isIn);
  const plain = [
    ...inMesh.filter((k) => !network.meshes[k]!.mesh.selfLocking).map((k) => meshRows[k]!),
    ...joints,
    ...extra,
  ];
  let waiting = inMesh.filter((k) => network.meshes[k]!.mesh.selfLocking);
  let turned: number[] = [];
  const stand = (k: number) => minus(unit(network.meshes[k]!.a), unit(network.meshes[k]!.arm));
  for (let found = waiting; found.length > 0;) {
    const rows = [...plain, ...turned.map((k) => meshRows[k]!)];
    found = waiting.filter((k) => leastOf(nullSpace([...rows, stand(k)], size), rate, [], leads) === null);
    turned = [...turned, ...found];
    waiting = waiting.filter((k) => !found.includes(k));
  }
  const standing = new Set(waiting.map((k) => network.meshes[k]!.mesh.id));

  const equalities = [...inMesh.map((k) => meshRows[k]!), ...joints, ...extra, ...waiting.map(stand)];
  const basis = nullSpace(equalities, size);
  const loads = receivers.map(unit);
  const least = leastOf(basis, rate, loads, leads);
  if (!least) return { status: 'locked', ratio: null, holds: new Set(), torques: null, standing, speeds: new Map() };
  const moved = !isZero(least.value);
  const vertices = moved ? least.multipliers : [];
  const pushing = moved
    ? [...vertices, ...rings(basis, leads)].flatMap((multipliers) =>
        [...multipliers].flatMap(([i, value]) => (sign(value) > 0 ? [i] : [])),
      )
    : [];
  const holds = new Set(pushing.map((i) => oneWays[i]!.id));

  const held = nullSpace([...equalities, ...oneWays.filter(({ id }) => holds.has(id)).map(({ lead }) => lead)], size);
  const speeds = loads.map((load) => determined(held, rate, load));
  const turning = speeds.find((value) => value !== null && !isZero(value));
  const status = turning
    ? 'drive'
    : moved && receivers.length > 1
      ? 'split'
      : speeds.some((value) => value !== null)
        ? 'held'
        : 'neutral';
  const distinct = new Set(
    vertices.map((multipliers) =>
      [...multipliers]
        .flatMap(([i, value]) => (isZero(value) ? [] : [`${i} ${toFraction(value)}`]))
        .sort()
        .join(),
    ),
  );
  const single =
    receivers.length === 1 && distinct.size === 1 && rings(basis, leads).length === 0 ? vertices[0]! : null;
  return {
    status,
    ratio: turning ? div(speed, turning) : null,
    holds,
    torques:
      single &&
      new Map(
        [...single]
          .filter(([, value]) => !isZero(value))
          .map(([i, value]) => [oneWays[i]!.id, div(value, least.value)]),
      ),
    standing,
    speeds: new Map(network.memberIds.map((id, i) => [id, determined(held, times(speed, rate), unit(i))])),
  };
}

/** A basis of the motions that all rows allow. */
function nullSpace(rows: readonly Row[], size: number): readonly Row[] {
  return solveDense(
    rows.length > 0 ? rows : [new Array<Rational>(size).fill(ZERO)],
    (rows.length > 0 ? rows : [ZERO]).map(() => ZERO),
  )!.directions;
}

/**
 * Positive multiples of leads that cancel: what can be added to any set of multipliers. A lead that is zero in every
 * motion does not count.
 */
function rings(basis: readonly Row[], leads: readonly Row[]): readonly ReadonlyMap<number, Rational>[] {
  const inBasis = leads.map((lead) => basis.map((motion) => dot(lead, motion)));
  const moving = [...leads.keys()].filter((i) => !inBasis[i]!.every(isZero));
  return Array.from({ length: 1 << moving.length }, (_, subset) => moving.filter((__, k) => subset & (1 << k))).flatMap(
    (chosen) => {
      if (chosen.length < 2) return [];
      const { directions } = solveDense(
        basis.map((__, j) => chosen.map((i) => inBasis[i]![j]!)),
        basis.map(() => ZERO),
      )!;
      const [ring] = directions;
      const signs = new Set(ring?.map(sign));
      return directions.length === 1 && signs.size === 1 && !signs.has(0) ? [new Map(chosen.map((i) => [i, ONE]))] : [];
    },
  );
}

const dot = (a: Row, b: Row): Rational => sum(a.map((value, i) => mul(value, b[i]!)));

/** A form's value when the rate is 1, if every motion of the basis agrees on it. */
function determined(basis: readonly Row[], rate: Row, form: Row): Rational | null {
  const rates = basis.map((motion) => dot(rate, motion));
  const values = basis.map((motion) => dot(form, motion));
  const at = rates.findIndex((value) => !isZero(value));
  const multiple = at < 0 ? ZERO : div(values[at]!, rates[at]!);
  return values.every((value, i) => isZero(sub(value, mul(multiple, rates[i]!)))) ? multiple : null;
}

interface Least {
  readonly value: Rational;
  /** The multipliers of every set of independent leads that proves the value least. */
  readonly multipliers: readonly ReadonlyMap<number, Rational>[];
}

/**
 * min Σ (load · x)² with rate · x = 1 and lead · x ≥ 0, over the span of the basis: every set of leads held at zero is
 * tried.
 */
function leastOf(basis: readonly Row[], rate: Row, loads: readonly Row[], leads: readonly Row[]): Least | null {
  const inBasis = (form: Row): Row => basis.map((motion) => dot(form, motion));
  const [d, o, c] = [inBasis(rate), loads.map(inBasis), leads.map(inBasis)];
  const n = basis.length;
  let best: { value: Rational; multipliers: ReadonlyMap<number, Rational>[] } | null = null;
  for (let subset = 0; subset < 1 << leads.length; subset++) {
    const held = [...leads.keys()].filter((i) => subset & (1 << i));
    const rows = [
      ...Array.from({ length: n }, (_, i) => [
        ...Array.from({ length: n }, (__, j) => sum(o.map((load) => mul(load[i]!, load[j]!)))),
        neg(d[i]!),
        ...held.map((k) => neg(c[k]![i]!)),
      ]),
      [...d, ZERO, ...held.map(() => ZERO)],
      ...held.map((k) => [...c[k]!, ZERO, ...held.map(() => ZERO)]),
    ];
    const found = solveDense(
      rows,
      rows.map((_, i) => (i === n ? ONE : ZERO)),
    );
    if (!found) continue;
    const x = found.particular.slice(0, n);
    if (c.some((lead) => sign(dot(lead, x)) < 0)) continue;
    const value = sum(o.map((load) => mul(dot(load, x), dot(load, x))));
    const order = best ? compare(value, best.value) : -1;
    if (order < 0) best = { value, multipliers: [] };
    if (order > 0) continue;
    const independent = found.directions.every((direction) => direction.slice(n + 1).every(isZero));
    const pushes = held.map((_, i) => found.particular[n + 1 + i]!);
    if (independent && pushes.every((push) => sign(push) >= 0))
      best!.multipliers.push(new Map(held.map((k, i) => [k, pushes[i]!])));
  }
  return best;
}

/** What is asked when the outputs, all turned alike in this direction, drive the input. */
export function askedBackward(network: Network, direction: Rational): Asked {
  const [first, ...others] = network.outputs;
  const extra = others.map((other): Row =>
    network.memberIds.map((_, i) => (i === first ? ONE : i === other ? neg(ONE) : ZERO)),
  );
  return { driver: first!, speed: direction, receivers: [network.input], extra };
}
