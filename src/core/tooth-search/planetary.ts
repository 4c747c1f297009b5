import { abs, mul, type Rational } from '../rational';
import { Best, MOST_WAYS, type FoundSoFar } from './best';
import {
  fits,
  hasRoom,
  nearlyEven,
  assemblesEvenly,
  setRatio,
  setRow,
  type FoundSet,
  type SetMember,
  type SetShape,
} from './planetary-sets';
import { sweepTwo } from './sweep';
import { UNWATCHED, type SearchWatch } from './watch';
import { itemAt } from '../required';

/** From least to most, both included. */
export type CountSpan = readonly [least: number, most: number];

/** What a set is looked for among: one member driven, one giving out, one held. */
export interface SetQuestion {
  readonly shape?: SetShape | undefined;
  readonly input: SetMember;
  readonly output: SetMember;
  readonly held: SetMember;
  readonly sun: CountSpan;
  readonly planet: CountSpan;
  /** Of stepped planets and of double pinions: the gear at the ring. */
  readonly second?: CountSpan | undefined;
  readonly ring: CountSpan;
  readonly copies: CountSpan;
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
  /**
   * Each with its ratio, negative where the output turns against the input; `made` has one set, or the set and the one
   * behind it.
   */
  readonly results: readonly (FoundSoFar<readonly FoundSet[]> & { readonly size: Rational })[];
  readonly proven: boolean;
  /** The time that was allowed ended it. */
  readonly cut: boolean;
  readonly examined: number;
  /** How much of the search is behind, from 0 to 1. */
  readonly part: number;
}

/**
 * All sets within the spans that can be put together: one module fits them round one axis (R = S + 2P; stepped R = S +
 * P + Q; double pinions as far as both planets lie between sun and ring), the planets stand evenly, and their tips
 * clear each other.
 */
export function searchPlanetary(
  question: PlanetaryQuestion,
  tell: (so: PlanetaryAnswer) => void = () => undefined,
  watch: SearchWatch = UNWATCHED,
): PlanetaryAnswer {
  return question.behind ? twoSets(question, question.behind, watch) : oneSet(question, tell, watch);
}

function oneSet(question: PlanetaryQuestion, tell: (so: PlanetaryAnswer) => void, watch: SearchWatch): PlanetaryAnswer {
  const { target, limit, maxError, shape = 'simple', uneven = false } = question;
  const best = new Best<FoundSet>(target, limit, maxError, teethOf, Math.max(MOST_WAYS, limit));
  const wanted = Number(target.n) / Number(target.d);
  const whole = setsIn(question);
  let examined = 0;
  const answer = (proven: boolean, cut: boolean): PlanetaryAnswer => ({
    results: listed(),
    proven,
    cut,
    examined,
    part: proven ? 1 : examined / whole,
  });
  for (const { size, sets, count } of ratiosOf(question, wanted)) {
    if (watch.over()) return answer(false, true);
    if (watch.due()) tell(answer(false, false));
    examined += count;
    // Nearest first: beyond the last that can be among the best there is nothing.
    if (!(size >= wanted * best.from && size <= wanted * best.to)) continue;
    for (const set of sets()) {
      const placed = uneven ? placedAnyhow(set, shape) : fits(set, shape) ? set : null;
      if (placed) best.offer(abs(setRatio(set, question)), placed);
    }
  }
  return answer(true, false);

  // Every way is a set of its own to choose from, not only the smallest of each ratio.
  function listed(): PlanetaryAnswer['results'] {
    return best
      .list(
        (ways) => [...ways].sort(orderOfSets),
        (a, b) => orderOfSets(itemAt(a, 0), itemAt(b, 0)),
      )
      .flatMap(({ ratio, made }) => made.map((set) => ({ size: ratio, ratio: setRatio(set, question), made: [set] })))
      .slice(0, limit);
  }
}

/** Sets that make one ratio whatever their planets are. */
interface SameRatio {
  readonly size: number;
  readonly sets: () => Iterable<FoundSet>;
  /** How many sets that are, good or not. */
  readonly count: number;
}

/** Ratios that are sorted before they are looked through; more would not fit into memory. */
const MOST_SORTED = 300_000;

/**
 * All sets by what decides their ratio, those nearest to the target first: so most are left out by their ratio alone,
 * whole spans of planets at once.
 */
function ratiosOf(question: SetQuestion, wanted: number): Iterable<SameRatio> {
  if (setsIn(question) / perRatio(question) > MOST_SORTED) return sameRatios(question);
  const away = ({ size }: SameRatio) => Math.abs(Math.log(size / wanted));
  return [...sameRatios(question)].filter(({ size }) => size > 0).sort((a, b) => away(a) - away(b));
}

function* sameRatios(question: SetQuestion): Generator<SameRatio> {
  const { shape = 'simple', sun, ring, copies } = question;
  if (shape !== 'double-pinion') {
    for (const set of candidates(question)) {
      const counts = [...whole(copies)];
      const each = () => counts.map((n) => ({ ...set, copies: n }));
      yield { size: sizeOf({ ...set, copies: 1 }, question), sets: each, count: counts.length };
    }
    return;
  }
  const count = perRatio(question);
  for (const s of whole(sun))
    for (const r of whole(ring))
      yield {
        size: sizeOf({ sun: s, planet: 1, ring: r, copies: 1 }, question),
        sets: () => doublePinions(question, s, r),
        count,
      };
}

