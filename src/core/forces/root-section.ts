import { toothForm, STANDARD_RACK, type OutlinePiece, type ToothForm, type ToothSpec } from '../shapes';

/** Where a tooth bends most, by the tangent to its root's round, in mm of the section across the tooth. */
export interface RootSection {
  /** Across the tooth. */
  readonly thicknessMm: number;
  /** From the section to where the line of the load meets the middle of the tooth. */
  readonly armMm: number;
  /** Between the load and a line across the tooth, radians. */
  readonly loadAngle: number;
}

const OUTSIDE = Math.PI / 6;
const INSIDE = Math.PI / 3;
const STEPS = 48;

/**
 * The section at the place where the tangent of the root's round lies 30° (of a ring 60°) from the middle of the tooth,
 * with the load where one pair alone carries, at its tip: g = g_a − (ε − 1) p_b along the line of action (ISO 6336-3,
 * method B). A helical wheel is looked at as the straight one of z / cos³ β teeth across its teeth.
 * @param contactRatio across the axis
 * @returns null where the outline has no such place
 */
export function rootSection(spec: ToothSpec, contactRatio: number): RootSection | null {
  const { rack = STANDARD_RACK, helixDegrees = 0 } = spec;
  const beta = (helixDegrees * Math.PI) / 180;
  const baseSine = Math.sin(beta) * Math.cos(rack.pressureAngle);
  const straight: ToothSpec = { ...spec, teeth: spec.teeth / Math.cos(beta) ** 3, helixDegrees: 0 };
  const form = toothForm(straight);
  const fillet = form.pieces[spec.internal ? form.pieces.length - 1 : 0];
  const found = fillet && tangentPlace(fillet, spec.internal ? INSIDE : OUTSIDE, toothAt(straight));
  if (!found) return null;
  const { load, along } = loadOn(form, straight, contactRatio / (1 - baseSine ** 2), toothAt(straight));
  const armMm = spec.internal ? found.along - along : along - found.along;
  return armMm > 0 ? { thicknessMm: 2 * found.half, armMm, loadAngle: load } : null;
}

/** A place of half a tooth: how far along its middle line, and how far beside it. */
type ToothAt = (radius: number, half: number) => { readonly along: number; readonly half: number };

/** Of a ring the outline is that of a space: its tooth stands beside it. */
const toothAt =
  ({ teeth, internal }: ToothSpec): ToothAt =>
  (radius, half) => {
    const own = internal ? Math.PI / teeth - half : half;
    return { along: radius * Math.cos(own), half: radius * Math.sin(own) };
  };

function tangentPlace({ from, to, at }: OutlinePiece, angle: number, place: ToothAt) {
  const pointAt = (t: number) => {
    const { radius, half } = at(t);
    return place(radius, half);
  };
  const step = (to - from) / STEPS;
  const slopeAt = (t: number) => {
    const [p, q] = [pointAt(t - step / 8), pointAt(t + step / 8)];
    return Math.abs(Math.atan2(q.half - p.half, q.along - p.along));
  };
  // From the middle line's direction, whichever way the piece is walked.
  const off = (t: number) => Math.min(slopeAt(t), Math.PI - slopeAt(t)) - angle;
  let before = off(from + step);
  for (let i = 2; i < STEPS; i++) {
    const now = off(from + step * i);
    if (before > 0 !== now > 0) {
      let [low, high] = [from + step * (i - 1), from + step * i];
      for (let k = 0; k < 30; k++) {
        const middle = (low + high) / 2;
        if (off(middle) > 0 === before > 0) low = middle;
        else high = middle;
      }
      return pointAt(low);
    }
    before = now;
  }
  return null;
}

/** Where the line of the load at the tip of single contact meets the tooth's middle line, and its angle to it. */
function loadOn(form: ToothForm, { teeth, internal }: ToothSpec, contactRatio: number, place: ToothAt) {
  const { baseRadius: base, tipRadius, flankRadius } = form;
  const pitch = (2 * Math.PI * base) / teeth;
  const tip = Math.sqrt(Math.max(0, tipRadius ** 2 - base ** 2));
  const root = Math.sqrt(Math.max(0, flankRadius ** 2 - base ** 2));
  // Less than one pair is in contact at times: the tip itself then carries alone.
  const beyond = Math.max(0, contactRatio - 1) * pitch;
  const at = internal ? Math.min(root, tip + beyond) : Math.max(root, tip - beyond);
  const radius = Math.hypot(base, at);
  const half = internal ? Math.PI / teeth - form.halfAngleAt(radius) : form.halfAngleAt(radius);
  const own = Math.atan2(at, base);
  const load = internal ? own + half : own - half;
  const point = place(radius, form.halfAngleAt(radius));
  return { load, along: internal ? point.along + point.half * Math.tan(load) : base / Math.cos(load) };
}

/**
 * Nominal stress in the root, N/mm²: bending alone, σ = F / (b m) · 6 (h / m) cos α_F / ((s / m)² cos α), F = 2000 T /
 * d. To be compared between wheels; nothing is said of how much one bears.
 */
export function rootStress(
  { thicknessMm, armMm, loadAngle }: RootSection,
  tangentialN: number,
  widthMm: number,
  pressureAngle: number,
): number {
  return (tangentialN * 6 * armMm * Math.cos(loadAngle)) / (widthMm * thicknessMm ** 2 * Math.cos(pressureAngle));
}
