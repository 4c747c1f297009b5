import type { ToothForm } from '../shapes';
import type { RunningPair } from './running-pair';

/** The teeth of a pair in each other; of each two figures the first is of the first wheel. */
export interface Contact {
  /** By the tips: how many pairs of teeth touch on average across the axis. */
  readonly contactRatio: number;
  /** As far as there are flanks: less than by the tips where a root is undercut. */
  readonly usableContactRatio: number;
  /** From the tip of each to the root circle of its mate. */
  readonly tipClearanceMm: readonly [number, number];
  readonly workingDepthMm: number;
  /** At the working circles: below 0 the teeth jam. */
  readonly backlashMm: number;
  /** Sliding against rolling at each one's foot; null where the contact reaches its base circle. */
  readonly specificSliding: readonly [number | null, number | null];
}

/** How far from the end of the line of action a place of a flank touches: √(r² − r_b²). */
export const alongAction = (radius: number, { baseRadius }: ToothForm): number =>
  Math.sqrt(Math.max(0, radius ** 2 - baseRadius ** 2));

/**
 * How two wheels run on each other (ISO 21771): ε = (g₁ + g₂ − a sin α_w) / p_b of two gears, ε = (g₁ − g₂ + a sin α_w)
 * / p_b of a gear in a ring, where g = √(r_a² − r_b²).
 */
export function contactOf(
  { centreMm: a, workingAngle, workingRadiiMm, basePitchMm }: RunningPair,
  forms: readonly [ToothForm, ToothForm],
  teeth: readonly [number, number],
  internal: boolean,
): Contact {
  const [one, two] = forms;
  const line = a * Math.sin(workingAngle);
  const head = alongAction(one.tipRadius, one);
  const headTwo = alongAction(two.tipRadius, two);
  // Where the mate's tip touches the first, and where its own flank begins and ends.
  const foot = internal ? headTwo - line : line - headTwo;
  const begins = Math.max(foot, alongAction(one.flankRadius, one));
  const mateEnd = alongAction(two.flankRadius, two);
  const ends = Math.min(head, internal ? mateEnd - line : line - mateEnd);
  const [rw1, rw2] = workingRadiiMm;
  // The tooth of a gear, the space of a ring.
  const arc = (form: ToothForm, radius: number) => 2 * radius * form.halfAngleAt(radius);
  const pitch = (2 * Math.PI * rw1) / teeth[0];
  const backlashMm = internal ? arc(two, rw2) - arc(one, rw1) : pitch - arc(one, rw1) - arc(two, rw2);
  const curvature = (at: number) => (internal ? at + line : line - at);
  const sliding = (own: number, other: number, ratio: number) => (own > 1e-9 ? 1 - (ratio * other) / own : null);
  return {
    contactRatio: (head - foot) / basePitchMm,
    usableContactRatio: Math.max(0, ends - begins) / basePitchMm,
    tipClearanceMm: internal
      ? [two.rootRadius - a - one.tipRadius, two.tipRadius - a - one.rootRadius]
      : [a - one.tipRadius - two.rootRadius, a - two.tipRadius - one.rootRadius],
    workingDepthMm: internal ? one.tipRadius + a - two.tipRadius : one.tipRadius + two.tipRadius - a,
    backlashMm,
    specificSliding: [
      sliding(foot, curvature(foot), teeth[0] / teeth[1]),
      sliding(curvature(head), head, teeth[1] / teeth[0]),
    ],
  };
}
