import { circleLoop, gearOutline, polar, type Loop, type ToothSpec } from '../shapes';

/** How finely a body is made: the more teeth a train has, the plainer each of them. */
export interface Detail {
  /** Flat sides of what is turned. */
  readonly sides: number;
  /** A tooth's line, about the z axis; of a ring the line of its hole, clockwise. */
  readonly outline: (spec: ToothSpec) => Loop;
  readonly circle: (radius: number) => Loop;
}

interface Level {
  /** How near teeth are to their true line, in modules; null where each has four corners. */
  readonly tolerance: number | null;
  readonly sides: number;
}

/** Up to so many teeth in all, planets each counted. */
const LEVELS: readonly (Level & { readonly teeth: number })[] = [
  { teeth: 1200, tolerance: 0.03, sides: 72 },
  { teeth: 3000, tolerance: 0.12, sides: 48 },
  { teeth: Infinity, tolerance: null, sides: 20 },
];
/** For machines that cannot turn more in time. */
const PLAIN: Level = { tolerance: null, sides: 14 };

export const detailFor = (teeth: number): Detail => detailOf(LEVELS.find((level) => teeth <= level.teeth) ?? PLAIN);

export const plainDetail = (): Detail => detailOf(PLAIN);

function detailOf({ tolerance, sides }: Level): Detail {
  const known = new Map<string, Loop>();
  return {
    sides,
    outline: (spec) => {
      const key = JSON.stringify(spec);
      const loop =
        known.get(key) ?? (tolerance === null ? plainTeeth(spec) : gearOutline(spec, tolerance * spec.moduleMm));
      known.set(key, loop);
      return loop;
    },
    circle: (radius) => evenCircle(radius, sides),
  };
}

const evenCircle = (radius: number, sides: number): Loop =>
  Array.from({ length: sides }, (_, i) => polar(radius, (2 * Math.PI * i) / sides));

/** Teeth of four corners each. */
function plainTeeth(spec: ToothSpec): Loop {
  const { teeth, moduleMm, internal = false } = spec;
  const pitch = (teeth * moduleMm) / (2 * Math.cos(((spec.helixDegrees ?? 0) * Math.PI) / 180));
  const [inner, outer] = internal
    ? [pitch - moduleMm, pitch + 1.25 * moduleMm]
    : [pitch - 1.25 * moduleMm, pitch + moduleMm];
  const step = (2 * Math.PI) / teeth;
  const loop = Array.from({ length: teeth }, (_, i) =>
    (
      [
        [inner, -0.38],
        [outer, -0.14],
        [outer, 0.14],
        [inner, 0.38],
      ] as const
    ).map(([radius, part]) => polar(Math.max(0.1 * moduleMm, radius), step * (i + part))),
  ).flat();
  return internal ? loop.reverse() : loop;
}

/** A circle somewhere else than on the axis, counter-clockwise. */
export const circleAt = (radius: number, x: number, y: number): Loop => circleLoop(radius, 0.01 * radius, { x, y });
