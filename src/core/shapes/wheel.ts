import { circleLoop, loopArea, reversed, type Loop, type LoopPoint } from './loop';
import { gearOutline } from './gear-outline';
import { accept, refuse, resultOf, type Result } from '../result';
import { isUndercut, toothForm } from './tooth-form';
import { STANDARD_RACK } from './rack';
import { boreReach, contradictionIn } from './wheel-rules';
import { LEAST_WALL_MM, USUAL_TOLERANCE_MM, wheelSchema, type WheelSpec } from './wheel-schema';

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

/** The lines of a wheel, or what is wrong with its measures and where. */
export function readWheel(measures: unknown): Result<ShapedGear> {
  const read = resultOf(wheelSchema.safeParse(measures));
  if (!read.ok) return read;
  const spec = read.value;
  const wrong = contradictionIn(spec);
  if (wrong) return wrong;
  const tolerance = spec.toleranceMm ?? USUAL_TOLERANCE_MM;
  const teeth = gearOutline(spec, tolerance);
  if (spec.internal) {
    const outer = circleLoop(toothForm(spec).rootRadius + (spec.rimMm ?? usualRim(spec)), tolerance);
    return accept(shaped(spec, outer, [teeth]));
  }
  const bore = boreLoop(spec, tolerance);
  const lightening = lighteningLoops(spec, tolerance);
  return lightening.ok
    ? accept(shaped(spec, teeth, [...(bore ? [reversed(bore)] : []), ...lightening.value]))
    : lightening;
}

const shaped = (spec: WheelSpec, outer: Loop, holes: readonly Loop[]): ShapedGear => ({
  spec,
  outer,
  holes,
  areaMm2: [outer, ...holes].reduce((sum, loop) => sum + loopArea(loop), 0),
  hints: hintsOf(spec),
});

/** Round holes between the bore or hub and the teeth, as large as there is room for. */
function lighteningLoops(spec: WheelSpec, tolerance: number): Result<readonly Loop[]> {
  const count = spec.lighteningHoles ?? 0;
  if (count === 0) return accept([]);
  const from = Math.max(boreReach(spec), (spec.hub?.outsideMm ?? 0) / 2) + 2 * LEAST_WALL_MM;
  const to = toothForm(spec).rootRadius - 2 * LEAST_WALL_MM;
  const centre = (from + to) / 2;
  const radius = Math.min((to - from) / 2, centre * Math.sin(Math.PI / count) - LEAST_WALL_MM);
  if (radius < 1)
    return refuse(`There is no room for ${count} holes between the bore or hub and the teeth.`, ['lighteningHoles']);
  return accept(
    Array.from({ length: count }, (_, i) => {
      const angle = (2 * Math.PI * (i + 0.5)) / count;
      return reversed(circleLoop(radius, tolerance, { x: centre * Math.cos(angle), y: centre * Math.sin(angle) }));
    }),
  );
}

export const usualRim = ({ moduleMm }: Pick<WheelSpec, 'moduleMm'>): number => 3 * moduleMm;

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
  const undercut = !spec.internal && isUndercut(spec);
  const { addendum } = spec.rack ?? STANDARD_RACK;
  const shortened =
    spec.internal && form.tipRadius > form.pitchRadius - spec.moduleMm * (addendum - (spec.shift ?? 0)) + 1e-9;
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
