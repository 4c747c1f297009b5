import { statSync } from 'node:fs';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { BUNDLE_LIMITS, BundleError, megabytes, type BundleLimits } from './limits';

const DAMAGED = 'This is not a zip, or it is damaged.';

/**
 * A zip whose files are read one by one. Names that lead elsewhere are refused at once, sizes by the bytes that come
 * out: what a header says is never believed. Nothing is ever written to a disk by these names.
 */
export class ZipReader {
  /** Files that were read. */
  private readonly seen = new Set<string>();
  private out = 0;

  private constructor(
    private readonly zip: ZipFile,
    private readonly entries: ReadonlyMap<string, Entry>,
    private readonly limits: BundleLimits,
  ) {}

  /** @throws BundleError */
  static async open(path: string, limits: BundleLimits = BUNDLE_LIMITS): Promise<ZipReader> {
    const { size } = statSync(path);
    if (size > limits.zip)
      throw new BundleError(`This file is larger than ${megabytes(limits.zip)}, which is more than a bundle can have.`);
    const zip = await opened(path);
    try {
      return new ZipReader(zip, await entriesOf(zip, size, limits), limits);
    } catch (error) {
      zip.close();
      throw error;
    }
  }

  get names(): readonly string[] {
    return [...this.entries.keys()];
  }

  /** The names of files that nobody has read. */
  get unread(): readonly string[] {
    return this.names.filter((name) => !this.seen.has(name));
  }

  has = (name: string): boolean => this.entries.has(name);

  /** A file's bytes; null where it is not there. @throws BundleError */
  async read(name: string): Promise<Buffer | null> {
    const entry = this.entries.get(name);
    if (!entry) return null;
    this.seen.add(name);
    const { file, all } = this.limits;
    const chunks: Buffer[] = [];
    let size = 0;
    try {
      for await (const chunk of await contentOf(this.zip, entry)) {
        size += (chunk as Buffer).length;
        this.out += (chunk as Buffer).length;
        if (size > file) throw new BundleError(`${shown(name)} unpacks to more than ${megabytes(file)}.`);
        if (this.out > all) throw new BundleError(`This file unpacks to more than ${megabytes(all)}.`);
        chunks.push(chunk as Buffer);
      }
    } catch (error) {
      throw error instanceof BundleError ? error : new BundleError(DAMAGED);
    }
    return Buffer.concat(chunks);
  }

  close(): void {
    this.zip.close();
  }
}

function opened(path: string): Promise<ZipFile> {
  return new Promise((done, fail) =>
    yauzl.open(
      path,
      // Names are looked at here; sizes are counted here too, and must be what the directory says.
      { lazyEntries: true, autoClose: false, decodeStrings: false, validateEntrySizes: true },
      (error, zip) => (error ? fail(new BundleError(DAMAGED)) : done(zip)),
    ),
  );
}

/** What the directory lists, folders left out. @throws BundleError */
function entriesOf(zip: ZipFile, size: number, { files }: BundleLimits): Promise<ReadonlyMap<string, Entry>> {
  const entries = new Map<string, Entry>();
  let packed = 0;
  return new Promise((done, fail) => {
    zip.on('error', () => fail(new BundleError(DAMAGED)));
    zip.on('end', () => done(entries));
    zip.on('entry', (entry: Entry) => {
      // With undecoded strings a name is its bytes.
      const name = (entry.fileName as unknown as Buffer).toString('utf8');
      const wrong = wrongName(name, entries);
      if (wrong !== null) return fail(new BundleError(wrong));
      packed += entry.compressedSize;
      // Several entries over the same bytes.
      if (packed > size) return fail(new BundleError(DAMAGED));
      if (!name.endsWith('/')) entries.set(name, entry);
      if (entries.size > files) return fail(new BundleError(`This file holds more than ${files} files.`));
      zip.readEntry();
    });
    zip.readEntry();
  });
}

const contentOf = (zip: ZipFile, entry: Entry): Promise<AsyncIterable<unknown>> =>
  new Promise((done, fail) => zip.openReadStream(entry, (error, stream) => (error ? fail(error) : done(stream))));

/** What is wrong with a path, before it is looked at any further. */
function wrongName(name: string, known: ReadonlyMap<string, Entry>): string | null {
  if (known.has(name)) return `${shown(name)} is in it twice.`;
  const steps = name.replace(/\/$/, '').split('/');
  const leads = /[\\\u0000-\u001f\u007f]|^[A-Za-z]:/.test(name) || steps.some((step) => ['', '.', '..'].includes(step));
  return leads ? `${shown(name)} is a path that leads out of the bundle.` : null;
}

/** A name as it may be shown to people, whatever bytes it has. */
export const shown = (name: string): string => `“${name.slice(0, 80).replace(/[^\x20-\x7e]/g, '?')}”`;
