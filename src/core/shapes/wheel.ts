import { circleLoop, loopArea, reversed, type Loop, type LoopPoint } from './loop';
import { gearOutline } from './gear-outline';
import { isUndercut, toothForm, type ToothSpec } from './tooth-form';

/** A wheel to be cut or printed: its teeth, and what it is mounted with. All in mm. */
export interface WheelSpec extends ToothSpec {
  readonly widthMm: number;
  /** At the pitch circle; right-handed above 0. */
  readonly helixDegrees?: number;
  /** Left over right hand, which centres itself. */
  readonly herringbone?: boolean;
  readonly boreMm?: number;
  /** A keyway in the bore: its width, and how deep it goes beyond the bore. */
  readonly keyway?: { readonly widthMm: number; readonly deepMm: number };
  /** A square hole instead of a round bore, across flats. */
  readonly squareMm?: number;
  readonly hub?: { readonly outsideMm: number; readonly longMm: number };
  /** So many round holes between hub and rim. */
  readonly lighteningHoles?: number;
  /** Of a ring: how thick it is outside its roots. */
  readonly rimMm?: number;
  readonly toleranceMm?: number;
}

export type ReadWheel =
  | { readonly ok: true; readonly wheel: ShapedGear }
  | { readonly ok: false; readonly field: keyof WheelSpec; readonly message: string };

/** The lines of a wheel across its axis. */
export interface ShapedGear {
  readonly spec: WheelSpec;
  /** Round the material, counter-clockwise. */
  readonly outer: Loop;
  /** Clockwise; of a ring the first is its teeth. */
  readonly holes: readonly Loop[];
  readonly areaMm2: number;
  readonly hints: readonly string[];
}

export const USUAL_TOLERANCE_MM = 0.01;
export const LEAST_TEETH = 4;
const MOST_TEETH = 2000;
/** Material that is left between one opening and the next. */
const LEAST_WALL_MM = 1;

/** The lines of a wheel, or what is wrong with it and where. */
export function readWheel(spec: WheelSpec): ReadWheel {
  const wrong = wrongIn(spec);
  if (wrong) return { ok: false, ...wrong };
  const tolerance = spec.toleranceMm ?? USUAL_TOLERANCE_MM;
  const teeth = gearOutline(spec, tolerance);
  const form = toothForm(spec);
  if (spec.internal) {
    const outer = circleLoop(form.rootRadius + (spec.rimMm ?? usualRim(spec)), tolerance);
    return {
      ok: true,
      wheel: { spec, outer, holes: [teeth], areaMm2: loopArea(outer) + loopArea(teeth), hints: hintsOf(spec) },
    };
  }
  const bore = boreLoop(spec, tolerance);
  const reach = boreReach(spec);
  const holes = [...(bore ? [reversed(bore)] : [])];
  if (spec.lighteningHoles) {
    const from = Math.max(reach, (spec.hub?.outsideMm ?? 0) / 2) + 2 * LEAST_WALL_MM;
    const to = form.rootRadius - 2 * LEAST_WALL_MM;
    const centre = (from + to) / 2;
    const radius = Math.min((to - from) / 2, centre * Math.sin(Math.PI / spec.lighteningHoles) - LEAST_WALL_MM);
    if (radius < 1)
      return {
        ok: false,
        field: 'lighteningHoles',
        message: `There is no room for ${spec.lighteningHoles} holes between the bore or hub and the teeth.`,
      };
    for (let i = 0; i < spec.lighteningHoles; i++) {
      const angle = (2 * Math.PI * (i + 0.5)) / spec.lighteningHoles;
      holes.push(reversed(circleLoop(radius, tolerance, { x: centre * Math.cos(angle), y: centre * Math.sin(angle) })));
    }
  }
  const areaMm2 = [teeth, ...holes].reduce((sum, loop) => sum + loopArea(loop), 0);
  return { ok: true, wheel: { spec, outer: teeth, holes, areaMm2, hints: hintsOf(spec) } };
}

export const usualRim = ({ moduleMm }: Pick<WheelSpec, 'moduleMm'>): number => 3 * moduleMm;

type Wrong = { readonly field: keyof WheelSpec; readonly message: string };

