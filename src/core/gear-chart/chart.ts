import { compare, div, equals, isZero, sign, toNumber, type Rational, entryAt } from '../rational';
import { type Solved } from '../solve';
import type { Train } from '../train';
import { duplicatePositions, nearDuplicates, type NearDuplicate } from './duplicates';
import { modelOf } from '../model';
import { lookUp } from '../required';

/** One row of a shift chart. */
export interface ChartRow {
  readonly id: string;
  readonly name: string;
  readonly engaged: readonly string[];
  /** False for a variant that is no rung of the ladder: no step leads from it or to it. */
  readonly onLadder: boolean;
  readonly solved: Solved;
  /** Its ratio over that of the next forward row, in/out; null where it or every later row drives no way forward. */
  readonly step: Rational | null;
}

/** What the forward rows come to together. */
export interface Forward {
  readonly count: number;
  /** Different ratios among them. */
  readonly distinct: number;
  /** The largest ratio over the smallest; null without any. */
  readonly spread: Rational | null;
  /** The step that would lead through as many ratios evenly: spread^(1/(n−1)); null with fewer than two. */
  readonly idealStep: number | null;
}

export interface Chart {
  readonly rows: readonly ChartRow[];
  readonly forward: Forward;
  /** Rows that do one job: groups of equal exact ratio. */
  readonly duplicates: readonly (readonly string[])[];
  /** Rows that do nearly one job. */
  readonly near: readonly NearDuplicate[];
}

/**
 * The shift chart of a train: its positions in their order, the steps between them, and what they come to; made once
 * for a document.
 */
export const chartOf = (train: Train, { losses = false } = {}): Chart =>
  modelOf(train).derive(losses ? lossyChart : idealChart);

const idealChart = (train: Train): Chart => makeChart(train, false);
const lossyChart = (train: Train): Chart => makeChart(train, true);

function makeChart(train: Train, losses: boolean): Chart {
  const solved = modelOf(train).positions({ losses });
  const rows = train.positions.map(({ id, name, engaged, ladder }) => ({
    id,
    name,
    engaged,
    onLadder: ladder !== false,
    solved: lookUp(solved, id),
  }));
  const forward = rows.map(rungOf);
  const nextForward = (at: number) => forward.slice(at + 1).find((ratio) => ratio !== null) ?? null;
  return {
    rows: rows.map((row, i) => {
      const [ratio, next] = [forward[i] ?? null, nextForward(i)];
      return { ...row, step: ratio && next ? div(ratio, next) : null };
    }),
    forward: together(forward.filter((ratio) => ratio !== null)),
    duplicates: duplicatePositions(solved),
    near: nearDuplicates(solved),
  };
}

/** Does a position of this ratio drive forward? */
export const isForward = (ratio: Rational | null): ratio is Rational => ratio !== null && sign(ratio) > 0;

/** The ratio of a row that is a rung of the ladder: it drives forward, and is not left out. Null of any other. */
export const rungOf = ({ onLadder, solved: { ratio } }: Pick<ChartRow, 'onLadder' | 'solved'>): Rational | null =>
  onLadder && isForward(ratio) ? ratio : null;

function together(ratios: readonly Rational[]): Forward {
  const sorted = [...ratios].sort(compare);
  const distinct = sorted.filter((ratio, i) => i === 0 || !equals(ratio, entryAt(sorted, i - 1))).length;
  const [least, most] = [sorted[0], sorted.at(-1)];
  const spread = least && most && !isZero(least) ? div(most, least) : null;
  return {
    count: ratios.length,
    distinct,
    spread,
    idealStep: spread && distinct > 1 ? toNumber(spread) ** (1 / (distinct - 1)) : null,
  };
}
