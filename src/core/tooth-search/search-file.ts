import * as z from 'zod/mini';
import { compare, fraction, parseRational, type Rational } from '../rational';
import { LIMITS, pathText } from '../train';
import { MOST_STAGES, type ChainQuestion } from './chains';
import type { LadderQuestion } from './ladder';
import type { FitQuestion } from './fit';
import type { PlanetaryQuestion, Span } from './planetary';
import type { Coprime } from './stage-fractions';

/** A search as a file (format "tin-wheel/search", version 1). Exactly one of stages, planetary, ladder and fit says what is looked for. */
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
const member = z.enum(['sun', 'carrier', 'ring'], { error: 'A member of a set is sun, carrier or ring.' });

const stock = z
  .array(count('A wheel in stock'), { error: 'The stock is a list of tooth counts.' })
  .check(z.minLength(1, 'The stock is empty.'), z.maxLength(400, 'At most 400 wheels can be in stock.'));

const wheels = z.union(
  [
    z
      .strictObject({ min: count('The smallest wheel'), max: count('The largest wheel') })
      .check(z.refine(({ min, max }) => min <= max, 'The smallest wheel is larger than the largest.')),
    z.strictObject({ stock }),
  ],
  {
    error:
      'teeth is written as {"min": 12, "max": 100} or {"stock": [12, 18]}, the least first; a wheel has 1 to 100 000 teeth.',
  },
);

const searchSchema = z.strictObject({
  format: z.literal('tin-wheel/search', { error: 'The format must be "tin-wheel/search".' }),
  version: z.literal(1, { error: 'The version must be 1.' }),
  target: z.optional(ratio),
  stages: z.optional(
    z.union([count('The number of stages', MOST_STAGES), span('The number of stages', MOST_STAGES)], {
      error: `Stages are 1 to ${MOST_STAGES}, or [least, most].`,
    }),
  ),
  teeth: z.optional(wheels),
  stock: z.optional(stock),
  coprime: z.optional(z.enum(['any', 'required'], { error: 'coprime is "any" or "required".' })),
  equalCentres: z.optional(z.boolean({ error: 'equalCentres is true or false.' })),
  same: z.optional(z.boolean({ error: 'same is true or false.' })),
  maxError: z.optional(
    z.nullable(z.number({ error: 'maxError is a number or null.' }).check(z.gte(0, 'maxError cannot be below 0.'))),
  ),
  limit: z.optional(count('limit', 1000)),
  planetary: z.optional(
    z.strictObject({
      input: member,
      output: member,
      held: member,
      sun: span('sun', 2000),
      planet: span('planet', 2000),
      ring: span('ring', 6000),
      copies: span('copies', 64),
    }),
  ),
  ladder: z.optional(
    z.strictObject({
      from: ratio,
      to: ratio,
      positions: count('The number of positions', LIMITS.positions),
      steps: z.optional(z.enum(['geometric', 'progressive'], { error: 'steps is "geometric" or "progressive".' })),
      factor: z.optional(
        z
          .number({ error: 'factor is a number.' })
          .check(z.gte(1, 'factor is at least 1.'), z.lte(3, 'factor is at most 3.')),
      ),
    }),
  ),
  fit: z.optional(
    z.strictObject({
      train: z.string({ error: 'Name the file of the train.' }).check(z.minLength(1, 'Name the file of the train.')),
      free: z.record(z.string(), span('A free count'), { error: 'free names gears with [least, most].' }),
      targets: z.record(z.string(), ratio, { error: 'targets names positions with their ratios.' }),
      weights: z.optional(
        z.record(
          z.string(),
          z
            .number({ error: 'A weight is a number.' })
            .check(z.gt(0, 'A weight is above 0.'), z.lte(1e6, 'A weight is at most 1 000 000.')),
          { error: 'weights names positions with numbers.' },
        ),
      ),
    }),
  ),
});

/** A fit as it is written: the train is another file. */
export interface WrittenFit {
  readonly file: string;
  readonly free: ReadonlyMap<string, Span>;
  readonly targets: FitQuestion['targets'];
  readonly coprime: Coprime;
  readonly limit: number;
}

/** What a search file asks. */
export type Question =
  | { readonly kind: 'chains'; readonly stages: readonly number[]; readonly question: Omit<ChainQuestion, 'stages'> }
  | { readonly kind: 'planetary'; readonly question: PlanetaryQuestion }
  | { readonly kind: 'ladder'; readonly question: LadderQuestion }
  | { readonly kind: 'fit'; readonly question: WrittenFit };

export type ReadQuestion =
  { readonly ok: true; readonly value: Question } | { readonly ok: false; readonly message: string };

const MOST = fraction(1_000_000_000_000);
/** So many wheels are looked through: more make more fractions than a memory holds. */
const MOST_WHEELS = 1000;
const DEFAULT_FACTOR = 1.05;

