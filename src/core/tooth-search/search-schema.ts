import * as z from 'zod/mini';
import { LIMITS } from '../train';
import { MOST_STAGES } from './chains';

/**
 * A search as a file (format "tin-wheel/search", version 1). Exactly one of stages, planetary, ladder, ranges, outputs
 * and fit says what is looked for.
 */
const ratio = z
  .union([z.string(), z.number()], { error: 'Write a ratio as "p/q" or as a decimal.' })
  .check(z.refine((value) => String(value).length <= 400, 'A ratio has at most 400 digits.'));
const count = (what: string, most: number = LIMITS.teeth) => {
  const error = `${what} is a whole number from 1 to ${most}.`;
  return z.number({ error }).check(z.int(error), z.gte(1, error), z.lte(most, error));
};
const span = (what: string, most?: number) =>
  z
    .tuple([count(what, most), count(what, most)], { error: `${what} is written as [least, most].` })
    .check(z.refine(([least, top]) => least <= top, `${what} starts above its end.`));
const between = (what: string, least: number, most: number) => {
  const error = `${what} is a number from ${least} to ${most}.`;
  return z.number({ error }).check(z.gte(least, error), z.lte(most, error));
};
const yes = (what: string) => z.boolean({ error: `${what} is true or false.` });
const member = z.enum(['sun', 'carrier', 'ring'], { error: 'A member of a set is sun, carrier or ring.' });
const turning = z.enum(['any', 'same', 'opposite'], { error: 'The direction is any, same or opposite.' });
const typed = z
  .string({ error: 'A figure is written as a text, with its unit.' })
  .check(z.maxLength(60, 'A figure has at most 60 characters.'));

const stock = z
  .array(count('A wheel in stock'), { error: 'The stock is a list of tooth counts.' })
  .check(z.minLength(1, 'The stock is empty.'), z.maxLength(400, 'At most 400 wheels can be in stock.'));

const wheels = z
  .strictObject(
    {
      min: z.optional(count('The smallest wheel')),
      max: z.optional(count('The largest wheel')),
      stock: z.optional(stock),
      module: z.optional(between('The module, mm,', 0.01, 100)),
      bore: z.optional(between('The outside of the bearing or bore, mm,', 0, 100_000)),
      wall: z.optional(between('The wall left round it, mm,', 0, 10_000)),
      space: z.optional(between('The largest outside diameter, mm,', 0, 1_000_000)),
      undercut: z.optional(
        z.strictObject({
          pressureAngle: between('The pressure angle, degrees,', 10, 35),
          shift: between('The profile shift, modules,', -1, 1),
        }),
      ),
    },
    {
      error:
        'teeth is written as {"min": 12, "max": 100} or {"stock": [12, 18]}, the ' +
        'least first; a wheel has 1 to 100 000 teeth.',
    },
  )
  .check(
    z.refine(
      ({ min, max }) => min === undefined || max === undefined || min <= max,
      'The smallest wheel is larger than the largest.',
    ),
    z.refine(
      ({ min, max, stock: list }) => list !== undefined || (min !== undefined && max !== undefined),
      'Say which wheels there are: min and max, or stock.',
    ),
  );

export const wantedSchema = z.discriminatedUnion(
  'form',
  [
    z.strictObject({ form: z.literal('ratio'), ratio: typed }),
    z.strictObject({ form: z.literal('speeds'), in: typed, out: typed }),
    z.strictObject({ form: z.literal('period'), in: typed, time: typed }),
    z.strictObject({ form: z.literal('tip'), in: typed, speed: typed, diameter: typed }),
    z.strictObject({ form: z.literal('turns'), in: typed, out: typed }),
  ],
  { error: 'The form of what is wanted is ratio, speeds, period, tip or turns.' },
);

const set = {
  shape: z.optional(
    z.enum(['simple', 'stepped', 'double-pinion'], {
      error: 'The shape of a set is simple, stepped or double-pinion.',
    }),
  ),
  input: member,
  output: member,
  held: member,
  sun: span('The span of the sun', 2000),
  planet: span('The span of the planets', 2000),
  second: z.optional(span('The span of the planet at the ring', 2000)),
  ring: span('The span of the ring', 6000),
  copies: span('The span of the number of planets', 64),
};

