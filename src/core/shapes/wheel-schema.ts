import * as z from 'zod/mini';
import { MOST_SHIFT } from '../train';

/** The tolerance of outlines where none is given, and the material left between one opening and the next. */
export const USUAL_TOLERANCE_MM = 0.01;
export const LEAST_WALL_MM = 1;

const LEAST_TEETH = 4;
const MOST_TEETH = 2000;
const MOST_HOLES = 24;

const between = (least: number, most: number, error: string) =>
  z.number({ error }).check(z.gte(least, error), z.lte(most, error));
const above0 = (error: string, most = Infinity) => z.number({ error }).check(z.gt(0, error), z.lte(most, error));

/** What is said of measures that are wrong by themselves or against others. */
export const WRONG = {
  backlash: 'The backlash is from 0 to one module.',
  keyway: 'A keyway is wider and deeper than 0 and narrower than the bore.',
  hub: 'A hub is longer than 0, thicker than the hole by 1 mm all round, and stays below the teeth.',
  tolerance: 'The tolerance is from 0.0001 mm to half a module.',
};
const teeth = `The tooth count is a whole number from ${LEAST_TEETH} to ${MOST_TEETH}.`;
const holes = `There are 0 to ${MOST_HOLES} lightening holes.`;

/** A wheel to be cut or printed: its teeth, and what it is mounted with. All in mm. */
export const wheelSchema = z.object({
  teeth: between(LEAST_TEETH, MOST_TEETH, teeth).check(z.int(teeth)),
  /** Across the tooth. */
  moduleMm: between(0.05, 200, 'The module is from 0.05 to 200 mm.'),
  /** Teeth inside: a ring. */
  internal: z.optional(z.boolean()),
  /** Profile shift, in modules. */
  shift: z.optional(
    between(-MOST_SHIFT, MOST_SHIFT, `The profile shift is from -${MOST_SHIFT} to ${MOST_SHIFT} modules.`),
  ),
  /** Of the pair, along the pitch circle; half of it is taken off each wheel. */
  backlashMm: z.optional(between(0, Infinity, WRONG.backlash)),
  widthMm: above0('The width is above 0 and at most 10 000 mm.', 10_000),
  /** At the pitch circle; right-handed above 0. */
  helixDegrees: z.optional(between(-45, 45, 'The helix angle is at most 45°.')),
  /** Left over right hand, which centres itself. */
  herringbone: z.optional(z.boolean()),
  boreMm: z.optional(above0('A hole is wider than 0 mm.')),
  /** A keyway in the bore: its width, and how deep it goes beyond the bore. */
  keyway: z.optional(z.object({ widthMm: above0(WRONG.keyway), deepMm: above0(WRONG.keyway) })),
  /** A square hole instead of a round bore, across flats. */
  squareMm: z.optional(above0('A hole is wider than 0 mm.')),
  hub: z.optional(z.object({ outsideMm: above0(WRONG.hub), longMm: above0(WRONG.hub) })),
  /** So many round holes between hub and rim. */
  lighteningHoles: z.optional(between(0, MOST_HOLES, holes).check(z.int(holes))),
  /** Of a ring: how thick it is outside its roots. */
  rimMm: z.optional(between(LEAST_WALL_MM, Infinity, `The rim is at least ${LEAST_WALL_MM} mm.`)),
  rack: z.optional(
    z.object({
      pressureAngle: z.number(),
      addendum: z.number(),
      dedendum: z.number(),
      rootRadius: z.number(),
    }),
  ),
  /** What is taken off the tips so that they clear the roots of the mate. */
  tipCutMm: z.optional(between(0, Infinity, 'What is taken off the tips is 0 mm or more.')),
  toleranceMm: z.optional(between(1e-4, Infinity, WRONG.tolerance)),
});

export type WheelSpec = Readonly<z.infer<typeof wheelSchema>>;
