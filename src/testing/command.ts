import { runCommand } from '@/cli/command';
import { UsageError } from '@/cli/options';
import { refusalLines } from '@/cli/said';

/** What `tinwheel` prints and ends with for these arguments, without starting it. */
export function runHere(...args: string[]): { status: 0 | 2; stdout: string; stderr: string } {
  try {
    return { status: 0, stdout: runCommand(args), stderr: '' };
  } catch (error) {
    if (!(error instanceof UsageError)) throw error;
    return { status: 2, stdout: '', stderr: refusalLines(error.message, error.more) };
  }
}
