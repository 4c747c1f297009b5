import * as z from 'zod/mini';

/**
 * Readings of a train at the bench as a file (format "tin-wheel/log", version 1); docs/log-format.md says what each
 * means.
 */
const number = (what: string, least: number, most = 1e12) => {
  const error = `${what} is a number from ${least} to ${most}.`;
  return z.number({ error }).check(z.gte(least, error), z.lte(most, error));
};
const above = (what: string, most = 1e12) => {
  const error = `${what} is a number above 0.`;
  return z.number({ error }).check(z.gt(0, error), z.lte(most, `${what} is at most ${most}.`));
};
const optional = <T extends z.ZodMiniType>(item: T) => z.optional(z.nullable(item));
const text = (what: string, most: number) =>
  z.string({ error: `${what} is a text.` }).check(z.maxLength(most, `${what} has at most ${most} characters.`));
const id = text('An id', 64).check(z.minLength(1, 'Give the reading an id.'));
const resolution = z.optional(number('The resolution', 0));

/** What every reading says besides what was read. */
const base = {
  id,
  /** The position it was read in, or what was engaged. */
  position: z.optional(text('A position', 120)),
  engaged: z.optional(z.array(text('A coupler', 64), { error: 'What is engaged is a list of couplers.' })),
  flow: z.optional(z.enum(['drive', 'coast'], { error: 'The flow is drive or coast.' })),
  /** The output was loaded, or not. */
  loaded: z.optional(z.boolean({ error: 'Loaded is true or false.' })),
  /** When it was read; ISO 8601. */
  at: z.optional(text('The time', 40)),
  /** The kept revision of the train that it belongs to. */
  revision: z.optional(z.number({ error: 'The revision is a whole number.' })),
  run: z.optional(text('A run', 64)),
  /** What it was read with, by its name on the bench. */
  instrument: z.optional(text('An instrument', 120)),
  /** The import that brought it, which can be taken back as one. */
  import: z.optional(text('An import', 200)),
  note: z.optional(text('A note', 2000)),
  /** Figures that were read in another unit, as they were read, by their fields. */
  asRead: z.optional(z.record(text('A field', 40), text('A figure as it was read', 40))),
  /** The picture that goes with it, by its id. */
  picture: z.optional(text('A picture', 64)),
  /** Read by the simulated bench, not by a person. */
  simulated: z.optional(z.boolean({ error: 'Simulated is true or false.' })),
};
const member = text('A member', 64).check(z.minLength(1, 'Name the member that was read.'));
const inputTurns = z.optional(above('The number of input turns'));
/** The way it turned, seen against the input. */
const way = z.optional(z.enum(['same', 'reverse'], { error: 'The direction is same or reverse.' }));

export const readingSchema = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({
      ...base,
      kind: z.literal('marks'),
      member,
      way,
      marks: above('The number of marks in a turn'),
      passed: above('The number of marks passed'),
      resolution,
      inputTurns,
    }),
    z.strictObject({
      ...base,
      kind: z.literal('turns'),
      member,
      way,
      turns: above('The number of turns'),
      resolution,
      inputTurns,
      against: z.optional(member),
    }),
    z.strictObject({
      ...base,
      kind: z.literal('angle'),
      member,
      way,
      degrees: above('The angle, degrees,'),
      resolution,
      inputTurns,
    }),
    z.strictObject({
      ...base,
      kind: z.literal('frames'),
      member,
      frames: above('The number of frames'),
      frameRate: above('The frame rate'),
      turns: z.optional(above('The number of turns')),
      resolution,
      inputRpm: optional(above('The input speed, rpm,')),
      inputResolution: optional(number('The resolution of the input speed', 0)),
    }),
    z.strictObject({
      ...base,
      kind: z.literal('tachometer'),
      member,
      rpm: above('The speed, rpm,'),
      resolution,
      inputRpm: optional(above('The input speed, rpm,')),
      inputResolution: optional(number('The resolution of the input speed', 0)),
    }),
    z.strictObject({
      ...base,
      kind: z.literal('scale'),
      member,
      grams: above('The force, grams,'),
      resolutionG: z.optional(number('The resolution of the force, grams,', 0)),
      armMm: above('The arm, mm,'),
      resolutionMm: z.optional(number('The resolution of the length, mm,', 0)),
      inputTorqueNm: optional(above('The input torque, N·m,')),
      inputResolutionNm: optional(number('The resolution of the input torque, N·m,', 0)),
    }),
    z.strictObject({
      ...base,
      kind: z.literal('weight'),
      member,
      massKg: above('The mass, kg,'),
      resolutionKg: z.optional(number('The resolution of the mass, kg,', 0)),
      drumMm: above('The diameter of the drum, mm,'),
      resolutionMm: z.optional(number('The resolution of the length, mm,', 0)),
      inputTorqueNm: optional(above('The input torque, N·m,')),
      inputResolutionNm: optional(number('The resolution of the input torque, N·m,', 0)),
    }),
    z.strictObject({
      ...base,
      kind: z.literal('slowing'),
      stallTorqueNm: above('The stall torque, N·m,'),
      freeRpm: above('The no-load speed, rpm,'),
      rpm: above('The speed, rpm,'),
      resolution,
    }),
    z.strictObject({
      ...base,
      kind: z.literal('radii'),
      mesh: text('A mesh', 64),
      radiusMm: above('The radius, mm,'),
      otherMm: above('The other radius, mm,'),
      resolutionMm: z.optional(number('The resolution of the length, mm,', 0)),
    }),
    z.strictObject({
      ...base,
      kind: z.literal('teeth'),
      gear: text('A gear', 64),
      teeth: above('The number of teeth'),
      resolution,
    }),
    z.strictObject({
      ...base,
      kind: z.literal('tip'),
      member,
      diameterMm: above('The diameter, mm,'),
      resolutionMm: z.optional(number('The resolution of the length, mm,', 0)),
      rpm: above('The speed, rpm,'),
      resolution,
    }),
    z.strictObject({
      ...base,
      kind: z.literal('event'),
      part: text('A part', 64),
      what: text('What happened', 2000).check(z.minLength(1, 'Say what happened.')),
    }),
  ],
  {
    error:
      'The kind of a reading is marks, turns, angle, frames, tachometer, scale, ' +
      'weight, slowing, radii, teeth, tip or event.',
  },
);

export const correctionSchema = z.strictObject({
  of: id,
  why: text('Why', 500).check(z.minLength(1, 'Say why it is corrected.')),
  reading: readingSchema,
});

export const runSchema = z.strictObject({
  id,
  name: text('A name', 120),
  at: z.optional(text('The time', 40)),
  built: z.optional(text('What was built', 2000)),
  next: z.optional(text('The next action', 2000)),
});

/** Readings in one log. */
export const MOST_READINGS = 20_000;

export const logSchema = z.strictObject({
  format: z.literal('tin-wheel/log', { error: 'The format must be "tin-wheel/log".' }),
  version: z.literal(1, { error: 'The version must be 1.' }),
  readings: z
    .array(readingSchema, { error: 'The readings are a list.' })
    .check(z.maxLength(MOST_READINGS, `A log has at most ${MOST_READINGS} readings.`)),
  corrections: z.optional(z.array(correctionSchema, { error: 'The corrections are a list.' })),
  runs: z.optional(z.array(runSchema, { error: 'The runs are a list.' })),
});

export type Reading = z.infer<typeof readingSchema>;
export type Correction = z.infer<typeof correctionSchema>;
export type Log = z.infer<typeof logSchema>;
