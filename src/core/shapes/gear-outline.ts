import { flatten, polar, reversed, turned, type Loop, type LoopPoint } from './loop';
import { toothForm, type ToothForm, type ToothSpec } from './tooth-form';
import { itemAt } from '../required';

/**
 * The line round a gear's teeth, counter-clockwise; of a ring the line of its hole, clockwise. The middle of the first
 * tooth (of a ring: space) lies on the x axis.
 */
export function gearOutline(spec: ToothSpec, toleranceMm = 0.01): Loop {
  const form = toothForm(spec);
  const half = halfTooth(form, toleranceMm);
  const pitch = (2 * Math.PI) / spec.teeth;
  // From the right flank over the end to the left one, then along the inner circle to the next.
  const right = half.map(({ x, y }): LoopPoint => ({ x, y: -y }));
  const end = arc(itemAt(half, -1), itemAt(right, -1), toleranceMm);
  const between = innerArc(itemAt(half, 0), pitch, toleranceMm);
  const tooth = distinct([...right, ...end, ...reversed(half), ...between]);
  const whole = Array.from({ length: spec.teeth }, (_, i) => tooth.map((point) => turned(point, pitch * i))).flat();
  return spec.internal ? reversed(whole) : whole;
}

/** Half a tooth's line from its inner end to its outer one, on the side of positive angles. */
function halfTooth({ pieces }: ToothForm, tolerance: number): LoopPoint[] {
  return pieces.flatMap(({ from, to, at }, i) => {
    const points = flatten(
      (t) => {
        const { radius, half } = at(t);
        return polar(radius, half);
      },
      from,
      to,
      tolerance,
    );
    return i === 0 ? points : points.slice(1);
  });
}

/** Places between two at the same radius, round the outer end from the right to the left; none where they are one. */
function arc(left: LoopPoint, right: LoopPoint, tolerance: number): LoopPoint[] {
  const [a, b] = [Math.atan2(right.y, right.x), Math.atan2(left.y, left.x)];
  return flatten((t) => polar(Math.hypot(left.x, left.y), t), a, b, tolerance).slice(1, -1);
}

/** Places between the inner end of one tooth and that of the next. */
function innerArc(left: LoopPoint, pitch: number, tolerance: number): LoopPoint[] {
  const angle = Math.atan2(left.y, left.x);
  return flatten((t) => polar(Math.hypot(left.x, left.y), t), angle, pitch - angle, tolerance).slice(1, -1);
}

/** Without places that are one with the one before: where a tooth ends in a point. */
const distinct = (points: readonly LoopPoint[]): readonly LoopPoint[] =>
  points.filter(({ x, y }, i) => {
    const before = itemAt(points, i - 1);
    return Math.hypot(x - before.x, y - before.y) > 1e-9;
  });
