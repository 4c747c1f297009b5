/** A point of an outline, in modules from the gear's centre. */
export interface OutlinePoint {
  readonly x: number;
  readonly y: number;
}

const PRESSURE_ANGLE = (20 * Math.PI) / 180;
/** Tooth heights above and below the pitch circle, in modules (standard full-depth teeth). */
const ADDENDUM = 1;
const DEDENDUM = 1.25;

const involute = (angle: number): number => Math.tan(angle) - angle;

/** Half the angle that a tooth takes up at a radius: without shift as thick as its gap at the pitch circle. */
function halfToothAngle(teeth: number, radius: number, shift: number): number {
  const base = (teeth / 2) * Math.cos(PRESSURE_ANGLE);
  const atPitch = (Math.PI / 2 + 2 * shift * Math.tan(PRESSURE_ANGLE)) / teeth + involute(PRESSURE_ANGLE);
  return radius <= base ? atPitch : atPitch - involute(Math.acos(base / radius));
}

/** The radius at which a tooth comes to a point, or the standard tip where that is lower. */
function tipRadius(teeth: number, shift: number): number {
  const pitch = teeth / 2;
  let [blunt, pointed] = [pitch, pitch + ADDENDUM + shift];
  if (halfToothAngle(teeth, pointed, shift) > 0) return pointed;
  for (let i = 0; i < 30; i++) {
    const middle = (blunt + pointed) / 2;
    if (halfToothAngle(teeth, middle, shift) > 0) blunt = middle;
    else pointed = middle;
  }
  return blunt;
}

/**
 * The outline of a spur gear with involute flanks at 20° pressure angle, in modules, its first tooth centred on the x
 * axis. Below the base circle the flank runs straight to the root. An internal gear's outline is that of its teeth,
 * which point inward: its gaps are the teeth of the external gear with the same count. `flankPoints` (at least 2) says
 * how finely a flank is drawn; a profile shift moves them outward.
 */
export function toothOutline(
  teeth: number,
  internal: boolean,
  flankPoints: number,
  shift = 0,
): readonly OutlinePoint[] {
  const pitch = teeth / 2;
  const [root, tip] = internal
    ? [pitch + DEDENDUM + shift, Math.max(0.2, pitch - ADDENDUM + shift)]
    : [Math.max(0.2, pitch - DEDENDUM + shift), tipRadius(teeth, shift)];
  const pitchAngle = (2 * Math.PI) / teeth;
  const half = (radius: number) =>
    internal ? pitchAngle / 2 - halfToothAngle(teeth, radius, shift) : halfToothAngle(teeth, radius, shift);
  const flank = Array.from({ length: flankPoints }, (_, i) => {
    const radius = root + ((tip - root) * i) / (flankPoints - 1);
    return { radius, angle: Math.min(pitchAngle / 2, Math.max(0, half(radius))) };
  });
  const points: OutlinePoint[] = [];
  const put = (radius: number, angle: number) =>
    points.push({ x: radius * Math.cos(angle), y: radius * Math.sin(angle) });
  for (let tooth = 0; tooth < teeth; tooth++) {
    const middle = tooth * pitchAngle;
    for (const { radius, angle } of flank) put(radius, middle - angle);
    for (const { radius, angle } of [...flank].reverse()) put(radius, middle + angle);
  }
  return points;
}