export const searchSchema = z.strictObject({
  format: z.literal('tin-wheel/search', { error: 'The format must be "tin-wheel/search".' }),
  version: z.literal(1, { error: 'The version must be 1.' }),
  name: z.optional(
    z.string({ error: 'A name is a text.' }).check(z.maxLength(120, 'A name has at most 120 characters.')),
  ),
  target: z.optional(ratio),
  wanted: z.optional(wantedSchema),
  stages: z.optional(
    z.union([count('The number of stages', MOST_STAGES), span('The number of stages', MOST_STAGES)], {
      error: `Stages are 1 to ${MOST_STAGES}, or [least, most].`,
    }),
  ),
  teeth: z.optional(wheels),
  stock: z.optional(stock),
  perStage: z.optional(
    z
      .array(wheels, { error: 'The limits of each stage are a list, one for each stage.' })
      .check(
        z.minLength(1, 'The limits of each stage are empty.'),
        z.maxLength(MOST_STAGES, `Limits are given for at most ${MOST_STAGES} stages.`),
      ),
  ),
  coprime: z.optional(
    z.enum(['any', 'preferred', 'required'], {
      error: 'Counts without a common factor are any, preferred or required.',
    }),
  ),
  equalCentres: z.optional(yes('“Equal centres”')),
  internal: z.optional(yes('“Internal gears”')),
  turning: z.optional(turning),
  same: z.optional(yes('“The same pair in every stage”')),
  maxError: z.optional(
    z.nullable(
      z
        .number({ error: 'The largest error is a number, or null.' })
        .check(z.gte(0, 'The largest error cannot be below 0.')),
    ),
  ),
  limit: z.optional(count('The number of results', 1000)),
  timeS: z.optional(between('The time limit, s,', 0.1, 86_400)),
  planetary: z.optional(
    z.strictObject({ ...set, uneven: z.optional(yes('“Uneven spacing”')), behind: z.optional(z.strictObject(set)) }),
  ),
  ladder: z.optional(
    z.strictObject({
      from: ratio,
      to: ratio,
      positions: count('The number of positions', LIMITS.positions),
      steps: z.optional(z.enum(['geometric', 'progressive'], { error: 'Steps are geometric or progressive.' })),
      factor: z.optional(between('Each step over the next', 1, 3)),
    }),
  ),
  ranges: z.optional(
    z.strictObject({
      step: between('The step of the ladder', 1.001, 100),
      positions: count('The number of positions', LIMITS.positions),
      ranges: count('The number of ranges', 8),
      first: z.optional(ratio),
    }),
  ),
  outputs: z.optional(
    z
      .array(
        z.strictObject({
          name: z
            .string({ error: 'Name every output.' })
            .check(
              z.regex(
                /^[\p{L}\p{N}][\p{L}\p{N} _.+-]{0,40}$/u,
                'An output’s name starts with a letter or digit and has at most 41.',
              ),
            ),
          target: z.optional(ratio),
          wanted: z.optional(wantedSchema),
          turning: z.optional(turning),
        }),
        { error: 'The outputs are a list of names with their targets.' },
      )
      .check(z.minLength(1, 'Name at least one output.'), z.maxLength(8, 'At most 8 outputs are looked for together.')),
  ),
  firstStages: z.optional(
    z.union(
      [count('The number of stages to the first tap', MOST_STAGES), span('The stages to the first tap', MOST_STAGES)],
      {
        error: `Stages to the first tap are 1 to ${MOST_STAGES}, or [least, most].`,
      },
    ),
  ),
  coaxial: z.optional(yes('“All on one axis”')),
  fit: z.optional(
    z.strictObject({
      train: z.optional(
        z.string({ error: 'Name the file of the train.' }).check(z.minLength(1, 'Name the file of the train.')),
      ),
      free: z.record(z.string(), span('A free count'), { error: 'Free counts name gears with [least, most].' }),
      targets: z.record(z.string(), ratio, { error: 'Targets name positions with their ratios.' }),
      weights: z.optional(
        z.record(
          z.string(),
          z
            .number({ error: 'A weight is a number.' })
            .check(z.gt(0, 'A weight is above 0.'), z.lte(1e6, 'A weight is at most 1 000 000.')),
          { error: 'Weights name positions with numbers.' },
        ),
      ),
      holdCentres: z.optional(yes('“Hold centre distances”')),
    }),
  ),
});

/** A search as it is written. */
export type WrittenSearch = z.infer<typeof searchSchema>;
export type WrittenWheels = z.infer<typeof wheels>;
