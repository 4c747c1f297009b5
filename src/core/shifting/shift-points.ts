import { peakPower, torqueAt, type Stretch } from './motor';

/** Where to change between two neighbours, by the speed of the input: as shares of no load of a linear motor, in rpm of any other. */
export interface ShiftPoint {
  /** Ratio after over ratio before of the up-shift, below 1. */
  readonly r: number;
  /** In the faster position: change down when the input falls to this. */
  readonly downAt: number;
  /** Where that lands in the slower one. */
  readonly landsAt: number;
  /** In the slower position: change up only above this, or it lands below `downAt` and comes straight back. */
  readonly upAbove: number;
}

/** Of a linear motor: equal power on both sides of the hump, u (1 − u) the same at r/(1 + r) and 1/(1 + r). */
export const linearShiftPoint = (before: number, after: number): ShiftPoint => {
  const r = after / before;
  return { r, downAt: r / (1 + r), landsAt: 1 / (1 + r), upAbove: 1 / (1 + r) };
};

/** The largest step, as r, after which a linear motor stays above a share of its largest power. */
export const leastRatioForShare = (share: number): number => (1 - Math.sqrt(1 - share)) / (1 + Math.sqrt(1 - share));

const HALVINGS = 200;

/**
 * Of any motor line, rpm: the output speed at which both positions give the same output power, losses in. The slower position gives more at low speeds and the
 * faster one at high speeds; the point is found by halving between the motor's peak in the faster and in the slower one. Null where one is always the better.
 * @param before, after ratios with the share of power each lets through.
 */
export function shiftPoint(
  line: readonly Stretch[],
  before: { readonly ratio: number; readonly drive: number },
  after: { readonly ratio: number; readonly drive: number },
): ShiftPoint | null {
  const { rpm: peak } = peakPower(line);
  const power = ({ ratio, drive }: typeof before, outRpm: number) =>
    torqueAt(line, ratio * outRpm) * ratio * outRpm * drive;
  const better = (outRpm: number) => power(after, outRpm) - power(before, outRpm);
  let [low, high] = [peak / before.ratio, peak / after.ratio];
  if (!(better(low) < 0 && better(high) > 0)) return null;
  for (let i = 0; i < HALVINGS && high - low > 1e-13 * high; i++) {
    const middle = (low + high) / 2;
    if (better(middle) < 0) low = middle;
    else high = middle;
  }
  const at = (low + high) / 2;
  const r = after.ratio / before.ratio;
  return { r, downAt: at * after.ratio, landsAt: at * before.ratio, upAbove: at * before.ratio };
}
