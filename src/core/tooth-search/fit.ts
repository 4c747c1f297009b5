import { networkOf, openTrain } from '../kinematics';
import { abs, gcd, toNumber, type Rational } from '../rational';
import { solveEngaged } from '../solve';
import type { Train } from '../train';
import { errorOf } from './best';
import { centreConditions, following, meets, setConditions } from './fit-conditions';
import type { Span } from './planetary';
import { ratioFunction } from './ratio-function';
import type { Coprime } from './stage-fractions';

/** Counts of a train that may change, and the ratios that its positions are to have. */
export interface FitQuestion {
  readonly train: Train;
  /** By gear. */
  readonly free: ReadonlyMap<string, Span>;
  /** By position: the size of the ratio, and how much a deviation from it counts. */
  readonly targets: ReadonlyMap<string, { readonly ratio: Rational; readonly weight: number }>;
  readonly coprime: Coprime;
  /** Pairs between the same two shafts go on agreeing about their distance. */
  readonly holdCentres?: boolean | undefined;
  readonly limit: number;
  /** Choices up to which all are tried, and that are tried by exchange beyond. */
  readonly tries?: number;
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
  readonly examined: number;
  /** How much of the search is behind, from 0 to 1. */
  readonly part: number;
}

/** Choices up to which all are tried; by exchange so many are, first, or instead. */
const [MOST_ALL, MOST_EXCHANGED, FIRST_EXCHANGED] = [10_000_000, 400_000, 5_000];

/** After so long a search ends with the best found. */
const BUDGET_MS = 30_000;

/** What is found so far is told first after, and then every, so many milliseconds; the clock is looked at once a batch. */
const [FIRST_MS, EVERY_MS, BATCH] = [150, 500, 64];

interface Candidate {
  readonly counts: readonly number[];
  readonly worst: number;
}

/**
 * The counts that bring the positions nearest to the wanted ratios: the smallest worst deviation first, then the fewest teeth. What holds of the sets goes on
 * holding: sun and ring on one axis, planets evenly spaced. All choices where there are few enough; otherwise counts are exchanged by one to three teeth, one or two at a
 * time, from many starts, and the answer is the best found.
 * @throws RangeError where a wanted position does not drive.
 */
export function searchFit(question: FitQuestion, tell: (so: FitAnswer) => void = () => undefined): FitAnswer {
  const { train, limit } = question;
  const judge = judgeOf(question);
  const places = new Map(train.gears.map(({ id }, i) => [id, i]));
  const spans = new Map([...question.free].map(([id, span]) => [places.get(id)!, span]));
  const conditions = [...setConditions(train), ...(question.holdCentres ? centreConditions(train) : [])];
  const follows = following(conditions, new Set(spans.keys()));
  const own = [...spans.keys()].filter((gear) => !follows.some((one) => one.gear === gear));
  const start = train.gears.map(({ teeth }) => teeth);
  const allowed = (counts: readonly number[]) =>
    [...spans].every(
      ([gear, [least, most]]) => counts[gear]! >= least && counts[gear]! <= most && Number.isInteger(counts[gear]!),
    ) &&
    meets(conditions, counts) &&
    (question.coprime !== 'required' || coprimeMeshes(train, counts, new Set(spans.keys())));
  const best = new Map<string, Candidate>();
  let examined = 0;
  let cut = Infinity;
  const end = performance.now() + BUDGET_MS;
  let next = performance.now() + FIRST_MS;
  const answer = () => keepBest(best, limit).flatMap(({ counts }) => verified(question, counts) ?? []);
  const size = own.reduce((product, gear) => product * (spans.get(gear)![1] - spans.get(gear)![0] + 1), 1);
  const exhaustive = size <= (question.tries ?? MOST_ALL);
  const most = exhaustive ? size : (question.tries ?? MOST_EXCHANGED);
  /** Tries the counts with what follows from them. @returns how good they are; NaN where they are not allowed. */
  const attempt = (counts: number[]): number => {
    for (const { gear, from } of follows) counts[gear] = from(counts);
    if (!allowed(counts)) return NaN;
    examined++;
    if (examined % BATCH === 0 && performance.now() > next) {
      tell({ results: answer(), proven: false, examined, part: Math.min(1, examined / most) });
      next = performance.now() + EVERY_MS;
    }
    const worst = judge(counts);
    if (Number.isNaN(worst) || worst > cut) return worst;
    best.set(counts.join(), { counts: [...counts], worst });
    // What is as good as the last that is kept may still have fewer teeth.
    if (best.size > 4 * limit + 64) cut = keepBest(best, limit).at(-1)!.worst + 1e-12;
    return worst;
  };
  const inTime = () => performance.now() < end;
  // Good answers come early by exchange, also where everything is tried afterwards.
  const first = exhaustive ? Math.min(FIRST_EXCHANGED, size / 4) : most;
  exchange(own, spans, start, attempt, () => examined < first && inTime());
  if (!exhaustive) return { results: answer(), proven: false, examined, part: 1 };
  examined = 0;
  const proven = tryAll(own, spans, [...start], attempt, inTime);
  return { results: answer(), proven, examined, part: 1 };
}

