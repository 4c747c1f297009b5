import { compare, div, mul, ONE, type Rational } from '../rational';
import { errorOf, ratioError } from './best';
import { searchManyStages } from './many-stages';
import type { Coprime, Chain } from './stage-fractions';
import { UNWATCHED, type SearchWatch } from './watch';
import { itemAt } from '../required';

/** Several outputs that one chain is tapped for. */
export interface OutputsQuestion {
  readonly outputs: readonly WantedOutput[];
  /** Stages between one tap and the next, least and most. */
  readonly stages: readonly [least: number, most: number];
  readonly wheels: readonly number[];
  readonly coprime: Coprime;
  readonly limit: number;
}

export interface WantedOutput {
  readonly name: string;
  /** Input speed over this output's speed, above 0. */
  readonly target: Rational;
}

/** One output: the pairs since the tap before, and its ratio from the input. */
export interface Tap {
  readonly name: string;
  readonly chain: Chain;
  readonly ratio: Rational;
  readonly target: Rational;
  /** |ratio/target − 1|, from the input. */
  readonly error: number;
}

export interface Dials {
  /** In the order in which the chain meets them. */
  readonly taps: readonly Tap[];
  readonly worst: number;
  /** Sum of the taps' errors. */
  readonly total: number;
}

export interface OutputsAnswer {
  readonly results: readonly Dials[];
  readonly proven: boolean;
  /** The time that was allowed ended it. */
  readonly cut: boolean;
  readonly examined: number;
  readonly part: number;
}

/**
 * Chains so far that are gone on from at each tap, by the number of stages between taps: an earlier tap a little off
 * may let a later one come nearer. As many as some seconds allow.
 */
const KEPT: readonly number[] = [0, 60, 40, 8, 2, 1];

/**
 * The outputs in the order of their slowness, each tapped where the one before it ended. The pairs to the next tap are
 * looked for with what is left of its target by the exact ratio so far, so that every error is judged from the input.
 * Every tap's search covers its space; as only the best chains so far are gone on from, the whole is the best found,
 * unless there is one output.
 */
export function searchOutputs(
  question: OutputsQuestion,
  tell: (so: OutputsAnswer) => void = () => undefined,
  watch: SearchWatch = UNWATCHED,
): OutputsAnswer {
  const { outputs, stages, wheels, coprime, limit } = question;
  const inOrder = [...outputs].sort((a, b) => compare(a.target, b.target));
  const counts = Array.from({ length: stages[1] - stages[0] + 1 }, (_, i) => stages[0] + i);
  const most = itemAt(KEPT, stages[1]);
  const conditions = { wheels, coprime, equalCentres: false, same: false, maxError: null };
  let kept: readonly (readonly Tap[])[] = [[]];
  let [examined, proven, cut] = [0, inOrder.length === 1, false];
  for (const [i, { name, target }] of inOrder.entries()) {
    const last = i === inOrder.length - 1;
    const next: (readonly Tap[])[] = [];
    for (const [j, taps] of kept.entries()) {
      const before = taps.at(-1)?.ratio ?? ONE;
      const answer = searchManyStages(
        counts,
        {
          ...conditions,
          target: div(target, before),
          limit: last ? limit : most,
        },
        undefined,
        watch,
      );
      examined += answer.examined;
      proven &&= answer.proven;
      cut ||= answer.cut;
      for (const { made, ratio } of answer.results) {
        const whole = mul(before, ratio);
        next.push([...taps, { name, chain: made, ratio: whole, target, error: errorOf(whole, target) }]);
      }
      const part = (i + (j + 1) / kept.length) / inOrder.length;
      tell({ results: last ? sorted(next).slice(0, limit).map(dialsOf) : [], proven: false, cut, examined, part });
      if (watch.over()) {
        cut ||= !last || j + 1 < kept.length;
        break;
      }
    }
    if (cut && !last) return { results: [], proven: false, cut, examined, part: 1 };
    kept = sorted(next).slice(0, last ? limit : most);
  }
  return { results: kept.map(dialsOf), proven: proven && !cut, cut, examined, part: 1 };
}

const dialsOf = (taps: readonly Tap[]): Dials => ({ taps, worst: worstOf(taps), total: totalOf(taps) });
const worstOf = (taps: readonly Tap[]): number => Math.max(...taps.map(({ error }) => error));
const totalOf = (taps: readonly Tap[]): number => taps.reduce((sum, { error }) => sum + error, 0);
const teethOf = (taps: readonly Tap[]): number =>
  taps.flatMap(({ chain }) => chain).reduce((sum, [a, b]) => sum + a + b, 0);

/** Smallest worst error first, then the smallest total, then fewer teeth; exactly where one output decides. */
const sorted = (all: readonly (readonly Tap[])[]): (readonly Tap[])[] =>
  [...all].sort(
    (a, b) =>
      worstOf(a) - worstOf(b) ||
      totalOf(a) - totalOf(b) ||
      compare(
        ratioError(itemAt(a, -1).ratio, itemAt(a, -1).target),
        ratioError(itemAt(b, -1).ratio, itemAt(b, -1).target),
      ) ||
      teethOf(a) - teethOf(b),
  );
