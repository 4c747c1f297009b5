import * as z from 'zod/mini';
import { LIMITS } from '../train';
import { itemAt } from '../required';

/**
 * Motor, load, inertias and shift rule as a file (format "tin-wheel/scenario", version 1); docs/scenario-format.md says
 * what each means.
 */
const number = (what: string, least: number, most: number) => {
  const error = `${what} is a number from ${least} to ${most}.`;
  return z.number({ error }).check(z.gte(least, error), z.lte(most, error));
};
const above = (what: string, most: number) => {
  const error = `${what} is a number above 0, at most ${most}.`;
  return z.number({ error }).check(z.gt(0, error), z.lte(most, error));
};
const optional = <T extends z.ZodMiniType>(item: T) => z.optional(z.nullable(item));
const positionId = z.string({ error: 'Name a position by its id.' });
const pairs = (what: string, least: number) =>
  z
    .array(z.tuple([number(`${what}, the first figure`, 0, 1e7), number(`${what}, the second figure`, -1e9, 1e9)]), {
      error: `${what} is a list of pairs of numbers.`,
    })
    .check(
      z.minLength(least, `${what} has at least ${least} points.`),
      z.maxLength(10_000, `${what} has at most 10 000 points.`),
      z.refine(
        (points) => points.every(([x], i) => i === 0 || x > itemAt(points, i - 1)[0]),
        `${what}: the first figures must rise from point to point.`,
      ),
    );

/** A run lasts at most so long, and keeps at most so many samples. */
export const MOST_SECONDS = 3600;
export const MOST_SAMPLES = 400_000;
export const SAMPLE_S = 0.01;

export const motorSchema = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({
      kind: z.literal('linear'),
      stallTorqueNm: above('The stall torque, N·m,', 1e9),
      noLoadRpm: above('The no-load speed, rpm,', 1e7),
      supply: z.optional(above('The supply, a fraction,', 10)),
    }),
    z.strictObject({ kind: z.literal('table'), points: pairs('The measured line', 2) }),
    z.strictObject({
      kind: z.literal('hand'),
      torqueNm: above('The torque by hand, N·m,', 1e6),
      rpm: above('The speed by hand, rpm,', 1e5),
    }),
  ],
  { error: 'The kind of a motor is linear, table or hand.' },
);

export const loadSchema = z.strictObject({
  constantNm: optional(number('The constant load, N·m,', -1e9, 1e9)),
  linearNmPerRadS: optional(number('The load with speed, N·m s,', 0, 1e9)),
  squareNmPerRadS2: optional(number('The load with the square of speed, N·m s²,', 0, 1e9)),
  profile: optional(pairs('The profile', 1)),
  massKg: optional(above('The mass, kg,', 1e9)),
  wheelDiameterMm: optional(above('The diameter of wheel or drum, mm,', 1e6)),
  /** A hanging mass is let down: it drives. */
  lowering: optional(z.boolean({ error: 'Lowering is true or false.' })),
  grade: optional(number('The grade, rise over run,', -10, 10)),
  rolling: optional(number('The rolling drag, part of the weight,', 0, 10)),
  /** Air drag at the rim of the wheel, N at 1 m/s; with the square of the speed. */
  airNAt1MS: optional(number('The air drag, N at 1 m/s,', 0, 1e6)),
});

const thresholds = z.record(z.string(), z.number({ error: 'A threshold is a number.' }), {
  error: 'Thresholds name positions with numbers.',
});

/**
 * What feels when to shift. A spring turns by (torque − preload) / stiffness, its damping over its stiffness is the
 * time in which it follows.
 */
