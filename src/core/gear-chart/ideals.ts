import { compare, equals, toNumber, entryAt } from '../rational';
import { rungOf, type Chart } from './chart';
import { itemAt } from '../required';

/**
 * What the steps of a chart would be, for its spread S and n different forward ratios. Two schools:
 * - even: every step alike, S^(1/(n−1)), so that the input speed drops in the same proportion at each shift
 * - progressive: each step smaller than the last by one factor f, so that the drop shrinks as speed rises: with the
 *   mean step
 *   m = S^(1/(n−1)) the steps are m f^((n−2)/2), m f^((n−2)/2 − 1), …, and their product is S again
 */
export type StepSchool = 'even' | 'progressive';

export interface IdealSteps {
  readonly school: StepSchool;
  /** Each step over the next; 1 when even. */
  readonly factor: number;
  /**
   * The ideal step from each row to the next forward one, by the row's id; none where the two are not neighbours in
   * size.
   */
  readonly steps: ReadonlyMap<string, number>;
}

/**
 * The ideal steps between the rows of a chart.
 * @param factor of the progressive school; left out, the one that fits the chart's own steps best.
 */
export function idealSteps(chart: Chart, school: StepSchool, factor?: number): IdealSteps {
  const { idealStep } = chart.forward;
  const f = school === 'even' ? 1 : (factor ?? fittedFactor(chart));
  const steps = new Map<string, number>();
  if (idealStep === null) return { school, factor: f, steps };
  const ratios = forwardRatios(chart);
  for (const { row, next, rank } of rankedSteps(chart, ratios))
    if (next === rank + 1) steps.set(row, idealStep * f ** ((ratios.length - 2) / 2 - rank));
  return { school, factor: f, steps };
}

/**
 * The factor by which the chart's own steps shrink from one to the next: the slope of the straight line through
 * ln(step) that leaves the least squares. 1 where there are fewer than two steps, or where they grow.
 */
export function fittedFactor(chart: Chart): number {
  const ratios = forwardRatios(chart).map(toNumber);
  const steps = ratios.slice(1).map((ratio, i) => Math.log(itemAt(ratios, i) / ratio));
  if (steps.length < 2) return 1;
  const middle = (steps.length - 1) / 2;
  const slope =
    steps.reduce((total, step, i) => total + (i - middle) * step, 0) /
    steps.reduce((total, _, i) => total + (i - middle) ** 2, 0);
  return Math.max(1, Math.exp(-slope));
}

/** The different forward ratios, largest first. */
function forwardRatios({ rows }: Chart) {
  const ratios = rows.flatMap((row) => rungOf(row) ?? []).sort((a, b) => compare(b, a));
  return ratios.filter((ratio, i) => i === 0 || !equals(ratio, entryAt(ratios, i - 1)));
}

/** Each forward row that another follows, with the places of both ratios in the order of size. */
function rankedSteps({ rows }: Chart, ratios: ReturnType<typeof forwardRatios>) {
  const ranked = rows.flatMap((row) => {
    const ratio = rungOf(row);
    return ratio ? [{ row: row.id, rank: ratios.findIndex((one) => equals(one, ratio)) }] : [];
  });
  return ranked.slice(0, -1).map((one, i) => ({ ...one, next: itemAt(ranked, i + 1).rank }));
}