/**
 * The planets of a double-pinion set that may lie between this sun and ring: each narrower than the gap less the room
 * for tips, and together at
 * least as long as the gap is wide, or the two would not reach each other. What remains is looked at closely by `fits`.
 */
function* doublePinions({ planet, second = planet, copies }: SetQuestion, s: number, r: number): Generator<FoundSet> {
  const gap = r - s;
  for (const p of whole(planet)) {
    if (2 * p + 4 >= gap) break;
    for (const q of whole([Math.max(second[0], Math.ceil(gap / 2) - p), second[1]])) {
      if (2 * q + 4 >= gap) break;
      for (const n of whole(copies)) yield { sun: s, planet: p, second: q, ring: r, copies: n };
    }
  }
}

/** Evenly where that goes, else as evenly as it goes; null where there is no room or no place. */
function placedAnyhow(set: FoundSet, shape: SetShape): FoundSet | null {
  if (assemblesEvenly(set, shape)) return hasRoom(set, shape) ? set : null;
  const angles = nearlyEven(set, shape);
  const placed = angles && { ...set, angles };
  return placed && hasRoom(placed, shape) ? placed : null;
}

/** Sets of each ratio by the one with the fewest teeth, and one sweep over the ratios of both. */
function twoSets(question: PlanetaryQuestion, behind: SetQuestion, watch: SearchWatch): PlanetaryAnswer {
  const { target, limit, maxError } = question;
  const best = new Best<readonly [FoundSet, FoundSet]>(target, limit, maxError, null, Math.max(MOST_WAYS, limit));
  const [first, second] = [smallestOfEach(question, watch), smallestOfEach(behind, watch)] as const;
  const sizes = (sets: typeof first.sets) => Float64Array.from(sets, ({ size }) => size);
  const whole = sweepTwo(
    sizes(first.sets),
    sizes(second.sets),
    Number(target.n) / Number(target.d),
    best,
    (i, j) => {
      const [a, b] = [itemAt(first.sets, i).set, itemAt(second.sets, j).set];
      best.offer(abs(mul(setRatio(a, question), setRatio(b, behind))), [a, b]);
    },
    watch,
  );
  const together = ([a, b]: readonly [FoundSet, FoundSet]) => teethOf(a) + teethOf(b);
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
  const cut = !whole || watch.over();
  return { results, proven: !cut, cut, examined: first.examined * second.examined, part: 1 };
}

function smallestOfEach(question: SetQuestion, watch: SearchWatch) {
  const bySize = new Map<number, FoundSet>();
  let examined = 0;
  for (const { size, sets, count } of sameRatios(question)) {
    if (watch.over()) break;
    examined += count;
    if (!(size > 0)) continue;
    for (const set of sets()) {
      const known = bySize.get(size);
      if ((!known || orderOfSets(set, known) < 0) && fits(set, question.shape)) bySize.set(size, set);
    }
  }
  const sets = [...bySize].map(([size, set]) => ({ size, set })).sort((a, b) => a.size - b.size);
  return { sets, examined };
}

/** Its ratio's size in floating point, one division of whole numbers: equal ratios are equal values. */
function sizeOf(set: FoundSet, { shape = 'simple', input, output }: SetQuestion): number {
  const row = setRow(shape, set);
  return Math.abs(row[output] / row[input]);
}

/** Simple and stepped sets: the ring follows from sun and planets. */
function* candidates({
  shape = 'simple',
  sun,
  planet,
  second = planet,
  ring,
}: SetQuestion): Generator<Omit<FoundSet, 'copies'>> {
  for (const s of whole(sun))
    for (const p of whole(planet))
      for (const q of shape === 'simple' ? [p] : whole(second)) {
        const r = s + p + q;
        if (r < ring[0] || r > ring[1]) continue;
        yield shape === 'simple' ? { sun: s, planet: p, ring: r } : { sun: s, planet: p, second: q, ring: r };
      }
}

/** Sets of one sun and ring, or of one sun and planets, that are looked at together. */
const perRatio = ({ shape = 'simple', planet, second = planet, copies }: SetQuestion): number =>
  shape === 'double-pinion' ? width(planet) * width(second) * width(copies) : width(copies);

/** How many sets the spans have; of simple and stepped ones the ring follows. */
const setsIn = ({ shape = 'simple', sun, planet, second = planet, ring, copies }: SetQuestion): number =>
  width(sun) *
  width(planet) *
  width(copies) *
  (shape === 'simple' ? 1 : width(second)) *
  (shape === 'double-pinion' ? width(ring) : 1);

const width = ([least, most]: CountSpan): number => Math.max(0, most - least + 1);

function* whole([least, most]: CountSpan): Generator<number> {
  for (let value = least; value <= most; value++) yield value;
}

const teethOf = ({ sun, planet, second = 0, ring, copies }: FoundSet): number =>
  sun + ring + copies * (planet + second);

/** Fewer teeth, then the smaller ring, then fewer copies. */
const orderOfSets = (a: FoundSet, b: FoundSet): number =>
  teethOf(a) - teethOf(b) || a.ring - b.ring || a.copies - b.copies;
