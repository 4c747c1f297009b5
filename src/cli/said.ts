import { UsageError } from './options';

/**
 * Prints what a command says. What goes wrong is one line on stderr and exit 2, in `check` one for each problem;
 * nothing is printed before the result is whole.
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
    const lines = [message, ...(error instanceof UsageError ? error.more : [])];
    process.stderr.write(`tinwheel: ${lines.join('\n')}\n`);
    process.exitCode = 2;
  }
}
