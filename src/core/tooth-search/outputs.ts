import { compare, div, mul, ONE, type Rational } from '../rational';
import { errorOf, ratioError } from './best';
import { searchManyStages } from './many-stages';
import type { Coprime, Chain } from './stage-fractions';
import type { Turning } from './turning';
import { UNWATCHED, type SearchWatch } from './watch';
import { whyOutOfReach } from './why-none';
import { itemAt } from '../required';

/** Several outputs that one chain is tapped for. */
export interface OutputsQuestion {
  readonly outputs: readonly WantedOutput[];
  /** Stages between one tap and the next, least and most. */
  readonly stages: readonly [least: number, most: number];
  /** Stages from the input to the first tap, where they are not as many. */
  readonly first?: readonly [least: number, most: number] | undefined;
  /** All outputs on one axis, like the hands of a dial: each chain between two taps comes back to it. */
  readonly coaxial?: boolean | undefined;
  readonly wheels: readonly number[];
  readonly coprime: Coprime;
  readonly limit: number;
}

export interface WantedOutput {
  readonly name: string;
  /** Input speed over this output's speed, above 0. */
  readonly target: Rational;
  /** Which way it turns, seen against the input. */
  readonly turning?: Turning | undefined;
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
  /** Why nothing, or nothing near, was found; null where something was, or where it was cut short. */
  readonly why: string | null;
}

/**
 * Chains so far that are gone on from at each tap, by the number of stages to the next one: an earlier tap a little off
 * may let a later one come nearer. As many as some seconds allow.
 */
const KEPT: readonly number[] = [0, 60, 40, 8, 2, 1];

/**
 * The outputs in the order of their slowness, each tapped where the one before it ended. The pairs to the next tap are
 * looked for with what is left of its target by the exact ratio so far, so that every error is judged from the input.
 * Every tap's search covers its space; only the best chains so far are gone on from. So the best is proven where every
 * chain to every tap was gone on from, and where it meets every target exactly.
 */
export function searchOutputs(
  question: OutputsQuestion,
  tell: (so: OutputsAnswer) => void = () => undefined,
  watch: SearchWatch = UNWATCHED,
): OutputsAnswer {
  const { outputs, limit } = question;
  const inOrder = [...outputs].sort((a, b) => compare(a.target, b.target));
  let kept: readonly (readonly Tap[])[] = [[]];
  let [examined, complete, cut] = [0, true, false];
  let why: string | null = null;
  for (const [i, output] of inOrder.entries()) {
    const last = i === inOrder.length - 1;
    why ??= whyNot(output, itemAt(kept, 0), question);
    const most = last ? limit : itemAt(KEPT, question.stages[1]);
    const next: (readonly Tap[])[] = [];
    for (const [j, taps] of kept.entries()) {
      const told = (part: number) => (i + (j + part) / kept.length) / inOrder.length;
      const soFar = (part: number) => ({ proven: false, cut, examined, part: told(part), why: null });
      const answer = tapsAfter(taps, output, most, question, (part) => tell({ results: [], ...soFar(part) }), watch);
      examined += answer.examined;
      // A list that is full may leave chains out; after the last tap they are no better than those that it has.
      complete &&= answer.proven && (last || answer.taps.length < most);
      cut ||= answer.cut;
      next.push(...answer.taps.map((tap) => [...taps, tap]));
      tell({ results: last ? sorted(next).slice(0, limit).map(dialsOf) : [], ...soFar(1) });
      if (watch.over()) {
        cut ||= !last || j + 1 < kept.length;
        break;
      }
    }
    if (cut && !last) return { results: [], proven: false, cut, examined, part: 1, why: null };
    if (next.length === 0) return { results: [], proven: complete, cut, examined, part: 1, why: why ?? NO_CHAIN };
    complete &&= last || next.length <= most;
    kept = sorted(next).slice(0, most);
  }
  const results = kept.map(dialsOf);
  return { results, proven: !cut && (complete || results[0]?.total === 0), cut, examined, part: 1, why };
}

/** The chains from the tap before to the next output, the best first. */
function tapsAfter(
  taps: readonly Tap[],
  { name, target, turning }: WantedOutput,
  limit: number,
  question: OutputsQuestion,
  tell: (part: number) => void,
  watch: SearchWatch,
) {
  const before = taps.at(-1)?.ratio ?? ONE;
  const stages = stagesAfter(taps, turning, question);
  if (stages.length === 0) return { taps: [], proven: true, cut: false, examined: 0 };
  const { wheels, coprime } = question;
  const equalCentres = question.coaxial === true && taps.length > 0;
  const asked = { wheels, coprime, equalCentres, same: false, maxError: null, target: div(target, before), limit };
  const { results, proven, cut, examined } = searchManyStages(stages, asked, ({ part }) => tell(part), watch);
  const found = results.map(({ made, ratio }): Tap => {
    const whole = mul(before, ratio);
    return { name, chain: made, ratio: whole, target, error: errorOf(whole, target) };
  });
  return { taps: found, proven, cut, examined };
}

/**
 * Numbers of stages to the next tap that turn it the wanted way, each external pair the other way than the one before;
 * on one axis with the tap before it only an even number comes back.
 */
function stagesAfter(taps: readonly Tap[], turning: Turning = 'any', question: OutputsQuestion): readonly number[] {
  const [least, most] = taps.length === 0 ? (question.first ?? question.stages) : question.stages;
  const before = taps.reduce((sum, { chain }) => sum + chain.length, 0);
  return Array.from({ length: most - least + 1 }, (_, i) => least + i).filter(
    (count) =>
      (turning === 'any' || ((before + count) % 2 === 0) === (turning === 'same')) &&
      (question.coaxial !== true || taps.length === 0 || count % 2 === 0),
  );
}

/** Why no chain gets near an output: no number of stages would do, or what the wheels reach; null where some may. */
function whyNot(output: WantedOutput, taps: readonly Tap[], question: OutputsQuestion): string | null {
  const before = taps.at(-1);
  const from = before ? `from “${before.name}”` : 'from the input';
  const stages = stagesAfter(taps, output.turning, question);
  if (stages.length === 0) {
    const wanted = [
      ...(question.coaxial && before ? ['comes back to the same axis'] : []),
      ...(output.turning === 'same' ? ['turns it the same way as the input'] : []),
      ...(output.turning === 'opposite' ? ['turns it against the input'] : []),
    ];
    return (
      `No number of stages ${from} to “${output.name}” ${wanted.join(' and ')}: ` +
      'allow another number of stages, even and odd.'
    );
  }
  const target = div(output.target, before?.ratio ?? ONE);
  const beyond = whyOutOfReach(stages, { ...question, target, equalCentres: false, same: false, maxError: null });
  return beyond === null ? null : `“${output.name}” cannot be reached ${from}. ${beyond}`;
}

const NO_CHAIN = 'No chain reaches every output with these wheels: allow more stages, or other wheels.';

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