function wrongIn(spec: WheelSpec): Wrong | null {
  const { teeth, moduleMm, widthMm, shift = 0, backlashMm = 0, helixDegrees = 0, internal = false } = spec;
  const refuse = (field: keyof WheelSpec, message: string): Wrong => ({ field, message });
  if (!Number.isInteger(teeth) || teeth < LEAST_TEETH || teeth > MOST_TEETH)
    return refuse('teeth', `The tooth count is a whole number from ${LEAST_TEETH} to ${MOST_TEETH}.`);
  if (!(moduleMm >= 0.05 && moduleMm <= 200)) return refuse('moduleMm', 'The module is from 0.05 to 200 mm.');
  if (!(widthMm > 0 && widthMm <= 10_000)) return refuse('widthMm', 'The width is above 0 and at most 10 000 mm.');
  if (!(Math.abs(shift) <= 0.8)) return refuse('shift', 'The profile shift is from -0.8 to 0.8 modules.');
  if (!(backlashMm >= 0 && backlashMm <= moduleMm))
    return refuse('backlashMm', 'The backlash is from 0 to one module.');
  if (!(Math.abs(helixDegrees) <= 45)) return refuse('helixDegrees', 'The helix angle is at most 45°.');
  if (spec.herringbone && helixDegrees === 0)
    return refuse('herringbone', 'A herringbone wheel has a helix angle: give one.');
  if (!((spec.toleranceMm ?? USUAL_TOLERANCE_MM) >= 1e-4 && (spec.toleranceMm ?? USUAL_TOLERANCE_MM) <= moduleMm / 2))
    return refuse('toleranceMm', 'The tolerance is from 0.0001 mm to half a module.');
  const form = toothForm(spec);
  if (form.tipRadius <= (internal ? 0 : form.rootRadius))
    return refuse('shift', 'No tooth is left with this shift and backlash.');
  if (internal) {
    if (teeth < 12) return refuse('teeth', 'A ring has 12 teeth or more.');
    for (const field of ['boreMm', 'squareMm', 'keyway', 'hub', 'lighteningHoles'] as const)
      if (spec[field]) return refuse(field, 'A ring has no bore, hub or holes: it is held outside.');
    if (spec.rimMm !== undefined && !(spec.rimMm >= LEAST_WALL_MM))
      return refuse('rimMm', `The rim is at least ${LEAST_WALL_MM} mm.`);
    return null;
  }
  const { boreMm, squareMm, keyway, hub } = spec;
  for (const field of ['boreMm', 'squareMm'] as const)
    if (spec[field] !== undefined && !(spec[field] > 0)) return refuse(field, 'A hole is wider than 0 mm.');
  if (boreMm !== undefined && squareMm !== undefined)
    return refuse('squareMm', 'Give a round bore or a square hole, not both.');
  if (keyway) {
    if (boreMm === undefined) return refuse('keyway', 'A keyway is cut in a round bore: give one.');
    if (!(keyway.widthMm > 0 && keyway.widthMm < boreMm && keyway.deepMm > 0))
      return refuse('keyway', 'A keyway is wider and deeper than 0 and narrower than the bore.');
  }
  const reach = boreReach(spec);
  if (reach + LEAST_WALL_MM > form.rootRadius)
    return refuse(
      squareMm === undefined ? 'boreMm' : 'squareMm',
      `The hole leaves less than ${LEAST_WALL_MM} mm under the teeth: it can reach ` +
        `${(form.rootRadius - LEAST_WALL_MM).toFixed(2)} mm from the axis.`,
    );
  if (hub && !(hub.longMm > 0 && hub.outsideMm / 2 >= reach + LEAST_WALL_MM && hub.outsideMm / 2 < form.rootRadius))
    return refuse('hub', 'A hub is longer than 0, thicker than the hole by 1 mm all round, and stays below the teeth.');
  if (
    spec.lighteningHoles !== undefined &&
    (!Number.isInteger(spec.lighteningHoles) || spec.lighteningHoles < 0 || spec.lighteningHoles > 24)
  )
    return refuse('lighteningHoles', 'There are 0 to 24 lightening holes.');
  return null;
}

/** How far the bore reaches from the axis. */
const boreReach = ({ boreMm = 0, squareMm = 0, keyway }: WheelSpec): number =>
  keyway ? Math.hypot(boreMm / 2 + keyway.deepMm, keyway.widthMm / 2) : Math.max(boreMm / 2, squareMm / Math.SQRT2);

/** The bore, counter-clockwise; null without one. */
export function boreLoop({ boreMm, squareMm, keyway }: WheelSpec, tolerance: number): Loop | null {
  if (squareMm !== undefined) {
    const h = squareMm / 2;
    return [
      { x: h, y: -h },
      { x: h, y: h },
      { x: -h, y: h },
      { x: -h, y: -h },
    ];
  }
  if (boreMm === undefined) return null;
  const round = circleLoop(boreMm / 2, tolerance);
  if (!keyway) return round;
  const w = keyway.widthMm / 2;
  const edge = Math.sqrt((boreMm / 2) ** 2 - w ** 2);
  const slot: readonly LoopPoint[] = [
    { x: edge, y: -w },
    { x: boreMm / 2 + keyway.deepMm, y: -w },
    { x: boreMm / 2 + keyway.deepMm, y: w },
    { x: edge, y: w },
  ];
  return [...slot, ...round.filter(({ x, y }) => !(x > 0 && Math.abs(y) <= w))];
}

/** What is worth knowing before it is made. */
function hintsOf(spec: WheelSpec): readonly string[] {
  const form = toothForm(spec);
  const undercut = !spec.internal && isUndercut(spec.teeth, spec.shift ?? 0);
  const shortened = spec.internal && form.tipRadius > form.pitchRadius - spec.moduleMm * (1 - (spec.shift ?? 0)) + 1e-9;
  return [
    ...(shortened ? ['The ring’s teeth are shortened, so that they clear the roots of the gear in it.'] : []),
    ...(form.pointed ? ['The teeth end in a point before their full height: a smaller shift gives them a land.'] : []),
    ...(undercut ? ['The roots are undercut: a shift makes them stronger.'] : []),
    ...(spec.backlashMm
      ? []
      : ['No backlash is taken off. Printed wheels of module 1 to 3 usually want 0.1 to 0.3 mm, cut ones less.']),
    'Print it lying flat: layers across the bending of the teeth are weak.',
    'Printed wheels can burst. Keep their tips below 5 m/s, and put a shield round what turns fast.',
  ];
}