/** @returns false where it was stopped before the last choice. */
function tryAll(
  own: readonly number[],
  spans: ReadonlyMap<number, Span>,
  counts: number[],
  attempt: (counts: number[]) => number,
  goOn: () => boolean,
): boolean {
  let asked = 0;
  const go = (k: number): boolean => {
    const gear = own[k];
    if (gear === undefined) {
      attempt(counts);
      return ++asked % BATCH !== 0 || goOn();
    }
    const [least, most] = spans.get(gear)!;
    for (let teeth = least; teeth <= most; teeth++) {
      counts[gear] = teeth;
      if (!go(k + 1)) return false;
    }
    return true;
  };
  return go(0);
}

const STEPS = [-3, -2, -1, 1, 2, 3];

/** Goes downhill from the present counts, then from counts drawn at random (always the same ones), until no more may be tried. */
function exchange(
  own: readonly number[],
  spans: ReadonlyMap<number, Span>,
  start: readonly number[],
  attempt: (counts: number[]) => number,
  goOn: () => boolean,
): void {
  const random = drawn(1);
  let idle = 0;
  for (let counts = [...start]; goOn() && idle < 2000; counts = scattered(counts)) {
    let value = attempt([...counts]);
    idle = Number.isNaN(value) ? idle + 1 : 0;
    for (let better = !Number.isNaN(value); better && goOn();) {
      better = false;
      for (const next of neighbours(counts)) {
        const found = attempt(next);
        if (!(found < value)) continue;
        [counts, value, better] = [next, found, true];
        break;
      }
    }
  }

  function scattered(counts: readonly number[]): number[] {
    const next = [...counts];
    for (const gear of own) {
      const [least, most] = spans.get(gear)!;
      next[gear] = least + Math.floor(random() * (most - least + 1));
    }
    return next;
  }

  function* neighbours(counts: readonly number[]): Generator<number[]> {
    for (const gear of own) for (const step of STEPS) yield moved(counts, [[gear, step]]);
    for (const [i, a] of own.entries())
      for (const b of own.slice(i + 1))
        for (const x of STEPS) for (const y of STEPS) yield moved(counts, [[a, x], [b, y]]); // prettier-ignore
  }
}

function moved(counts: readonly number[], steps: readonly (readonly [number, number])[]): number[] {
  const next = [...counts];
  for (const [gear, step] of steps) next[gear]! += step;
  return next;
}

/** A row of numbers from 0 to 1 that is the same every time (Park and Miller). */
function drawn(seed: number): () => number {
  let at = seed;
  return () => (at = (at * 48_271) % 2_147_483_647) / 2_147_483_647;
}

/** How far counts leave the positions from what is wanted, in floating point. */
function judgeOf({ train, targets }: FitQuestion): (counts: readonly number[]) => number {
  const open = openTrain(networkOf(train));
  const wanted = [...targets].map(([id, { ratio, weight }]) => {
    const solved = solveEngaged(open, train.positions.find((position) => position.id === id)!.engaged);
    if (solved.status !== 'drive')
      throw new RangeError(`Position "${id}" does not drive, so it has no ratio to be fitted.`);
    return { of: ratioFunction(solved), target: Math.abs(toNumber(ratio)), weight };
  });
  return (counts) => {
    let worst = 0;
    for (const { of, target, weight } of wanted) {
      const off = weight * Math.abs(of(counts) / target - 1);
      if (!(off <= worst)) worst = off;
    }
    return worst;
  };
}

/** Have both gears of every mesh that may change no factor in common? */
const coprimeMeshes = ({ meshes, gears }: Train, counts: readonly number[], free: ReadonlySet<number>): boolean => {
  const at = new Map(gears.map(({ id }, i) => [id, i]));
  return meshes.every(({ gears: [a, b] }) => {
    const [i, j] = [at.get(a)!, at.get(b)!];
    return (!free.has(i) && !free.has(j)) || gcd(counts[i]!, counts[j]!) === 1;
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

/** Counts solved exactly; null where the train with them does not drive after all, because a one-way clutch would do something else. */
function verified({ train, free, targets }: FitQuestion, counts: readonly number[]): Fit | null {
  const changed = { ...train, gears: train.gears.map((gear, i) => ({ ...gear, teeth: counts[i]! })) };
  const open = openTrain(networkOf(changed));
  const ratios = new Map<string, Rational>();
  const errors = new Map<string, number>();
  let worst = 0;
  for (const [id, { ratio: target, weight }] of targets) {
    const { ratio } = solveEngaged(open, train.positions.find((position) => position.id === id)!.engaged);
    if (!ratio) return null;
    ratios.set(id, ratio);
    const error = errorOf(abs(ratio), abs(target));
    errors.set(id, error);
    worst = Math.max(worst, weight * error);
  }
  const teeth = new Map([...free.keys()].map((id) => [id, counts[train.gears.findIndex((gear) => gear.id === id)]!]));
  return { teeth, ratios, errors, worst };
}