export const detectorSchema = z.strictObject({
  /** Where the torque is felt: at the output, or before the selector, as the motor's speed tells it. */
  feels: z.optional(z.enum(['output', 'motor'], { error: 'A detector feels the output or the motor.' })),
  /** Time constant with which the detector follows, s. */
  lagS: optional(number('The time in which the detector follows, s,', 0, 100)),
  stiffnessNmPerDeg: optional(above('The stiffness, N·m per degree,', 1e6)),
  preloadNm: optional(number('The preload, N·m,', 0, 1e9)),
  dampingNmSPerDeg: optional(number('The damping, N·m s per degree,', 0, 1e6)),
  /** A detent lets the lever go at one torque and takes it back at a smaller one. */
  detentOnNm: optional(above('The torque that releases the detent, N·m,', 1e9)),
  detentOffNm: optional(number('The torque at which the detent catches again, N·m,', 0, 1e9)),
  /** Arm of a scale that shows the same torque as a force. */
  armMm: optional(above('The arm of the scale, mm,', 1e6)),
});

const ruleSchema = z.strictObject({
  cue: z.enum(['speed', 'torque', 'hand'], { error: 'A cue is speed, torque or hand.' }),
  down: z.optional(thresholds),
  up: z.optional(thresholds),
  detector: z.optional(detectorSchema),
  minimumS: z.optional(number('The minimum time in a position, s,', 0, 1e5)),
  shiftS: z.optional(number('The time that a shift takes, s,', 0, 1e4)),
  between: z.optional(
    z.enum(['neutral', 'overlap', 'one-way'], { error: 'Between two positions there is neutral, overlap or one-way.' }),
  ),
  /** A drum goes through every position on the way; else it goes straight to the one that is wanted. */
  path: z.optional(z.enum(['direct', 'sequence'], { error: 'The path is direct or sequence.' })),
  schedule: z.optional(
    z.array(z.tuple([number('A time of the schedule, s,', 0, 1e6), positionId]), {
      error: 'The schedule is a list of [time, position].',
    }),
  ),
});

export const scenarioSchema = z.strictObject({
  format: z.literal('tin-wheel/scenario', { error: 'The format must be "tin-wheel/scenario".' }),
  version: z.literal(1, { error: 'The version must be 1.' }),
  name: z.optional(
    z.string({ error: 'A name is a text.' }).check(z.maxLength(120, 'A name has at most 120 characters.')),
  ),
  motor: motorSchema,
  load: loadSchema,
  inertia: z.optional(
    z.strictObject({
      inputKgM2: z.optional(number('The inertia of the motor, kg m²,', 0, 1e9)),
      outputKgM2: z.optional(number('The inertia at the output, kg m²,', 0, 1e9)),
      /** Of members by their ids, about their own axes. */
      membersKgM2: z.optional(
        z.record(z.string(), number('The inertia of a member, kg m²,', 0, 1e9), {
          error: 'Inertias name members with numbers.',
        }),
      ),
    }),
  ),
  order: z
    .array(positionId, { error: 'The order is a list of positions.' })
    .check(
      z.minLength(1, 'The order names at least one position.'),
      z.maxLength(LIMITS.positions, 'The order is too long.'),
    ),
  start: z.optional(
    z.strictObject({
      position: positionId,
      outputRpm: z.optional(number('The output speed at the start, rpm,', 0, 1e7)),
    }),
  ),
  rule: z.optional(ruleSchema),
  durationS: z.optional(above('The length of a run, s,', MOST_SECONDS)),
  /** Time between two samples. */
  sampleS: z.optional(number('The time between two samples, s,', 0.001, 10)),
  losses: z.optional(z.boolean({ error: 'Losses are true or false.' })),
  /** (T/T₀)² that people allow the motor for continuous running. */
  heatLimit: optional(above('The continuous limit, a fraction,', 1)),
});

/** A scenario as it is written. */
export type Scenario = z.infer<typeof scenarioSchema>;
export type Motor = z.infer<typeof motorSchema>;
export type WrittenLoad = z.infer<typeof loadSchema>;
export type Rule = z.infer<typeof ruleSchema>;
export type Detector = z.infer<typeof detectorSchema>;
