import { timingOf } from '../checks';
import { div, fraction, neg, type Rational } from '../rational';
import { itemAt } from '../required';

export type SetMember = 'sun' | 'carrier' | 'ring';
export const SET_MEMBERS: readonly SetMember[] = ['sun', 'carrier', 'ring'];

/**
 * simple: one planet between sun and ring · stepped: the planet's first gear meets the sun, its second the ring ·
 * double-pinion: the sun meets one planet, that another, that the ring.
 */
export type SetShape = 'simple' | 'stepped' | 'double-pinion';

/** Tooth counts of a set; `second` is the gear at the ring of stepped planets and of double pinions. */
export interface FoundSet {
  readonly sun: number;
  readonly planet: number;
  readonly second?: number;
  readonly ring: number;
  readonly copies: number;
  /** Where the planets go, in turns from the first; only where they cannot be spaced evenly. */
  readonly angles?: readonly Rational[];
}

/** The set's speeds as one row: Σ k ω = 0 over its three members, which adds up to 0. */
export type SetRow = Readonly<Record<SetMember, number>>;

/**
 * The meshes from sun to ring, one after the other, seen from the carrier: an external mesh passes −a/b of the speed
 * on, an internal one a/b. So ω_r − ω_c = (p/q)(ω_s − ω_c), which is p ω_s − q ω_r + (q − p) ω_c = 0.
 */
export function setRow(shape: SetShape, { sun, planet, second = planet, ring }: FoundSet): SetRow {
  const [p, q] = shape === 'stepped' ? [-sun * second, planet * ring] : shape === 'simple' ? [-sun, ring] : [sun, ring];
  return { sun: p, ring: -q, carrier: q - p };
}

/**
 * Input speed over output speed with the third member held: its term is gone, and the other two leave ω_in/ω_out =
 * −k_out/k_in.
 */
export function setRatio(
  set: FoundSet,
  {
    input,
    output,
    shape = 'simple',
  }: { readonly input: SetMember; readonly output: SetMember; readonly shape?: SetShape },
): Rational {
  const row = setRow(shape, set);
  return neg(div(fraction(row[output]), fraction(row[input])));
}

/** Can it be put together with its planets evenly spaced, and have they room beside each other? */
export const fits = (set: FoundSet, shape: SetShape = 'simple'): boolean =>
  hasRoom(set, shape) && assemblesEvenly(set, shape);

/** Do equal planets, evenly spaced, each find teeth and gaps where they need them? */
export function assemblesEvenly({ sun, planet, second = planet, ring, copies }: FoundSet, shape: SetShape): boolean {
  if (shape !== 'stepped') return wholeTurn({ sun, ring }, shape) % copies === 0;
  const contacts = [
    { planetTeeth: planet, centralTeeth: sun, internal: false },
    { planetTeeth: second, centralTeeth: ring, internal: true },
  ];
  return timingOf(contacts, copies) !== null;
}

/**
 * The places, in turns, that come nearest to an even spacing: planets between sun and ring find their teeth at every
 * whole part of S + R, of R − S where there are two in a row. Null for stepped planets, whose two gears are clocked to
 * each other.
 */
export function nearlyEven(set: FoundSet, shape: SetShape): readonly Rational[] | null {
  if (shape === 'stepped') return null;
  const places = wholeTurn(set, shape);
  if (places < set.copies) return null;
  return Array.from({ length: set.copies }, (_, k) => fraction(Math.round((k * places) / set.copies), places));
}

/** Turned by one part of so many the carrier brings every tooth of sun and ring to a tooth. */
const wholeTurn = ({ sun, ring }: Pick<FoundSet, 'sun' | 'ring'>, shape: SetShape): number =>
  shape === 'double-pinion' ? ring - sun : sun + ring;

/** Teeth stand out beyond the pitch circle by one module. */
const TIP = 1;

/**
 * Do the tips of neighbouring planets clear each other, for simple sets (S + P) sin(π/n) > P + 2? All lengths in
 * modules. Of double pinions also the outer planet the sun, the inner one the ring, and each the other kind of the next
 * pair.
 */
export function hasRoom(set: FoundSet, shape: SetShape): boolean {
  const { sun, planet, second = planet, ring, copies, angles } = set;
  const gap = angles ? smallestGap(angles) : 1 / copies;
  const inner = (sun + planet) / 2;
  const besides = (radius: number, teeth: number) =>
    copies === 1 || 2 * radius * Math.sin(Math.PI * gap) > teeth + 2 * TIP;
  if (shape === 'simple') return besides(inner, planet);
  if (shape === 'stepped') return besides(inner, planet) && besides(inner, second);
  const outer = (ring - second) / 2;
  const between = (planet + second) / 2;
  const lead = (inner ** 2 + outer ** 2 - between ** 2) / (2 * inner * outer);
  if (!(Math.abs(lead) <= 1)) return false;
  // The angle by which the outer planet goes before the inner one, and that is left to the next pair's inner one.
  const left = 2 * Math.PI * gap - Math.acos(lead);
  const apart = Math.sqrt(inner ** 2 + outer ** 2 - 2 * inner * outer * Math.cos(left));
  return (
    outer > (sun + second) / 2 + 2 * TIP &&
    inner + planet / 2 + TIP < ring / 2 - TIP &&
    (copies === 1 || (left > 0 && apart > between + 2 * TIP && besides(inner, planet) && besides(outer, second)))
  );
}

function smallestGap(angles: readonly Rational[]): number {
  const turns = angles.map(({ n, d }) => Number(n) / Number(d));
  return Math.min(...turns.map((at, i) => (i + 1 < turns.length ? itemAt(turns, i + 1) : 1) - at));
}
