import { involute, type ToothForm } from '../shapes';
import { alongAction } from './contact';
import type { RunningPair } from './running-pair';

/**
 * root: the tip of one runs into the round at the other's root · trochoid: tips of a gear and its ring meet outside the
 * line of action · radial: the gear can be put into the ring along the axis alone.
 */
export type Interference = 'root' | 'trochoid' | 'radial';

/** As a part of the module: what rounding leaves of shapes that are made to touch. */
const NEAR = 1e-6;

/** Where the teeth of a pair are in each other's way although their flanks run well. */
export function interferenceOf(
  running: RunningPair,
  [one, two]: readonly [ToothForm, ToothForm],
  teeth: readonly [number, number],
  {
    internal,
    undercut,
    moduleMm,
  }: { readonly internal: boolean; readonly undercut: readonly [boolean, boolean]; readonly moduleMm: number },
): readonly Interference[] {
  const line = running.centreMm * Math.sin(running.workingAngle);
  const near = NEAR * moduleMm;
  const foot = internal ? alongAction(two.tipRadius, two) - line : line - alongAction(two.tipRadius, two);
  const footTwo = line - alongAction(one.tipRadius, one);
  // An undercut root has made room for whatever tip the rack has.
  const inRoot =
    (!undercut[0] && foot < alongAction(one.flankRadius, one) - near) ||
    (!internal && !undercut[1] && footTwo < alongAction(two.flankRadius, two) - near) ||
    (internal && alongAction(one.tipRadius, one) + line > alongAction(two.flankRadius, two) + near);
  return [
    ...(inRoot ? (['root'] as const) : []),
    ...(internal && isTrochoid(running, one, two, teeth) ? (['trochoid'] as const) : []),
    ...(internal && isRadial(running, one, two, teeth) ? (['radial'] as const) : []),
  ];
}

const tipAngle = ({ baseRadius, tipRadius }: ToothForm): number => Math.acos(Math.min(1, baseRadius / tipRadius));

/**
 * Do the tips pass each other where the tip circles cross? The ring's turns by z₁/z₂ of the gear's way meanwhile:
 * θ₁ z₁/z₂ + inv α_w − inv α_a2 ≥ θ₂ where they do.
 */
function isTrochoid(
  { centreMm: a, workingAngle }: RunningPair,
  one: ToothForm,
  two: ToothForm,
  [z1, z2]: readonly [number, number],
): boolean {
  const [r1, r2] = [one.tipRadius, two.tipRadius];
  const cosine = (r2 ** 2 - r1 ** 2 - a ** 2) / (2 * a * r1);
  // The tip circles do not cross: the gear's lies within the ring's all round, or reaches past it all round.
  if (Math.abs(cosine) > 1) return cosine < 0;
  const cosineTwo = (a ** 2 + r2 ** 2 - r1 ** 2) / (2 * a * r2);
  const turned = Math.acos(cosine) + involute(tipAngle(one)) - involute(workingAngle);
  return (turned * z1) / z2 + involute(workingAngle) - involute(tipAngle(two)) < Math.acos(cosineTwo) - 1e-12;
}

/**
 * Is the ring's opening narrower than the gear somewhere on the way in? At the angles at which both tips lie on one
 * line across the way: θ₁ + inv α_a1 − inv α_w ≥ (θ₂ + inv α_a2 − inv α_w) z₂/z₁ where it is not.
 */
function isRadial({ workingAngle }: RunningPair, one: ToothForm, two: ToothForm, [z1, z2]: readonly [number, number]) {
  const [own, mate] = [tipAngle(one), tipAngle(two)];
  const ratio = Math.cos(own) / Math.cos(mate);
  if (ratio >= 1) return false;
  const across = Math.asin(Math.min(1, Math.sqrt((1 - ratio ** 2) / (1 - (z1 / z2) ** 2))));
  const acrossTwo = Math.asin(Math.min(1, Math.sqrt((ratio ** -2 - 1) / ((z2 / z1) ** 2 - 1))));
  const inv = involute(workingAngle);
  return across + involute(own) - inv < (acrossTwo + involute(mate) - inv) * (z2 / z1) - 1e-12;
}
