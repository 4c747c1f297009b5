import { polar, type LoopPoint } from './loop';
import { itemAt } from '../required';
import { rackAcross, STANDARD_RACK, type Rack, type RackAcross } from './rack';

/** Teeth as they are ordered. */
export interface ToothSpec {
  readonly teeth: number;
  /** Across the tooth, mm. */
  readonly moduleMm: number;
  readonly internal?: boolean | undefined;
  /** In modules; of a ring too it makes the spaces wider, as it makes the teeth of a gear thicker. */
  readonly shift?: number | undefined;
  /** Clearance of the pair along the pitch circle, mm: half of it is taken off each wheel's teeth. */
  readonly backlashMm?: number | undefined;
  /** At the pitch circle, degrees. */
  readonly helixDegrees?: number | undefined;
  /** The standard one where none is given. */
  readonly rack?: Rack | undefined;
  /** What is taken off the tips so that they clear the roots of the mate, mm. */
  readonly tipCutMm?: number | undefined;
}

export const PRESSURE_ANGLE = STANDARD_RACK.pressureAngle;

/**
 * Does the rack cut into the flank of a gear? Where its straight flank reaches past the end of the line of action:
 * r sin² α_t < h − x m.
 */
export function isUndercut({ teeth, moduleMm, shift = 0, helixDegrees = 0, rack = STANDARD_RACK }: ToothSpec): boolean {
  const across = rackAcross(rack, moduleMm, helixDegrees);
  const r = (across.moduleMm * teeth) / 2;
  return r * Math.sin(across.pressureAngle) ** 2 < across.straightMm - shift * moduleMm;
}

/** inv α = tan α − α. */
export const involute = (angle: number): number => Math.tan(angle) - angle;

/**
 * The form of one tooth, or of a ring one space, across the axis: its radii, and half its width as an angle at any
 * radius of the flank. s = m_t π/2 + 2 x m tan α_t, less half the backlash; ψ(ρ) = s / 2r + inv α − inv acos(r_b / ρ).
 * Of a ring all this is the space, which has the form of a gear's tooth.
 */
export interface ToothForm {
  readonly pitchRadius: number;
  readonly baseRadius: number;
  /** Of the tooth's own end: of a ring the inner one. */
  readonly tipRadius: number;
  readonly rootRadius: number;
  /** Where the involute begins (of a ring: ends) and the root's round joins it. */
  readonly flankRadius: number;
  /** Width of the tooth (of a ring: of the space) along the pitch circle, mm. */
  readonly widthMm: number;
  readonly halfAngleAt: (radius: number) => number;
  /** The flank would end in a point before its full height: the tip is cut back. */
  readonly pointed: boolean;
  /** Half a tooth from its inner end to its outer one: radius and half-angle, in pieces that are smooth. */
  readonly pieces: readonly OutlinePiece[];
}

/**
 * A smooth piece of half a tooth's line, from its parameter's first value to its last: where it is, as radius and
 * half-angle.
 */
export interface OutlinePiece {
  readonly from: number;
  readonly to: number;
  readonly at: (t: number) => { readonly radius: number; readonly half: number };
}

/** What is left of a tooth, in modules, however much is taken off its tip: pairs that cannot run ask for all of it. */
const LEAST_DEPTH = 0.1;

export function toothForm(spec: ToothSpec): ToothForm {
  const { teeth, moduleMm, internal = false, shift = 0, backlashMm: j = 0, helixDegrees = 0, tipCutMm = 0 } = spec;
  const rack = spec.rack ?? STANDARD_RACK;
  const across = rackAcross(rack, moduleMm, helixDegrees);
  const { moduleMm: m, pressureAngle, addendumMm, dedendumMm } = across;
  const shifted = shift * moduleMm;
  const r = (m * teeth) / 2;
  const base = r * Math.cos(pressureAngle);
  const width = (Math.PI * m) / 2 + 2 * shifted * Math.tan(pressureAngle) + (internal ? j / 2 : -j / 2);
  const halfAngleAt = (radius: number) =>
    width / (2 * r) + involute(pressureAngle) - involute(Math.acos(Math.min(1, base / radius)));
  const flank = (from: number, to: number): readonly OutlinePiece[] =>
    // Broken at the pitch circle, so that a place lies on it.
    [from, ...(from < r && r < to ? [r] : []), to].flatMap((at, i, all) =>
      i === 0
        ? []
        : [{ from: itemAt(all, i - 1), to: at, at: (radius: number) => ({ radius, half: halfAngleAt(radius) }) }],
    );
  const common = { pitchRadius: r, baseRadius: base, widthMm: width, halfAngleAt };
  if (internal) {
    const root = r + dedendumMm + shifted;
    const full = Math.max(r - addendumMm + shifted, ringTipLimit(r, base, across, shifted));
    const tip = Math.min(full + tipCutMm, root - LEAST_DEPTH * m);
    const { fillet, start } = ringFillet(halfAngleAt, base, tip, root, across);
    return {
      ...common,
      tipRadius: tip,
      rootRadius: root,
      flankRadius: start,
      pointed: false,
      pieces: [...flank(tip, start), fillet],
    };
  }
  const root = r - dedendumMm + shifted;
  const full = Math.max(r + addendumMm + shifted - tipCutMm, root + LEAST_DEPTH * m);
  const tip = halfAngleAt(full) > 0 ? full : zeroOf(halfAngleAt, base, full);
  const { fillet, start } = trochoid(across, shifted, j, halfAngleAt, { base, r, teeth, undercut: isUndercut(spec) });
  return {
    ...common,
    tipRadius: tip,
    rootRadius: root,
    flankRadius: start,
    pointed: tip < full,
    pieces: [fillet, ...flank(start, tip)],
  };
}