/** Reads a search out of a file's text. What is wrong is one sentence that names the place. */
export function readSearch(text: string): ReadQuestion {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return refused(`This is not JSON: ${error instanceof Error ? error.message : String(error)}`);
  }
  const parsed = searchSchema.safeParse(json);
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    const place = pathText(issue!.path as (string | number)[]);
    return refused(
      `${place ? `${place}: ` : ''}${issue!.code === 'unrecognized_keys' ? `There is no such field: ${issue!.keys.join(', ')}.` : issue!.message}`,
    );
  }
  const { planetary, ladder, fit, stages, limit = 20, coprime = 'any', maxError = null, ...rest } = parsed.data;
  const kinds = [stages !== undefined && 'stages', planetary && 'planetary', ladder && 'ladder', fit && 'fit'].filter(
    Boolean,
  );
  if (kinds.length !== 1)
    return refused(
      kinds.length === 0
        ? 'Say what is looked for: stages, planetary, ladder or fit.'
        : `Ask for one of ${kinds.join(' and ')}, not for both.`,
    );
  if (planetary) {
    const target = readRatio(rest.target, 'target');
    if (typeof target === 'string') return refused(target);
    const { input, output, held } = planetary;
    if (new Set([input, output, held]).size < 3)
      return refused('planetary: input, output and held are three different members.');
    return { ok: true, value: { kind: 'planetary', question: { ...planetary, target, maxError, limit } } };
  }
  if (fit) {
    const { free, targets, weights = {} } = fit;
    const wanted = new Map<string, { ratio: Rational; weight: number }>();
    for (const [id, written] of Object.entries(targets)) {
      const ratioOf = readRatio(String(written).replace(/^-/, ''), `fit.targets.${id}`);
      if (typeof ratioOf === 'string') return refused(ratioOf);
      wanted.set(id, { ratio: ratioOf, weight: weights[id] ?? 1 });
    }
    if (wanted.size === 0) return refused('fit.targets: name at least one position with its ratio.');
    if (Object.keys(free).length === 0) return refused('fit.free: name at least one gear with [least, most].');
    const stray = Object.keys(weights).find((id) => !wanted.has(id));
    if (stray !== undefined) return refused(`fit.weights: position "${stray}" has no target.`);
    const question = { file: fit.train, free: new Map(Object.entries(free)), targets: wanted, coprime, limit };
    return { ok: true, value: { kind: 'fit', question } };
  }
  const own = wheelsOf(rest.teeth, rest.stock);
  if (typeof own === 'string') return refused(own);
  if (ladder) {
    const [from, to] = [readRatio(ladder.from, 'ladder.from'), readRatio(ladder.to, 'ladder.to')];
    if (typeof from === 'string') return refused(from);
    if (typeof to === 'string') return refused(to);
    if (ladder.positions < 2) return refused('ladder.positions: a ladder has at least 2 positions.');
    const factor = ladder.steps === 'progressive' ? (ladder.factor ?? DEFAULT_FACTOR) : 1;
    const question = { from, to, positions: ladder.positions, factor, wheels: own, coprime, limit };
    return { ok: true, value: { kind: 'ladder', question } };
  }
  const target = readRatio(rest.target, 'target');
  if (typeof target === 'string') return refused(target);
  const [least, most] = typeof stages === 'number' ? [stages, stages] : (stages as readonly [number, number]);
  const { equalCentres = false, same = false } = rest;
  return {
    ok: true,
    value: {
      kind: 'chains',
      stages: Array.from({ length: most - least + 1 }, (_, i) => least + i),
      question: { target, wheels: own, coprime, equalCentres, same, maxError, limit },
    },
  };
}

const refused = (message: string): ReadQuestion => ({ ok: false, message });

/** A ratio above 0 and at most 10^12, or what is wrong with it. */
function readRatio(value: string | number | undefined, place: string): Rational | string {
  if (value === undefined) return `${place}: give the wanted ratio, input speed over output speed.`;
  const read = parseRational(String(value));
  if (!read) return `${place}: "${String(value).slice(0, 40)}" is no number; write "p/q" or a decimal.`;
  if (compare(read, fraction(0)) <= 0)
    return `${place}: the ratio must be above 0; whether it turns the other way is a matter of idlers.`;
  return compare(read, MOST) > 0 ? `${place}: the ratio can be at most 10^12.` : read;
}

function wheelsOf(
  teeth: { readonly min: number; readonly max: number } | { readonly stock: readonly number[] } | undefined,
  inStock: readonly number[] | undefined,
): readonly number[] | string {
  if (teeth && inStock) return 'teeth and stock: give one of them.';
  const list = inStock ?? (teeth && 'stock' in teeth ? teeth.stock : undefined);
  if (list) return [...new Set(list)].sort((a, b) => a - b);
  if (!teeth || 'stock' in teeth) return 'Say which wheels there are: teeth with min and max, or stock.';
  const many = teeth.max - teeth.min + 1;
  return many > MOST_WHEELS
    ? `teeth: ${many} different wheels are too many to cover; at most ${MOST_WHEELS}.`
    : Array.from({ length: many }, (_, i) => teeth.min + i);
}
