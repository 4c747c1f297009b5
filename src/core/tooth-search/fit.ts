import { abs, gcd, sign, toNumber, type Rational } from '../rational';
import type { Train } from '../train';
import { errorOf } from './best';
import { choicesOf, soundCounts } from './fit-blocks';
import { centreConditions, meetsConditions, setConditions } from './fit-conditions';
import { exchangeCounts, tryAllCounts } from './fit-tries';
import type { CountSpan } from './planetary';
import { ratioFunction } from './ratio-function';
import type { Coprime } from './stage-fractions';
import { UNWATCHED, type SearchWatch } from './watch';
import { modelOf } from '../model';
import { itemAt, lookUp } from '../required';

/** Counts of a train that may change, and the ratios that its positions are to have. */
export interface FitQuestion {
  readonly train: Train;
  /** By gear. */
  readonly free: ReadonlyMap<string, CountSpan>;
  /** By position: the ratio, and how much a deviation from it counts. */
  readonly targets: ReadonlyMap<string, FitTarget>;
  readonly coprime: Coprime;
  /** Pairs between the same two shafts go on agreeing about their distance. */
  readonly holdCentres?: boolean | undefined;
  readonly limit: number;
  /** Choices up to which all are tried, and that are tried by exchange beyond. */
  readonly tries?: number;
}

export interface FitTarget {
  readonly ratio: Rational;
  readonly weight: number;
  /** The sign of the ratio counts: without it, only its size. */
  readonly signed?: boolean;
}

export interface Fit {
  /** Counts of the free gears. */
  readonly teeth: ReadonlyMap<string, number>;
  /** Exact ratios of the wanted positions. */
  readonly ratios: ReadonlyMap<string, Rational>;
  /** |ratio/target − 1| of each, not weighted. */
  readonly errors: ReadonlyMap<string, number>;
  /** Largest weight · |ratio/target − 1|. */
  readonly worst: number;
}

export interface FitAnswer {
  readonly results: readonly Fit[];
  /** Every choice of counts was tried. */
  readonly proven: boolean;
  /** The time that was allowed ended it. */
  readonly cut: boolean;
  readonly examined: number;
  /** How much of the search is behind, from 0 to 1. */
  readonly part: number;
}

/** Choices up to which all are tried; by exchange so many are, first, or instead. */
const [MOST_ALL, MOST_EXCHANGED, FIRST_EXCHANGED] = [1_000_000, 400_000, 5_000];

/** The clock is looked at once a batch. */
const BATCH = 64;

interface Candidate {
  readonly counts: readonly number[];
  readonly worst: number;
}

/**
 * The counts that bring the positions nearest to the wanted ratios: the smallest worst deviation first, then the fewest
 * teeth. What planets mesh with stays on one axis, and planets that stand evenly spaced go on so. All choices where
 * there are few enough; otherwise counts are exchanged, one or two sets or gears at a time, from many starts, and the
 * answer is the best found.
 * @throws RangeError where a wanted position does not drive.
 */
export function searchFit(
  question: FitQuestion,
  tell: (so: FitAnswer) => void = () => undefined,
  watch: SearchWatch = UNWATCHED,
): FitAnswer {
  const { train, limit } = question;
  const judge = judgeOf(question);
  const places = new Map(train.gears.map(({ id }, i) => [id, i]));
  const spans = new Map([...question.free].map(([id, span]) => [lookUp(places, id), span]));
  const start = train.gears.map(({ teeth }) => teeth);
  const conditions = [...setConditions(train), ...(question.holdCentres ? centreConditions(train) : [])];
  const { blocks, follows, left } = choicesOf(spans, conditions, start);
  const free = new Set(spans.keys());
  // Of every free gear, also where the counts are the present ones.
  const limits = [...spans];
  const allowed = (counts: readonly number[]) =>
    limits.every(([gear, span]) => isWithin(itemAt(counts, gear), span)) &&
    meetsConditions(left, counts) &&
    (question.coprime !== 'required' || coprimeMeshes(train, counts, free));
  const size = blocks.reduce((product, { options }) => product * options.length, 1);
  const exhaustive = size <= (question.tries ?? MOST_ALL);
  const most = exhaustive ? size : (question.tries ?? MOST_EXCHANGED);
  const best = new Map<string, Candidate>();
  let examined = 0;
  let cut = Infinity;
  const answer = () => keepBest(best, limit).flatMap(({ counts }) => verified(question, counts) ?? []);
  const attempt = (counts: number[]): number => {
    for (const { gear, from } of follows) counts[gear] = from(counts);
    if (!allowed(counts)) return NaN;
    examined++;
    if (examined % BATCH === 0 && watch.due())
      tell({ results: answer(), proven: false, cut: false, examined, part: Math.min(1, examined / most) });
    const worst = judge(counts);
    if (Number.isNaN(worst) || worst > cut) return worst;
    best.set(counts.join(), { counts: [...counts], worst });
    // What is as good as the last that is kept may still have fewer teeth.
    if (best.size > 4 * limit + 64) cut = itemAt(keepBest(best, limit), -1).worst + 1e-12;
    return worst;
  };
  const inTime = () => !watch.over();
  // Good answers come early by exchange, also where everything is tried afterwards.
  const first = exhaustive ? Math.min(FIRST_EXCHANGED, size / 4) : most;
  if (size > 0)
    exchangeCounts(blocks, soundCounts(blocks, conditions, start), attempt, () => examined < first && inTime());
  if (!exhaustive) return { results: answer(), proven: false, cut: watch.over(), examined, part: 1 };
  examined = 0;
  const proven = tryAllCounts(blocks, start, attempt, inTime);
  return { results: answer(), proven, cut: !proven, examined, part: 1 };
}

