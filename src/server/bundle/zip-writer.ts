import { createHash } from 'node:crypto';
import { closeSync, openSync, writeSync } from 'node:fs';
import { Zip, ZipDeflate } from 'fflate';
import { BUNDLE_LIMITS, BundleError, megabytes, type BundleLimits } from './limits';

/** What a bundle says of each of its files. */
export interface Sum {
  readonly bytes: number;
  readonly sha256: string;
}

/** Every file of a zip bears the same date, so that the same files make the same bytes. */
const DATE = new Date(1980, 0, 1, 12);

export const sumOf = (bytes: Uint8Array): Sum => ({
  bytes: bytes.length,
  sha256: createHash('sha256').update(bytes).digest('hex'),
});

/** Writes files into a zip on the disk one by one: only the one that is being written is in memory. */
export class ZipWriter {
  /** The files that were added. */
  readonly sums: Record<string, Sum> = {};
  private readonly target: number;
  private readonly zip: Zip;
  private written = 0;
  private all = 0;
  private count = 0;
  /** Whether more came than it can hold. */
  isFull = false;

  /** @throws where the file cannot be made, or is there already */
  constructor(
    path: string,
    private readonly limits: BundleLimits = BUNDLE_LIMITS,
  ) {
    this.target = openSync(path, 'wx');
    this.zip = new Zip((error, chunk) => {
      if (error) throw error;
      writeSync(this.target, chunk);
      this.written += chunk.length;
    });
  }

  /** @throws BundleError where there would be more than a bundle can hold */
  add(path: string, bytes: Uint8Array): void {
    const { zip, file, all, files } = this.limits;
    if (bytes.length > file)
      throw new BundleError(`${path} has ${megabytes(bytes.length)}; a file of a bundle can have ${megabytes(file)}.`);
    this.all += bytes.length;
    this.count++;
    this.sums[path] = sumOf(bytes);
    // What is packed already is only put in.
    const entry = new ZipDeflate(path, { level: /\.(png|jpg)$/.test(path) ? 0 : 6 });
    entry.mtime = DATE;
    this.zip.add(entry);
    entry.push(bytes, true);
    if (this.written > zip || this.all > all || this.count > files) {
      this.isFull = true;
      const most = this.count > files ? `${files} files` : megabytes(zip);
      throw new BundleError(`This is more than one bundle can hold, which is ${most}.`);
    }
  }

  /** Writes the zip's directory; what was added is a whole file now. */
  finish(): void {
    this.zip.end();
    closeSync(this.target);
  }

  /** Lets go of a file that is not to be finished. */
  giveUp(): void {
    closeSync(this.target);
  }
}
