import { abs, mul, type Rational } from '../rational';
import { Best, type Found } from './best';
import {
  fits,
  hasRoom,
  nearlyEven,
  goesInEvenly,
  setRatio,
  setRow,
  type PlanetarySet,
  type SetMember,
  type SetShape,
} from './planetary-sets';
import { sweepTwo } from './sweep';

/** From least to most, both included. */
export type Span = readonly [least: number, most: number];

/** What a set is looked for among: one member driven, one giving out, one held. */
export interface SetQuestion {
  readonly shape?: SetShape | undefined;
  readonly input: SetMember;
  readonly output: SetMember;
  readonly held: SetMember;
  readonly sun: Span;
  readonly planet: Span;
  /** Of stepped planets and of double pinions: the gear at the ring. */
  readonly second?: Span | undefined;
  readonly ring: Span;
  readonly copies: Span;
}

export interface PlanetaryQuestion extends SetQuestion {
  /** Size of the input speed over the output speed. */
  readonly target: Rational;
  /** Another set behind it, whose input is the first one's output. */
  readonly behind?: SetQuestion | undefined;
  /** Take also planets that go in at uneven angles, which are then told. */
  readonly uneven?: boolean | undefined;
  readonly maxError: number | null;
  readonly limit: number;
}

export interface PlanetaryAnswer {
  /** Each with its ratio, negative where the output turns against the input; `made` has one set, or the set and the one behind it. */
  readonly results: readonly (Found<readonly PlanetarySet[]> & { readonly size: Rational })[];
  readonly proven: boolean;
  readonly examined: number;
}

/**
 * All sets within the spans that can be put together: one module fits them round one axis (R = S + 2P; stepped R = S + P + Q; double pinions as far as both
 * planets lie between sun and ring), the planets stand evenly, and their tips clear each other.
 */
export function searchPlanetary(question: PlanetaryQuestion): PlanetaryAnswer {
  return question.behind ? twoSets(question, question.behind) : oneSet(question);
}

function oneSet(question: PlanetaryQuestion): PlanetaryAnswer {
  const { target, limit, maxError, shape = 'simple', uneven = false } = question;
  const best = new Best<PlanetarySet>(target, limit, maxError);
  const wanted = Number(target.n) / Number(target.d);
  let examined = 0;
  for (const set of candidates(question)) {
    examined++;
    const size = sizeOf(set, question);
    if (!(size >= wanted * best.from && size <= wanted * best.to)) continue;
    const placed = uneven ? placedAnyhow(set, shape) : fits(set, shape) ? set : null;
    if (placed) best.offer(abs(setRatio(set, question)), placed);
  }
  // Every way is a set of its own to choose from, not only the smallest of each ratio.
  const results = best
    .list(
      (ways) => [...ways].sort(orderOfSets),
      (a, b) => orderOfSets(a[0]!, b[0]!),
    )
    .flatMap(({ ratio, made }) => made.map((set) => ({ size: ratio, ratio: setRatio(set, question), made: [set] })))
    .slice(0, limit);
  return { results, proven: true, examined };
}

/** Evenly where that goes, else as evenly as it goes; null where there is no room or no place. */
function placedAnyhow(set: PlanetarySet, shape: SetShape): PlanetarySet | null {
  if (goesInEvenly(set, shape)) return hasRoom(set, shape) ? set : null;
  const angles = nearlyEven(set, shape);
  const placed = angles && { ...set, angles };
  return placed && hasRoom(placed, shape) ? placed : null;
}

/** Sets of each ratio by the one with the fewest teeth, and one sweep over the ratios of both. */
function twoSets(question: PlanetaryQuestion, behind: SetQuestion): PlanetaryAnswer {
  const { target, limit, maxError } = question;
  const best = new Best<readonly [PlanetarySet, PlanetarySet]>(target, limit, maxError);
  const [first, second] = [smallestOfEach(question), smallestOfEach(behind)] as const;
  const sizes = (sets: typeof first.sets) => Float64Array.from(sets, ({ size }) => size);
  sweepTwo(sizes(first.sets), sizes(second.sets), Number(target.n) / Number(target.d), best, (i, j) => {
    const [a, b] = [first.sets[i]!.set, second.sets[j]!.set];
    best.offer(abs(mul(setRatio(a, question), setRatio(b, behind))), [a, b]);
  });
  const together = ([a, b]: readonly [PlanetarySet, PlanetarySet]) => teethOf(a) + teethOf(b);
  const results = best
    .list(
      (ways) => ways.reduce((a, b) => (together(b) < together(a) ? b : a)),
      (a, b) => together(a) - together(b),
    )
    .slice(0, limit)
    .map(({ ratio, made: [a, b] }) => ({
      size: ratio,
      ratio: mul(setRatio(a, question), setRatio(b, behind)),
      made: [a, b],
    }));
  return { results, proven: true, examined: first.examined * second.examined };
}

function smallestOfEach(question: SetQuestion) {
  const bySize = new Map<number, PlanetarySet>();
  let examined = 0;
  for (const set of candidates(question)) {
    examined++;
    const size = sizeOf(set, question);
    const known = bySize.get(size);
    if (size > 0 && (!known || orderOfSets(set, known) < 0) && fits(set, question.shape)) bySize.set(size, set);
  }
  const sets = [...bySize].map(([size, set]) => ({ size, set })).sort((a, b) => a.size - b.size);
  return { sets, examined };
}

/** Its ratio's size in floating point, one division of whole numbers: equal ratios are equal values. */
function sizeOf(set: PlanetarySet, { shape = 'simple', input, output }: SetQuestion): number {
  const row = setRow(shape, set);
  return Math.abs(row[output] / row[input]);
}

function* candidates({
  shape = 'simple',
  sun,
  planet,
  second = planet,
  ring,
  copies,
}: SetQuestion): Generator<PlanetarySet> {
  for (const s of whole(sun))
    for (const p of whole(planet))
      for (const q of shape === 'simple' ? [p] : whole(second))
        for (const r of shape === 'double-pinion' ? whole(ring) : [s + p + q]) {
          if (r < ring[0] || r > ring[1]) continue;
          const counts =
            shape === 'simple' ? { sun: s, planet: p, ring: r } : { sun: s, planet: p, second: q, ring: r };
          for (const n of whole(copies)) yield { ...counts, copies: n };
        }
}

function* whole([least, most]: Span): Generator<number> {
  for (let value = least; value <= most; value++) yield value;
}

const teethOf = ({ sun, planet, second = 0, ring, copies }: PlanetarySet): number =>
  sun + ring + copies * (planet + second);

/** Fewer teeth, then the smaller ring, then fewer copies. */
const orderOfSets = (a: PlanetarySet, b: PlanetarySet): number =>
  teethOf(a) - teethOf(b) || a.ring - b.ring || a.copies - b.copies;