const isWithin = (count: number, [least, most]: CountSpan): boolean =>
  Number.isInteger(count) && count >= least && count <= most;

/** How far counts leave the positions from what is wanted, in floating point. */
function judgeOf({ train, targets }: FitQuestion): (counts: readonly number[]) => number {
  const { solvedIn } = modelOf(train);
  const wanted = [...targets].map(([id, { ratio, weight, signed = false }]) => {
    const solved = solvedIn(id);
    if (solved.status !== 'drive')
      throw new RangeError(`Position "${id}" does not drive, so it has no ratio to be fitted.`);
    const of = ratioFunction(solved);
    const target = signed ? toNumber(ratio) : Math.abs(toNumber(ratio));
    return { of: signed ? of : (counts: readonly number[]) => Math.abs(of(counts)), target, weight };
  });
  return (counts) => {
    let worst = 0;
    for (const { of, target, weight } of wanted) {
      const times = of(counts) / target;
      // Where the way was asked for, what turns the other way is no answer.
      if (times < 0) return NaN;
      const off = weight * Math.abs(times - 1);
      if (!(off <= worst)) worst = off;
    }
    return worst;
  };
}

/** Have both gears of every mesh that may change no factor in common? */
const coprimeMeshes = ({ meshes, gears }: Train, counts: readonly number[], free: ReadonlySet<number>): boolean => {
  const at = new Map(gears.map(({ id }, i) => [id, i]));
  return meshes.every(({ gears: [a, b] }) => {
    const [i, j] = [lookUp(at, a), lookUp(at, b)];
    return (!free.has(i) && !free.has(j)) || gcd(itemAt(counts, i), itemAt(counts, j)) === 1;
  });
};

function keepBest(best: Map<string, Candidate>, limit: number): readonly Candidate[] {
  const teeth = ({ counts }: Candidate) => counts.reduce((sum, count) => sum + count, 0);
  const sorted = [...best.entries()].sort(([, a], [, b]) =>
    Math.abs(a.worst - b.worst) > 1e-12 ? a.worst - b.worst : teeth(a) - teeth(b),
  );
  for (const [key] of sorted.slice(limit)) best.delete(key);
  return sorted.slice(0, limit).map(([, candidate]) => candidate);
}

/**
 * Counts solved exactly; null where the train with them does not drive after all, because a one-way clutch would do
 * something else.
 */
function verified({ train, free, targets }: FitQuestion, counts: readonly number[]): Fit | null {
  const changed = { ...train, gears: train.gears.map((gear, i) => ({ ...gear, teeth: itemAt(counts, i) })) };
  const { solvedIn } = modelOf(changed);
  const ratios = new Map<string, Rational>();
  const errors = new Map<string, number>();
  let worst = 0;
  for (const [id, { ratio: target, weight, signed }] of targets) {
    const { ratio } = solvedIn(id);
    if (!ratio || (signed && sign(ratio) !== sign(target))) return null;
    ratios.set(id, ratio);
    const error = errorOf(abs(ratio), abs(target));
    errors.set(id, error);
    worst = Math.max(worst, weight * error);
  }
  const teeth = new Map(
    [...free.keys()].map((id) => [
      id,
      itemAt(
        counts,
        train.gears.findIndex((gear) => gear.id === id),
      ),
    ]),
  );
  return { teeth, ratios, errors, worst };
}
