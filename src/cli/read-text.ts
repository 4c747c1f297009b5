import { readFileSync, statSync } from 'node:fs';
import { UsageError } from './options';

/** A file's text. @param what it is to be, for the sentence. @throws UsageError where it cannot be read or is too large. */
export function readText(file: string, mostBytes: number, what: string): string {
  try {
    if (statSync(file).size > mostBytes) throw new UsageError(`${file}: the file is larger than ${what} may be.`);
    return readFileSync(file, 'utf8');
  } catch (error) {
    if (error instanceof UsageError) throw error;
    const { code } = error as NodeJS.ErrnoException;
    throw new UsageError(
      code === 'ENOENT' ? `there is no file "${file}".` : `"${file}" cannot be read${code ? ` (${code})` : ''}.`,
    );
  }
}
