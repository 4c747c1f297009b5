import { readFileSync, readSync, statSync } from 'node:fs';
import { UsageError } from './usage-error';

const STANDARD_INPUT = 0;
const CHUNK_BYTES = 65_536;
let inputTaken = false;

/**
 * A file's text; "-" is standard input. @param what it is to be, for the sentence. @throws UsageError where it cannot
 * be read or is too large.
 */
export function readText(file: string, mostBytes: number, what: string): string {
  const tooLarge = () => new UsageError(`${file}: the file is larger than ${what} may be.`);
  if (file === '-') return readInput(mostBytes, tooLarge);
  try {
    if (statSync(file).size > mostBytes) throw tooLarge();
    return readFileSync(file, 'utf8');
  } catch (error) {
    if (error instanceof UsageError) throw error;
    const { code } = error as NodeJS.ErrnoException;
    throw new UsageError(
      code === 'ENOENT' ? `there is no file "${file}".` : `"${file}" cannot be read${code ? ` (${code})` : ''}.`,
    );
  }
}

/** All of standard input, no further than may be. */
function readInput(mostBytes: number, tooLarge: () => UsageError): string {
  if (inputTaken) throw new UsageError('- stands for two files: standard input is read once.');
  inputTaken = true;
  const chunks: Buffer[] = [];
  let size = 0;
  for (;;) {
    const chunk = Buffer.alloc(CHUNK_BYTES);
    const read = readChunk(chunk);
    if (read === 0) return Buffer.concat(chunks).toString('utf8');
    size += read;
    if (size > mostBytes) throw tooLarge();
    chunks.push(chunk.subarray(0, read));
  }
}

/** The next bytes of standard input; 0 at its end. A terminal or pipe that has nothing yet is asked again. */
function readChunk(into: Buffer): number {
  for (;;) {
    try {
      return readSync(STANDARD_INPUT, into);
    } catch (error) {
      const { code } = error as NodeJS.ErrnoException;
      if (code === 'EOF') return 0;
      if (code !== 'EAGAIN') throw new UsageError(`standard input cannot be read${code ? ` (${code})` : ''}.`);
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 10);
    }
  }
}
