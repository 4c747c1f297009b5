import { compare, fraction, inverse, neg, parseRational, type Rational } from '../rational';
import { accept, parseJson, placeText, refuse, resultOf, type Problem, type Result } from '../result';
import type { FitTarget } from './fit';
import type { CountSpan } from './planetary';
import { asRatio, type SearchQuestion } from './question';
import { searchSchema, type WrittenSearch, type WrittenWheels } from './search-schema';
import { readWanted, type WantedRatio } from './wanted';
import { wheelsWithin } from './wheel-limits';
import { itemAt, required } from '../required';

/** What is wrong with a search, and where. */
class Refused extends Error {
  constructor(
    readonly path: Problem['path'],
    message: string,
  ) {
    super(message);
  }
}

const MOST = fraction(1_000_000_000_000);
const DEFAULT_FACTOR = 1.05;

/** Reads a search out of a file's text. */
export function readSearch(text: string): Result<SearchQuestion> {
  const json = parseJson(text);
  return json.ok ? readWritten(json.value) : json;
}

/** Reads a search file as it is written, once it is known to ask something. */
export function readSearchFile(text: string): Result<WrittenSearch> {
  const json = parseJson(text);
  if (!json.ok) return json;
  const read = readWritten(json.value);
  return read.ok ? accept(json.value as WrittenSearch) : read;
}

/** The same from what the text says. */
export function readWritten(json: unknown): Result<SearchQuestion> {
  const parsed = resultOf(searchSchema.safeParse(json));
  if (!parsed.ok) return parsed;
  try {
    return accept(questionOf(parsed.value));
  } catch (error) {
    if (error instanceof Refused) return refuse(error.message, error.path);
    throw error;
  }
}

const KINDS = ['stages', 'planetary', 'ladder', 'ranges', 'outputs', 'fit'] as const;

function questionOf(written: WrittenSearch): SearchQuestion {
  // Several outputs say by stages how many pairs stand between one tap and the next.
  const kinds = KINDS.filter((kind) => written[kind] !== undefined && !(kind === 'stages' && written.outputs));
  if (kinds.length !== 1)
    throw new Refused(
      [],
      kinds.length === 0
        ? `Say what is looked for: ${KINDS.slice(0, -1).join(', ')} or fit.`
        : `Ask for one of ${kinds.join(' and ')}, not for both.`,
    );
  return { ...readKind(itemAt(kinds, 0), written), module: written.teeth?.module, timeS: written.timeS ?? null };
}

const readKind = <K extends SearchKey>(kind: K, written: WrittenSearch): AskedOf =>
  READERS[kind](written, required(written[kind]));

type SearchKey = (typeof KINDS)[number];
type DistributiveOmit<T, K extends keyof T> = T extends unknown ? Omit<T, K> : never;
type AskedOf = DistributiveOmit<SearchQuestion, 'module' | 'timeS'>;

/** Each kind of search is read from its own part of the file, and what all have in common. */
type Readers = { readonly [K in SearchKey]: (written: WrittenSearch, asked: NonNullable<WrittenSearch[K]>) => AskedOf };

