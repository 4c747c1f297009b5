import { rackAcross, STANDARD_RACK, toothForm, type ToothSpec } from '../shapes';
import { MOST_SHIFT } from '../train';
import { contactOf } from './contact';
import { runningPair, type PairSpec } from './running-pair';

/** Ways to share the shift that a centre asks for between the two wheels of a pair. */
export const SPLITS = ['equal sliding', 'equal strength', 'least shift'] as const;
export type Split = (typeof SPLITS)[number];

/** A pair as it is to be cut: its wheels without shifts, and how strong each would be. */
export interface Sharing {
  readonly specs: readonly [ToothSpec, ToothSpec];
  readonly centreMm: number;
  /** Stress in the root for the same load, of the first and of the second wheel with these shifts. */
  readonly stresses: (shifts: readonly [number, number]) => readonly [number, number] | null;
}

/** As far as shifts are looked for, in modules. */
const MOST = 1.5;
const STEPS = 10;
const HALVINGS = 16;

/** The least shift at which the rack does not cut into a gear's flanks: (h − r sin² α_t) / m. */
export function leastShift({ teeth, moduleMm, helixDegrees = 0, rack = STANDARD_RACK }: ToothSpec): number {
  const across = rackAcross(rack, moduleMm, helixDegrees);
  const r = (across.moduleMm * teeth) / 2;
  return (across.straightMm - r * Math.sin(across.pressureAngle) ** 2) / moduleMm;
}

/** What a pair's centre asks for in all, see RunningPair; null where it cannot run there. */
export const shiftSumAt = (specs: readonly [ToothSpec, ToothSpec], centreMm: number): number | null =>
  runningPair({ ...pairOf(specs), centreMm })?.shiftSum ?? null;

/** Where two wheels run with their shifts; NaN where they cannot. */
export const runningCentre = (specs: readonly [ToothSpec, ToothSpec]): number =>
  runningPair({ ...pairOf(specs), centreMm: null })?.centreMm ?? NaN;

const pairOf = ([one, two]: readonly [ToothSpec, ToothSpec]): Omit<PairSpec, 'centreMm'> => ({
  rack: one.rack ?? STANDARD_RACK,
  moduleMm: one.moduleMm,
  helixDegrees: one.helixDegrees ?? 0,
  wheels: [
    { teeth: one.teeth, internal: false, shift: one.shift ?? 0 },
    { teeth: two.teeth, internal: two.internal === true, shift: two.shift ?? 0 },
  ],
});

/**
 * Shares the shift that a centre asks for: so that both slide as much at their feet, so that both roots are as strong,
 * or with as little of it as keeps the roots whole.
 * @returns the shifts of both wheels, in modules; null where the pair cannot run so, or no such share is found
 */
export function splitShift(sharing: Sharing, split: Split): readonly [number, number] | null {
  const { specs, centreMm } = sharing;
  const sum = shiftSumAt(specs, centreMm);
  if (sum === null) return null;
  const internal = specs[1].internal === true;
  const shared = (first: number): readonly [number, number] => [first, internal ? sum + first : sum - first];
  if (split === 'least shift') {
    // The larger wheel takes what the smaller does not need.
    const least = Math.max(0, leastShift(specs[0]));
    const mate = internal ? -Infinity : Math.max(sum < 0 ? -Infinity : 0, leastShift(specs[1]));
    const first = internal ? (sum >= 0 ? least : Math.max(least, -sum)) : sum >= 0 ? least : Math.max(least, sum);
    const shifts = shared(first);
    return withinLimits(shifts[1] >= mate || internal ? shifts : shared(sum - mate));
  }
  return zeroOf((first) => {
    const shifts = withinLimits(shared(first));
    if (!shifts) return null;
    const pair = split === 'equal sliding' ? slidingOf(specs, shifts, centreMm) : sharing.stresses(shifts);
    return pair && pair[0] - pair[1];
  }, shared);
}

