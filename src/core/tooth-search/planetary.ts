import { compare, div, fraction, isZero, neg, type Rational } from '../rational';
import { Best, type Found } from './best';

export type SetMember = 'sun' | 'carrier' | 'ring';
export const SET_MEMBERS: readonly SetMember[] = ['sun', 'carrier', 'ring'];

/** From least to most, both included. */
export type Span = readonly [least: number, most: number];

/** A simple planetary set that is looked for: one member driven, one giving out, one held. */
export interface PlanetaryQuestion {
  /** Size of the input speed over the output speed. */
  readonly target: Rational;
  readonly input: SetMember;
  readonly output: SetMember;
  readonly held: SetMember;
  readonly sun: Span;
  readonly planet: Span;
  readonly ring: Span;
  readonly copies: Span;
  readonly maxError: number | null;
  readonly limit: number;
}

export interface PlanetarySet {
  readonly sun: number;
  readonly planet: number;
  readonly ring: number;
  readonly copies: number;
}

export interface PlanetaryAnswer {
  /** Each with its ratio, negative where the output turns against the input. */
  readonly results: readonly (Found<PlanetarySet> & { readonly size: Rational })[];
  readonly proven: boolean;
  readonly examined: number;
}

/**
 * All simple sets within the spans that can be put together: the ring has S + 2P teeth, (S + R) is a whole number of times the copies, so that they
 * stand evenly, and the tips of neighbouring planets clear each other: (S + P) sin(π/n) > P + 2.
 */
export function searchPlanetary(question: PlanetaryQuestion): PlanetaryAnswer {
  const { target, limit, maxError } = question;
  const best = new Best<PlanetarySet>(target, limit, maxError);
  let examined = 0;
  for (const set of candidates(question)) {
    examined++;
    const ratio = setRatio(set, question);
    if (!isZero(ratio) && fits(set)) best.offer(compare(ratio, ZERO) < 0 ? neg(ratio) : ratio, set);
  }
  // Every way is a set of its own to choose from, not only the smallest of each ratio.
  const results = best
    .list(
      (ways) => [...ways].sort(orderOfSets),
      (a, b) => orderOfSets(a[0]!, b[0]!),
    )
    .flatMap(({ ratio, made }) => made.map((set) => ({ size: ratio, ratio: setRatio(set, question), made: set })))
    .slice(0, limit);
  return { results, proven: true, examined };
}

const ZERO = fraction(0);

function* candidates({ sun, planet, ring, copies }: PlanetaryQuestion): Generator<PlanetarySet> {
  for (let s = sun[0]; s <= sun[1]; s++)
    for (let p = planet[0]; p <= planet[1]; p++) {
      const r = s + 2 * p;
      if (r < ring[0] || r > ring[1]) continue;
      for (let n = copies[0]; n <= copies[1]; n++) yield { sun: s, planet: p, ring: r, copies: n };
    }
}

/** Can it be put together with its planets evenly spaced, and have they room beside each other? */
export function fits({ sun, planet, ring, copies }: PlanetarySet): boolean {
  return (sun + ring) % copies === 0 && (copies === 1 || (sun + planet) * Math.sin(Math.PI / copies) > planet + 2);
}

/**
 * Input speed over output speed with one member held. The rows of both meshes, S(ω_s − ω_c) + P(ω_p − ω_c) = 0 and P(ω_p − ω_c) − R(ω_r − ω_c) = 0, with the
 * planet eliminated are the one row S ω_s + R ω_r − (S + R) ω_c = 0; the held member's term is gone, and the other two leave ω_in/ω_out = −k_out/k_in.
 */
export function setRatio(
  { sun, ring }: PlanetarySet,
  { input, output }: Pick<PlanetaryQuestion, 'input' | 'output'>,
): Rational {
  const row: Readonly<Record<SetMember, number>> = { sun, ring, carrier: -(sun + ring) };
  return neg(div(fraction(row[output]), fraction(row[input])));
}

/** Fewer teeth, then the smaller ring, then fewer copies. */
function orderOfSets(a: PlanetarySet, b: PlanetarySet): number {
  const teeth = ({ sun, planet, ring, copies }: PlanetarySet) => sun + ring + copies * planet;
  return teeth(a) - teeth(b) || a.ring - b.ring || a.copies - b.copies;
}