const READERS: Readers = {
  stages: (written, asked) => {
    const { perStage, coprime = 'any', maxError = null, limit = 20, turning = 'any' } = written;
    const { equalCentres = false, same = false, internal = false } = written;
    const { wanted, ratio: target } = targetOf(written, []);
    const own = perStage?.map((limits, i) => wheelsOf(limits, ['perStage', `${i}`]));
    const wheels =
      own && !written.teeth && !written.stock ? [...new Set(own.flat())].sort((a, b) => a - b) : allWheels(written);
    const counts = spanOf(asked);
    if (own && own.length < itemAt(counts, -1))
      throw new Refused(['perStage'], `${own.length} limits are given for ${counts.at(-1)} stages; give one for each.`);
    const question = { target, wheels, perStage: own, coprime, equalCentres, internal, same, maxError, limit };
    const stock = written.stock !== undefined || written.teeth?.stock !== undefined;
    return { kind: 'chains', stages: counts, wanted, turning, stock, question };
  },
  planetary: (written, asked) => {
    const { maxError = null, limit = 20 } = written;
    const { wanted, ratio: target } = targetOf(written, []);
    const sets = [asked, ...(asked.behind ? [asked.behind] : [])];
    sets.forEach(({ input, output, held, shape, second }, i) => {
      const path = i === 0 ? ['planetary'] : ['planetary', 'behind'];
      if (new Set([input, output, held]).size < 3)
        throw new Refused(path, 'input, output and held are three different members.');
      if ((shape ?? 'simple') !== 'simple' && !second)
        throw new Refused([...path, 'second'], 'give the least and most teeth of the planet gear at the ring.');
    });
    return { kind: 'planetary', wanted, question: { ...asked, target, maxError, limit } };
  },
  ladder: (written, asked) => {
    const { coprime = 'any', limit = 20 } = written;
    const { positions, steps, factor = DEFAULT_FACTOR } = asked;
    if (positions < 2) throw new Refused(['ladder', 'positions'], 'a ladder has at least 2 positions.');
    const [from, to] = [ratioAt(asked.from, ['ladder', 'from']), ratioAt(asked.to, ['ladder', 'to'])];
    const wheels = allWheels(written);
    const even = steps === 'progressive' ? factor : 1;
    return { kind: 'ladder', question: { from, to, positions, factor: even, wheels, coprime, limit } };
  },
  ranges: (written, asked) => {
    const { coprime = 'any', limit = 20 } = written;
    const { step, positions, first = 1 } = asked;
    if (asked.ranges < 2) throw new Refused(['ranges', 'ranges'], 'there are at least 2 ranges.');
    const wheels = allWheels(written);
    const question = { step, positions, ranges: asked.ranges, first: ratioAt(first, ['ranges', 'first']) };
    return { kind: 'ranges', question: { ...question, wheels, coprime, limit } };
  },
  outputs: (written, asked) => {
    const { stages = [1, 2], coprime = 'any', limit = 20 } = written;
    const names = asked.map(({ name }) => name);
    const twice = names.find((name, i) => names.indexOf(name) < i || name === 'input');
    if (twice !== undefined) throw new Refused(['outputs'], `two shafts are called “${twice}”.`);
    const targets = asked.map((output, i) => ({
      name: output.name,
      turning: output.turning,
      ...targetOf(output, ['outputs', `${i}`]),
    }));
    const ends = (span: number | readonly [number, number]) => {
      const counts = spanOf(span);
      return [itemAt(counts, 0), itemAt(counts, -1)] as const;
    };
    const question = {
      outputs: targets.map(({ name, ratio, turning }) => ({ name, target: ratio, turning })),
      stages: ends(stages),
      first: written.firstStages === undefined ? undefined : ends(written.firstStages),
      coaxial: written.coaxial ?? false,
      wheels: allWheels(written),
      coprime,
      limit,
    };
    return { kind: 'outputs', wanted: targets.map(({ wanted }) => wanted), question };
  },
  fit: (written, asked) => {
    const { coprime = 'any', limit = 20 } = written;
    const { free, targets, weights = {}, holdCentres } = asked;
    const wanted = new Map<string, FitTarget>();
    for (const [id, value] of Object.entries(targets)) {
      const [, mark = '', size = ''] = /^\s*([+-]?)(.*)$/s.exec(String(value)) ?? [];
      const ratio = ratioAt(size, ['fit', 'targets', id]);
      wanted.set(id, {
        ratio: mark === '-' ? neg(ratio) : ratio,
        weight: weights[id] ?? 1,
        signed: mark !== '',
      });
    }
    if (wanted.size === 0) throw new Refused(['fit', 'targets'], 'name at least one position with its ratio.');
    if (Object.keys(free).length === 0)
      throw new Refused(['fit', 'free'], 'free at least one gear, and say its least and most teeth.');
    const stray = Object.keys(weights).find((id) => !wanted.has(id));
    if (stray !== undefined) throw new Refused(['fit', 'weights'], `position "${stray}" has no target.`);
    const spans = new Map<string, CountSpan>(Object.entries(free));
    return {
      kind: 'fit',
      file: asked.train,
      question: { free: spans, targets: wanted, coprime, holdCentres, limit },
    };
  },
};

/** One count or [least, most] as all of them. */
function spanOf(stages: number | readonly [number, number]): readonly number[] {
  const [least, most] = typeof stages === 'number' ? [stages, stages] : stages;
  return Array.from({ length: most - least + 1 }, (_, i) => least + i);
}

function targetOf(
  { target, wanted }: { readonly target?: string | number | undefined; readonly wanted?: WantedRatio | undefined },
  path: readonly string[],
): { readonly wanted: WantedRatio; readonly ratio: Rational } {
  const place = placeText([...path, '']);
  if (target !== undefined && wanted) throw new Refused([], `${place}target and ${place}wanted: give one of them.`);
  if (!wanted) return { wanted: asRatio(target ?? ''), ratio: ratioAt(target, [...path, 'target']) };
  const read = readWanted(wanted);
  if (read.ok) return { wanted, ratio: read.value.ratio };
  const [{ path: field, message }] = read.problems;
  throw new Refused([...path, 'wanted', ...field.map(String)], message);
}

/** A ratio above 0, at most 10^12 and at least 10^-12. */
function ratioAt(value: string | number | undefined, path: readonly string[]): Rational {
  if (value === undefined) throw new Refused(path, 'give the wanted ratio, input speed over output speed.');
  const read = parseRational(String(value));
  if (!read) throw new Refused(path, `"${String(value).slice(0, 40)}" is no number; write "p/q" or a decimal.`);
  if (compare(read, fraction(0)) <= 0)
    throw new Refused(path, 'the ratio must be above 0; whether it turns the other way is a matter of idlers.');
  if (compare(read, MOST) > 0) throw new Refused(path, 'the ratio can be at most 10^12.');
  if (compare(inverse(read), MOST) > 0) throw new Refused(path, 'the ratio is at least 10^-12.');
  return read;
}

function allWheels({ teeth, stock }: WrittenSearch): readonly number[] {
  if (teeth && stock) throw new Refused([], 'teeth and stock: give one of them.');
  if (!teeth && !stock) throw new Refused([], 'Say which wheels there are: teeth with min and max, or stock.');
  return wheelsOf(teeth ?? { stock: required(stock) }, ['teeth']);
}

function wheelsOf(limits: WrittenWheels, path: readonly string[]): readonly number[] {
  const found = wheelsWithin(limits);
  if (found.ok) return found.value.wheels;
  // What stands against each other is said of all the wheels: the file's places stay as they were.
  throw new Refused(path, found.problems[0].message);
}