/**
 * What the rounded corner of the basic rack leaves at the root while the gear rolls on its pitch line. The corner's
 * centre lies H below the pitch line and y beside the middle of the space; the cut lies its radius farther along the
 * normal, which goes through the pitch point. From the bottom of the space to where the straight flank begins, or,
 * where the teeth are undercut, to where the cut meets the flank.
 */
function trochoid(
  { moduleMm: m, pressureAngle, dedendumMm, rootRadiusMm: rounding }: RackAcross,
  shifted: number,
  j: number,
  halfAngleAt: (radius: number) => number,
  {
    base,
    r,
    teeth,
    undercut,
  }: { readonly base: number; readonly r: number; readonly teeth: number; readonly undercut: boolean },
) {
  const deep = dedendumMm - rounding;
  // How deep the centre of the round lies below the pitch line; a great shift lifts it above.
  const H = Math.abs(deep - shifted) < 1e-9 ? 1e-9 : deep - shifted;
  const y = (Math.PI * m) / 4 + j / 4 - deep * Math.tan(pressureAngle) - rounding / Math.cos(pressureAngle);
  const at = (u: number) => {
    const turn = (u - y) / r;
    const beyond = 1 + (Math.sign(H) * rounding) / Math.hypot(u, H);
    const point: LoopPoint = { x: u * beyond, y: r - H * beyond };
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    const [px, py] = [point.x * c - point.y * s, point.x * s + point.y * c];
    return { radius: Math.hypot(px, py), half: Math.PI / teeth - Math.atan2(px, py) };
  };
  const end = H / Math.tan(pressureAngle);
  // Fatter than the flank would be: from there on the flank is what is left.
  const past = (u: number) => {
    const { radius, half } = at(u);
    return radius > base && half >= halfAngleAt(radius);
  };
  const STEPS = 64;
  // Without undercut the cut runs into the flank where the straight flank of the rack begins, and lies outside its line
  // before.
  const met = undercut ? Array.from({ length: STEPS }, (_, i) => (end * (i + 1)) / STEPS).find(past) : undefined;
  const to = met === undefined ? end : bisected(past, met - end / STEPS, met);
  return { fillet: { from: 0, to, at }, start: Math.max(at(to).radius, base) };
}

/**
 * A ring's teeth end where they would meet the root fillet of the gear in it, which begins at the same place of the
 * line of action for every gear of the basic rack: (h − x m) / sin α, where the rack's straight flank ends, before the
 * pitch point. Never within the base circle, where there is no involute.
 */
function ringTipLimit(r: number, base: number, { pressureAngle, straightMm }: RackAcross, shifted: number): number {
  const along = r * Math.sin(pressureAngle) - (straightMm - shifted) / Math.sin(pressureAngle);
  return Math.hypot(base, Math.max(0, along));
}

/** An arc between a ring's flank and its root circle: it touches both. */
function ringFillet(
  halfAngleAt: (radius: number) => number,
  base: number,
  tip: number,
  root: number,
  { moduleMm: m, rootRadiusMm }: RackAcross,
) {
  const flankAt = (radius: number) => polar(radius, halfAngleAt(radius));
  /**
   * The centre of the arc that touches the flank at this radius, inside the space: along the normal, which is a tangent
   * of the base circle.
   */
  const centreAt = (radius: number, rounding: number) => {
    const { x, y } = flankAt(radius);
    const direction = halfAngleAt(radius) - Math.acos(Math.min(1, base / radius)) - Math.PI / 2;
    return { x: x + rounding * Math.cos(direction), y: y + rounding * Math.sin(direction), direction };
  };
  for (let rounding = rootRadiusMm; ; rounding *= 0.8) {
    const low = (radius: number) => {
      const { x, y } = centreAt(radius, rounding);
      return Math.hypot(x, y) >= root - rounding;
    };
    if (low(tip)) continue;
    const start = bisected(low, tip, root);
    const { x, y, direction } = centreAt(start, rounding);
    // It has to end before the middle of the space.
    if (Math.atan2(y, x) < 0 && rounding > 1e-3 * m) continue;
    const [from, to] = [direction + Math.PI, Math.atan2(y, x)];
    const at = (t: number) => {
      const [px, py] = [x + rounding * Math.cos(t), y + rounding * Math.sin(t)];
      return { radius: Math.hypot(px, py), half: Math.atan2(py, px) };
    };
    return { fillet: { from, to, at }, start };
  }
}

/** Where a condition that holds at the far end begins to hold. */
function bisected(holds: (t: number) => boolean, from: number, to: number): number {
  let [low, high] = [from, to];
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (holds(middle)) high = middle;
    else low = middle;
  }
  return high;
}

const zeroOf = (f: (t: number) => number, from: number, to: number): number => bisected((t) => f(t) <= 0, from, to);
