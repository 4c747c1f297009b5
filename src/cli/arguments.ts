import { parseArgs } from 'node:util';
import { UsageError } from './usage-error';

/** The options a verb knows: a text, several of the same, or a switch. */
export type OptionKinds = Readonly<
  Record<string, { readonly type: 'string' | 'boolean'; readonly short?: string; readonly multiple?: boolean }>
>;

export interface Arguments {
  readonly values: Readonly<Record<string, string | boolean | readonly (string | boolean)[] | undefined>>;
  readonly positionals: readonly string[];
}

/**
 * Splits a command line. A number that begins with a minus after an option is that option's value. @throws UsageError
 */
export function parseArguments(argv: readonly string[], options: OptionKinds): Arguments {
  try {
    return parseArgs({ args: withNegativeNumbers(argv, options), options, allowPositionals: true });
  } catch (error) {
    // parseArgs throws nothing but errors.
    const [first = ''] = (error as Error).message.split('\n');
    throw new UsageError(first.replace(/\. To specify.*$/, '.'));
  }
}

const NEGATIVE = /^-[\d.]/;

function withNegativeNumbers(argv: readonly string[], options: OptionKinds): string[] {
  const takesValue = (argument: string) => argument.startsWith('--') && options[argument.slice(2)]?.type === 'string';
  return argv.reduce<string[]>((joined, argument) => {
    const before = joined.at(-1);
    if (before !== undefined && takesValue(before) && NEGATIVE.test(argument))
      return [...joined.slice(0, -1), `${before}=${argument}`];
    return [...joined, argument];
  }, []);
}