const withinLimits = (shifts: readonly [number, number]): readonly [number, number] | null =>
  shifts.every((shift) => Math.abs(shift) <= MOST_SHIFT) ? shifts : null;

/** How much each slides at its foot; null where a flank does not reach so far. */
function slidingOf(
  specs: readonly [ToothSpec, ToothSpec],
  [x1, x2]: readonly [number, number],
  centreMm: number,
): readonly [number, number] | null {
  const cut = [
    { ...specs[0], shift: x1 },
    { ...specs[1], shift: x2 },
  ] as const;
  const running = runningPair({ ...pairOf(cut), centreMm });
  if (!running) return null;
  const { specificSliding } = contactOf(
    running,
    [toothForm(cut[0]), toothForm(cut[1])],
    [specs[0].teeth, specs[1].teeth],
    specs[1].internal === true,
  );
  const [a, b] = specificSliding;
  return a === null || b === null ? null : [Math.abs(a), Math.abs(b)];
}

/** Where a difference changes its sign nearest to no shift. */
function zeroOf(
  off: (first: number) => number | null,
  shared: (first: number) => readonly [number, number],
): readonly [number, number] | null {
  const places = Array.from({ length: 2 * STEPS + 1 }, (_, i) => (MOST * (i - STEPS)) / STEPS).sort(
    (a, b) => Math.abs(a) - Math.abs(b),
  );
  const step = MOST / STEPS;
  for (const from of places) {
    let [low, high] = [from, from + step];
    const [a, b] = [off(low), off(high)];
    if (a === null || b === null || !Number.isFinite(a) || !Number.isFinite(b) || a > 0 === b > 0) continue;
    for (let i = 0; i < HALVINGS; i++) {
      const middle = (low + high) / 2;
      const now = off(middle);
      if (now === null) break;
      if (now > 0 === a > 0) low = middle;
      else high = middle;
    }
    return shared((low + high) / 2);
  }
  return null;
}

/**
 * The centre at which a sun, its planets and their ring run together, and the shift of the planets that puts them
 * there, with the shifts of sun and ring as they are: Σ₁(a) − x_s + Σ₂(a) − x_r = 0, x_p = Σ₁(a) − x_s.
 * @returns null where there is no such centre
 */
export function sharedCentre(
  sun: ToothSpec,
  planet: ToothSpec,
  ring: ToothSpec,
): { readonly centreMm: number; readonly planetShift: number } | null {
  const sums = (centreMm: number) => {
    const [outside, inside] = [shiftSumAt([sun, planet], centreMm), shiftSumAt([planet, ring], centreMm)];
    return outside === null || inside === null ? null : { outside, inside };
  };
  const reference = (a: ToothSpec, b: ToothSpec) =>
    runningPair({
      ...pairOf([
        { ...a, shift: 0 },
        { ...b, shift: 0 },
      ]),
      centreMm: null,
    })?.centreMm ?? null;
  const [one, two] = [reference(sun, planet), reference(planet, ring)];
  if (one === null || two === null) return null;
  const off = (centreMm: number) => {
    const found = sums(centreMm);
    return found && found.outside - (sun.shift ?? 0) + found.inside - (ring.shift ?? 0);
  };
  let [low, high] = [Math.min(one, two) - 2 * planet.moduleMm, Math.max(one, two) + 2 * planet.moduleMm];
  // Below some distance neither pair can run: the way up from there.
  for (let i = 0; off(low) === null && i < 200; i++) low += (high - low) / 100;
  const [a, b] = [off(low), off(high)];
  if (a === null || b === null || a > 0 || b < 0) return null;
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if ((off(middle) ?? 0) > 0) high = middle;
    else low = middle;
  }
  const centreMm = (low + high) / 2;
  const found = sums(centreMm);
  return found && { centreMm, planetShift: found.outside - (sun.shift ?? 0) };
}
