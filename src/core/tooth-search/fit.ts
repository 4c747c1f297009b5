import { networkOf, openTrain } from '../kinematics';
import { abs, gcd, toNumber, type Rational } from '../rational';
import { solveEngaged } from '../solve';
import type { Train } from '../train';
import { errorOf } from './best';
import { following, meets, setConditions } from './fit-conditions';
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
  readonly limit: number;
  /** Choices that are tried at the most. */
  readonly tries?: number;
}

export interface Fit {
  /** Counts of the free gears. */
  readonly teeth: ReadonlyMap<string, number>;
  /** Exact ratios of the wanted positions. */
  readonly ratios: ReadonlyMap<string, Rational>;
  /** Largest weight · |ratio/target − 1|. */
  readonly worst: number;
}

export interface FitAnswer {
  readonly results: readonly Fit[];
  /** Every choice of counts was tried. */
  readonly proven: boolean;
  readonly examined: number;
}

/** Choices that are all tried; beyond that as many are tried by exchange. Some twenty seconds of one core with eight positions. */
const MOST_TRIED = 400_000;

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
export function searchFit(question: FitQuestion): FitAnswer {
  const { train, limit, tries = MOST_TRIED } = question;
  const judge = judgeOf(question);
  const places = new Map(train.gears.map(({ id }, i) => [id, i]));
  const spans = new Map([...question.free].map(([id, span]) => [places.get(id)!, span]));
  const conditions = setConditions(train);
  const follows = following(conditions, new Set(spans.keys()));
  const own = [...spans.keys()].filter((gear) => !follows.some((one) => one.gear === gear));
  const start = train.gears.map(({ teeth }) => teeth);
  const allowed = (counts: readonly number[]) =>
    [...spans].every(
      ([gear, [least, most]]) => counts[gear]! >= least && counts[gear]! <= most && Number.isInteger(counts[gear]!),
    ) &&
    meets(conditions, counts) &&
    (question.coprime === 'any' || coprimeMeshes(train, counts, new Set(spans.keys())));
  const best = new Map<string, Candidate>();
  let examined = 0;
  /** Tries the counts with what follows from them. @returns how good they are; NaN where they are not allowed. */
  const attempt = (counts: number[]): number => {
    for (const { gear, from } of follows) counts[gear] = from(counts);
    if (!allowed(counts)) return NaN;
    examined++;
    const worst = judge(counts);
    if (Number.isNaN(worst)) return NaN;
    best.set(counts.join(), { counts: [...counts], worst });
    if (best.size > 4 * limit + 64) keepBest(best, limit);
    return worst;
  };
  const size = own.reduce((product, gear) => product * (spans.get(gear)![1] - spans.get(gear)![0] + 1), 1);
  const proven = size <= tries;
  if (proven) tryAll(own, spans, [...start], attempt);
  else exchange(own, spans, start, attempt, () => examined < tries);
  return { results: keepBest(best, limit).flatMap(({ counts }) => verified(question, counts) ?? []), proven, examined };
}

function tryAll(
  own: readonly number[],
  spans: ReadonlyMap<number, Span>,
  counts: number[],
  attempt: (counts: number[]) => number,
): void {
  const go = (k: number): void => {
    const gear = own[k];
    if (gear === undefined) return void attempt(counts);
    const [least, most] = spans.get(gear)!;
    for (let teeth = least; teeth <= most; teeth++) {
      counts[gear] = teeth;
      go(k + 1);
    }
  };
  go(0);
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
  let worst = 0;
  for (const [id, { ratio: target, weight }] of targets) {
    const { ratio } = solveEngaged(open, train.positions.find((position) => position.id === id)!.engaged);
    if (!ratio) return null;
    ratios.set(id, ratio);
    worst = Math.max(worst, weight * errorOf(abs(ratio), abs(target)));
  }
  const teeth = new Map([...free.keys()].map((id) => [id, counts[train.gears.findIndex((gear) => gear.id === id)]!]));
  return { teeth, ratios, worst };
}
