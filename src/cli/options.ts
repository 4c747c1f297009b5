import { parseArgs } from 'node:util';
import {
  readQuantity,
  SPEED_UNITS,
  TORQUE_UNITS,
  type RatioConvention,
  type SpeedUnit,
  type TorqueUnit,
} from '@/core/units';
import type { SetSchool } from '@/core/working';

/** Wrong use or bad input: its message is the one line that is printed. */
export class UsageError extends Error {}

export interface Options {
  readonly file: string;
  readonly position?: string;
  /** Ends of a shift; both or none. */
  readonly from?: string;
  readonly to?: string;
  readonly speed?: { readonly value: number; readonly unit: SpeedUnit };
  readonly torque?: { readonly value: number; readonly unit: TorqueUnit };
  readonly losses: boolean;
  readonly reverse: boolean;
  readonly convention: RatioConvention;
  readonly sets: SetSchool;
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
  /** Of a sheet. */
  readonly format?: string;
}

const KINDS = {
  position: 'string',
  from: 'string',
  to: 'string',
  speed: 'string',
  torque: 'string',
  convention: 'string',
  sets: 'string',
  scenario: 'string',
  log: 'string',
  seen: 'string',
  seed: 'string',
  count: 'string',
  skill: 'string',
  format: 'string',
  csv: 'boolean',
  markdown: 'boolean',
  losses: 'boolean',
  'reverse-flow': 'boolean',
} as const;

export type OptionName = keyof typeof KINDS;

/** Reads one FILE and the options that a command knows. @throws UsageError */
export function readOptions(argv: readonly string[], allowed: readonly OptionName[]): Options {
  const { values, positionals } = parse(argv, allowed);
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
    sets,
  };
}

interface Values {
  readonly position?: string;
  readonly from?: string;
  readonly to?: string;
  readonly speed?: string;
  readonly torque?: string;
  readonly convention?: string;
  readonly sets?: string;
  readonly scenario?: string;
  readonly log?: string;
  readonly seen?: string;
  readonly seed?: string;
  readonly count?: string;
  readonly skill?: string;
  readonly format?: string;
  readonly csv?: boolean;
  readonly markdown?: boolean;
  readonly losses?: boolean;
  readonly 'reverse-flow'?: boolean;
}

function parse(argv: readonly string[], allowed: readonly OptionName[]): { values: Values; positionals: string[] } {
  try {
    const options = Object.fromEntries(allowed.map((name) => [name, { type: KINDS[name] }]));
    return parseArgs({ args: [...argv], options, allowPositionals: true }) as { values: Values; positionals: string[] };
  } catch (error) {
    throw new UsageError((error as Error).message.split('\n')[0]!.replace(/\. To specify.*$/, '.'));
  }
}

function quantity<U extends string>(text: string, units: readonly U[], name: string): { value: number; unit: U } {
  const read = readQuantity(text, units, null, name);
  if (!read.ok) throw new UsageError(read.message);
  return read;
}
