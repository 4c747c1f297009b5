import { torqueAt, type CurveSegment } from './motor';

/**
 * Where to change between two neighbours, by the speed of the input: as shares of no load of a linear motor, in rpm of
 * any other.
 */
export interface ShiftPoint {
  /** In the faster position: change down when the input falls to this. */
  readonly downAt: number;
  /** Where that lands in the slower one. */
  readonly landsAt: number;
  /** In the slower position: change up only above this, or it lands below `downAt` and comes straight back. */
  readonly upAbove: number;
}

/** The output speeds at which two neighbours give the same power. */
export interface EqualPowers {
  /** Ratio after over ratio before of the up-shift, below 1. */
  readonly r: number;
  /**
   * The one that matters: above it the faster position gives more, and of such points the one with most power. Null
   * where there is none.
   */
  readonly point: ShiftPoint | null;
  /** The further ones, the slowest first. */
  readonly others: readonly ShiftPoint[];
}

interface Position {
  readonly ratio: number;
  /** The share of power that it lets through. */
  readonly drive: number;
}

/**
 * Of a linear motor without losses: equal power on both sides of the hump, u (1 − u) the same at r/(1 + r) and 1/(1 +
 * r).
 */
const linearShiftPoint = (r: number): ShiftPoint => ({
  downAt: r / (1 + r),
  landsAt: 1 / (1 + r),
  upAbove: 1 / (1 + r),
});

/** The largest step, as r, after which a linear motor stays above a share of its largest power. */
export const leastRatioForShare = (share: number): number => (1 - Math.sqrt(1 - share)) / (1 + Math.sqrt(1 - share));

/** Two points nearer than this, as a share, are one: both stretches of a line hold where they meet. */
const SAME = 1e-9;

/**
 * Every output speed at which two positions give the same power, above 0. In each straight stretch a + b n of the
 * motor's line a position of ratio i that lets d
 * through gives (a + b i n) i d torque at an output speed n, so equal power is one linear equation for each pair of
 * stretches.
 * @param noLoadRpm of a linear motor, in whose shares the points are then told; null tells rpm
 */
export function equalPowers(
  line: readonly CurveSegment[],
  before: Position,
  after: Position,
  noLoadRpm: number | null,
): EqualPowers {
  const r = after.ratio / before.ratio;
  if (noLoadRpm !== null && before.drive === after.drive) return { r, point: linearShiftPoint(r), others: [] };
  const found = crossings(line, before, after);
  const rising = found.filter(({ rises }) => rises);
  const most = rising.reduce<Crossing | null>((best, one) => (best && best.power >= one.power ? best : one), null);
  const unit = noLoadRpm ?? 1;
  const told = ({ outputRpm }: Crossing): ShiftPoint => ({
    downAt: (outputRpm * after.ratio) / unit,
    landsAt: (outputRpm * before.ratio) / unit,
    upAbove: (outputRpm * before.ratio) / unit,
  });
  return { r, point: most && told(most), others: found.filter((one) => one !== most).map(told) };
}

interface Crossing {
  readonly outputRpm: number;
  readonly power: number;
  /** The faster position gives less before it and more beyond. */
  readonly rises: boolean;
}

function crossings(line: readonly CurveSegment[], before: Position, after: Position): readonly Crossing[] {
  const torque = ({ ratio, drive }: Position, rpm: number) => torqueAt(line, rpm * ratio) * ratio * drive;
  const speeds = line.flatMap((slow) =>
    line.flatMap((fast) => {
      const [i, j] = [before.ratio, after.ratio];
      const rpm =
        (fast.a * j * after.drive - slow.a * i * before.drive) /
        (slow.b * i * i * before.drive - fast.b * j * j * after.drive);
      const holds = ({ from, to }: CurveSegment, at: number) => at >= from * (1 - SAME) && at <= to * (1 + SAME);
      return rpm > 0 && Number.isFinite(rpm) && holds(slow, rpm * i) && holds(fast, rpm * j) ? [rpm] : [];
    }),
  );
  const apart = speeds
    .sort((a, b) => a - b)
    .filter((rpm, i, all) => i === 0 || rpm > (all[i - 1] ?? 0) * (1 + 2 * SAME));
  const better = (rpm: number) => torque(after, rpm) - torque(before, rpm);
  return apart.flatMap((outputRpm, i): Crossing[] => {
    const power = torque(after, outputRpm) * outputRpm;
    if (!(power > 0)) return [];
    const below = ((apart[i - 1] ?? 0) + outputRpm) / 2;
    const above = (outputRpm + (apart[i + 1] ?? 3 * outputRpm)) / 2;
    return [{ outputRpm, power, rises: better(below) < 0 && better(above) > 0 }];
  });
}
