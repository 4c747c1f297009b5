import { renameSync, rmSync, writeFileSync } from 'node:fs';
import { UsageError } from './options';

/** Writes a file that is whole or not there: under another name first. @throws UsageError where it cannot be written */
export function writeFileWhole(file: string, content: string | Uint8Array): void {
  const part = `${file}.part`;
  try {
    writeFileSync(part, content);
    renameSync(part, file);
  } catch (error) {
    rmSync(part, { force: true });
    throw new UsageError(`"${file}" cannot be written (${(error as NodeJS.ErrnoException).code ?? 'unknown'}).`);
  }
}
