import * as z from 'zod/mini';

/** A search for schemes as a file (format "tin-wheel/scheme-search", version 1), see docs/scheme-format.md. */
const teeth = (what: string) => {
  const error = `${what} is a whole number from 4 to 2000.`;
  return z.number({ error }).check(z.int(error), z.gte(4, error), z.lte(2000, error));
};
const ID = 'A set is called by 1 to 30 letters, digits, blanks or hyphens, such as front.';
const id = z.string({ error: ID }).check(z.regex(/^[\p{L}\p{N}][\p{L}\p{N} _-]{0,29}$/u, ID));
const KIND = 'A set is simple, double-pinion or stepped.';
const kind = z.enum(['simple', 'double-pinion'], { error: KIND });
const positive = (what: string, most: number) => {
  const error = `${what} is a number above 0, up to ${most}.`;
  return z.number({ error }).check(z.gt(0, error), z.lte(most, error));
};

const RANGE = 'A range of ring over sun, of a stepped set’s standing ratio, is [least, most], from 1.1 to 20.';
const ringToSun = z.number({ error: RANGE }).check(z.gte(1.1, RANGE), z.lte(20, RANGE));

const counts = z
  .strictObject({ id, kind, sun: teeth('The sun'), ring: teeth('The ring') })
  .check(
    z.refine(({ sun, ring }) => ring > sun + 1, 'A ring has more teeth than its sun, so that planets go between.'),
  );
const steppedCounts = z.strictObject({
  id,
  kind: z.literal('stepped'),
  sun: teeth('The sun'),
  planet: teeth('The planet at the sun'),
  second: teeth('The planet at the ring'),
  ring: teeth('The ring'),
});
const ranged = z.strictObject({
  id,
  kind: z.enum(['simple', 'double-pinion', 'stepped'], { error: KIND }),
  ratio: z
    .tuple([ringToSun, ringToSun], { error: RANGE })
    .check(z.refine(([least, most]) => least <= most, 'The range of a set starts above its end.')),
});
const set = z.union([counts, ranged, steppedCounts], {
  error:
    'A set is {"id", "kind": "simple" or "double-pinion", "sun", "ring"}, or {"id", "kind": "stepped", "sun", ' +
    '"planet", "second", "ring"}, or any kind with "ratio": [least, most] instead of counts.',
});

const ratio = z.union([z.string(), z.number()], { error: 'Write a ratio as "p/q" or as a decimal.' });
const REVERSE = 'reverse is "any", "none" or [least, most] of its size.';
const howMany = (what: string) => {
  const error = `${what} is a whole number from 0 to 12.`;
  return z.number({ error }).check(z.int(error), z.gte(0, error), z.lte(12, error));
};

const limits = z.strictObject({
  memberSpeed: z.optional(positive('The largest member speed', 1000)),
  planetSpeed: z.optional(positive('The largest planet speed', 1000)),
  elementTorque: z.optional(positive('The largest element torque', 1000)),
  recirculation: z.optional(positive('The recirculated power', 1000)),
  efficiency: z.optional(positive('The least efficiency', 1)),
  mesh: z.optional(positive('The efficiency of a mesh', 1)),
  nested: z.optional(z.boolean({ error: 'nested is true or false.' })),
});

const end = z.nullable(
  z.string({ error: 'An end is null, sun, carrier, ring, shaft or one of a set, such as front.ring.' }),
);

/** What a file says that it is. */
export const SCHEME_SEARCH = 'tin-wheel/scheme-search';

export const schemeSearchSchema = z.strictObject({
  format: z.literal(SCHEME_SEARCH, { error: `The format must be "${SCHEME_SEARCH}".` }),
  version: z.literal(1, { error: 'The version must be 1.' }),
  name: z.optional(
    z.string({ error: 'A name is a text.' }).check(z.maxLength(120, 'A name has at most 120 characters.')),
  ),
  sets: z
    .array(set, { error: 'The sets are a list.' })
    .check(z.minLength(1, 'Give at least one set.'), z.maxLength(4, 'At most 4 sets are searched.')),
  wanted: z.strictObject({
    forward: z
      .array(ratio, { error: 'The forward ratios are a list.' })
      .check(
        z.minLength(1, 'Wish for at least one forward ratio.'),
        z.maxLength(20, 'At most 20 ratios are wished for.'),
      ),
    tolerance: positive('The tolerance', 0.5),
    reverse: z.optional(
      z.union([z.enum(['any', 'none']), z.tuple([positive('A reverse', 1000), positive('A reverse', 1000)])], {
        error: REVERSE,
      }),
    ),
  }),
  elements: z.strictObject({
    atMost: howMany('The number of elements'),
    brakes: z.optional(z.nullable(howMany('The number of brakes'))),
    clutches: z.optional(z.nullable(howMany('The number of clutches'))),
  }),
  engaged: z.optional(z.nullable(howMany('The number that is engaged'))),
  single: z.optional(z.enum(['required', 'preferred', 'any'], { error: 'single is required, preferred or any.' })),
  input: z.optional(end),
  output: z.optional(end),
  limits: z.optional(limits),
  limit: z.optional(howManyResults()),
  timeS: z.optional(positive('The time allowed, s,', 86_400)),
});

function howManyResults() {
  const error = 'The number of results is a whole number from 1 to 1000.';
  return z.number({ error }).check(z.int(error), z.gte(1, error), z.lte(1000, error));
}

export type WrittenSchemeSearch = z.infer<typeof schemeSearchSchema>;
