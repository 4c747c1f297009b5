import {
  readQuantity,
  SPEED_UNITS,
  TORQUE_UNITS,
  type RatioConvention,
  type SpeedUnit,
  type TorqueUnit,
} from '@/core/units';
import { OWN_WORDS, WORD_CHOICES, type PartWords } from '@/core/words';
import type { SetSchool } from '@/core/working';
import { parseArguments } from './arguments';
import { UsageError } from './usage-error';

export { UsageError };

export interface Options {
  readonly file: string;
  readonly position?: string;
  /** Ends of a shift; both or none. */
  readonly from?: string;
  readonly to?: string;
  readonly speed?: { readonly value: number; readonly unit: SpeedUnit };
  readonly torque?: { readonly value: number; readonly unit: TorqueUnit };
  /** What holds the outputs, N·m. */
  readonly loads: readonly { readonly output: string; readonly torqueNm: number }[];
  /** Where selectors stand, mm. */
  readonly at: ReadonlyMap<string, number>;
  readonly losses: boolean;
  readonly reverse: boolean;
  readonly convention: RatioConvention;
  readonly sets: SetSchool;
  /** What parts are called. */
  readonly words: PartWords;
  /** A scenario's file. */
  readonly scenario?: string;
  /** The file of a log, and of what was seen. */
  readonly log?: string;
  readonly seen?: string;
  /** Of questions: the seed that chooses them, how many, of which skill; as written. */
  readonly seed?: string;
  readonly count?: string;
  readonly skill?: string;
  readonly csv: boolean;
  readonly markdown: boolean;
  /** Of a sheet, and of a body. */
  readonly format?: string;
  /** The file that is written. */
  readonly output?: string;
}

const KINDS = {
  position: 'string',
  from: 'string',
  to: 'string',
  speed: 'string',
  torque: 'string',
  load: 'several',
  at: 'several',
  convention: 'string',
  sets: 'string',
  words: 'string',
  scenario: 'string',
  log: 'string',
  seen: 'string',
  seed: 'string',
  count: 'string',
  skill: 'string',
  format: 'string',
  output: 'string',
  csv: 'boolean',
  markdown: 'boolean',
  losses: 'boolean',
  'reverse-flow': 'boolean',
} as const;

export type OptionName = keyof typeof KINDS;

/** Reads one FILE and the options that a command knows. @throws UsageError */
export function readOptions(argv: readonly string[], allowed: readonly OptionName[]): Options {
  const { values: found, positionals } = parseArguments(argv, kindsOf(allowed));
  const values = found as Values;
  const [file, ...extra] = positionals;
  if (file === undefined) throw new UsageError('name the train file.');
  if (extra.length > 0) throw new UsageError(`one train file at a time; "${extra[0]}" is one too many.`);
  if ((values.from === undefined) !== (values.to === undefined))
    throw new UsageError('--from and --to go together: name both positions, or none for all neighbours.');
  const convention = values.convention ?? 'in/out';
  if (convention !== 'in/out' && convention !== 'out/in') throw new UsageError('--convention is in/out or out/in.');
  const sets = values.sets ?? 'formula';
  if (sets !== 'formula' && sets !== 'table') throw new UsageError('--sets is formula or table.');
  return {
    file,
    position: values.position,
    from: values.from,
    to: values.to,
    speed:
      values.speed === undefined
        ? undefined
        : quantity(values.speed, Object.keys(SPEED_UNITS) as SpeedUnit[], '--speed'),
    torque:
      values.torque === undefined
        ? undefined
        : quantity(values.torque, Object.keys(TORQUE_UNITS) as TorqueUnit[], '--torque'),
    loads: (values.load ?? []).map(readLoad),
    at: new Map((values.at ?? []).map(readPlace)),
    losses: values.losses ?? false,
    reverse: values['reverse-flow'] ?? false,
    convention,
    scenario: values.scenario,
    log: values.log,
    seen: values.seen,
    seed: values.seed,
    count: values.count,
    skill: values.skill,
    csv: values.csv ?? false,
    markdown: values.markdown ?? false,
    format: values.format,
    output: values.output,
    sets,
    words: readWords(values.words),
  };
}

/** "layshaft,annulus": a word for each part that is to be called otherwise. */
function readWords(text = ''): PartWords {
  const words: Record<string, string> = { ...OWN_WORDS };
  for (const word of text
    .split(',')
    .map((one) => one.trim().toLowerCase())
    .filter(Boolean)) {
    const found = Object.entries(WORD_CHOICES).find(([, choices]) => (choices as readonly string[]).includes(word));
    if (!found)
      throw new UsageError(
        `--words takes ${Object.values(WORD_CHOICES).flat().join(', ')}; "${word}" is none of them.`,
      );
    words[found[0]] = word;
  }
  return words as unknown as PartWords;
}

/** What the options come to, by their kinds. */
type Values = {
  readonly [K in OptionName]?: (typeof KINDS)[K] extends 'boolean'
    ? boolean
    : (typeof KINDS)[K] extends 'several'
      ? readonly string[]
      : string;
};

const kindsOf = (allowed: readonly OptionName[]) =>
  Object.fromEntries(
    allowed.map((name) => [
      name,
      KINDS[name] === 'several'
        ? { type: 'string' as const, multiple: true }
        : { type: KINDS[name], ...(name === 'output' && { short: 'o' }) },
    ]),
  );

/** "hand=0.2Nm". @throws UsageError */
function readLoad(text: string): { output: string; torqueNm: number } {
  const [output, amount] = named('--load', text, 'an output and its torque, such as hand=0.2Nm');
  const read = readQuantity(amount, Object.keys(TORQUE_UNITS) as TorqueUnit[], null, `--load ${output}`, 'any');
  if (!read.ok) throw new UsageError(read.problems[0].message);
  return { output, torqueNm: read.value.value * TORQUE_UNITS[read.value.unit] };
}

/** "sleeve=4". @throws UsageError */
function readPlace(text: string): readonly [string, number] {
  const [selector, place] = named('--at', text, 'a selector and its place in mm, such as sleeve=4');
  const mm = place.trim() === '' ? NaN : Number(place.replace(/mm$/, ''));
  if (!Number.isFinite(mm)) throw new UsageError(`--at ${selector}: "${place.slice(0, 40)}" is not a number of mm.`);
  return [selector, mm];
}

/** What stands before and after the last "=". @throws UsageError */
function named(option: string, text: string, means: string): readonly [string, string] {
  const at = text.lastIndexOf('=');
  if (at <= 0) throw new UsageError(`${option} is ${means}.`);
  return [text.slice(0, at), text.slice(at + 1)];
}

function quantity<U extends string>(text: string, units: readonly U[], name: string): { value: number; unit: U } {
  const read = readQuantity(text, units, null, name);
  if (!read.ok) throw new UsageError(read.problems[0].message);
  return read.value;
}
