import { UsageError } from './options';

/** What a command that was refused prints on stderr: one line, in `check` one for each problem. */
export const refusalLines = (message: string, more: readonly string[] = []): string =>
  `tinwheel: ${[message, ...more].join('\n')}\n`;

/**
 * Prints what a command says. What goes wrong is said on stderr, with exit 2; nothing is printed before the result is
 * whole.
 * @param foreseen a failure's sentence; null for one that is none
 */
export async function said(
  command: () => string | Promise<string>,
  foreseen: (error: unknown) => string | null = () => null,
): Promise<void> {
  try {
    process.stdout.write(await command());
  } catch (error) {
    const message = error instanceof UsageError ? error.message : foreseen(error);
    if (message === null) throw error;
    process.stderr.write(refusalLines(message, error instanceof UsageError ? error.more : []));
    process.exitCode = 2;
  }
}
