import { createHash } from 'node:crypto';
import { Unzip, UnzipInflate, zipSync, type Zippable } from 'fflate';

/** Files by their paths. */
export type Files = Readonly<Record<string, Uint8Array>>;

export const MOST_ZIP_BYTES = 200_000_000;
const MOST_FILES = 100_000;
/** What one file, and all of them, may come to, in megabytes. */
const LIMITS = { file: 25, all: 600 };
type Limits = typeof LIMITS;
const MEGABYTE = 1_000_000;
/** Every file of a zip bears the same date, so that the same files make the same bytes. */
const DATE = new Date(1980, 0, 1, 12);

export const sha256 = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

/** Files as one zip: the same files give the same bytes. What is packed already is only put in. */
export function zipped(files: Files): Uint8Array {
  const entries = Object.keys(files)
    .sort()
    .map((path) => [path, [files[path]!, { mtime: DATE, level: /\.(png|jpg|stl)$/.test(path) ? 0 : 6 }]] as const);
  return zipSync(Object.fromEntries(entries) as Zippable);
}

export type Unzipped = { readonly ok: true; readonly files: Files } | { readonly ok: false; readonly message: string };

const refused = (message: string): Unzipped => ({ ok: false, message });

/**
 * The files of a zip. Names that lead elsewhere are refused as they come, sizes by the bytes that have come out: what
 * a header says is never believed. Nothing is ever
 * written to a disk by these names.
 */
export function unzipped(bytes: Uint8Array, limits: Limits = LIMITS): Unzipped {
  if (bytes.length > MOST_ZIP_BYTES)
    return refused('This file is larger than 200 MB, which is more than a bundle can have.');
  const listed = filesListed(bytes);
  if (listed === null) return refused(DAMAGED);
  try {
    const files = unpacked(bytes, limits);
    return files.length === listed ? { ok: true, files: Object.fromEntries(files) } : refused(DAMAGED);
  } catch (error) {
    return refused(error instanceof Refused ? error.message : DAMAGED);
  }
}

const DAMAGED = 'This is not a zip, or it is damaged.';

class Refused extends Error {}

/**
 * The zip is read from its front in steps of so many bytes, so that a file that grows too large is noticed while it
 * grows.
 */
const STEP = 65_536;

/**
 * Every file with its bytes, in the order in which they are packed. @throws Refused, and whatever the inflater says of
 * damage
 */
function unpacked(bytes: Uint8Array, limits: Limits): [string, Uint8Array][] {
  const names = new Set<string>();
  const files: [string, Uint8Array][] = [];
  let open = 0;
  let total = 0;
  const unzip = new Unzip((file) => {
    const wrong = wrongName(file.name, names);
    if (wrong !== null) throw new Refused(wrong);
    names.add(file.name);
    if (names.size > MOST_FILES) throw new Refused('This file holds more than 100 000 files.');
    const chunks: Uint8Array[] = [];
    let size = 0;
    open++;
    file.ondata = (error, chunk, last) => {
      if (error) throw error;
      size += chunk.length;
      total += chunk.length;
      if (size > limits.file * MEGABYTE)
        throw new Refused(`${shown(file.name)} unpacks to more than ${limits.file} MB.`);
      if (total > limits.all * MEGABYTE) throw new Refused(`This file unpacks to more than ${limits.all} MB.`);
      chunks.push(chunk);
      if (!last) return;
      open--;
      files.push([file.name, chunks.length === 1 ? chunks[0]! : Buffer.concat(chunks)]);
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  for (let at = 0; at < bytes.length; at += STEP) unzip.push(bytes.subarray(at, at + STEP), at + STEP >= bytes.length);
  if (open > 0) throw new Refused(DAMAGED);
  return files.filter(([name]) => !name.endsWith('/'));
}

/**
 * How many files the directory at the end lists, folders left out; null where there is no directory. Layout: the
 * published ZIP file format, 4.3.12 and 4.3.16.
 */
function filesListed(bytes: Uint8Array): number | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let end = bytes.length - 22;
  const first = Math.max(0, end - 65_535);
  while (end >= first && view.getUint32(end, true) !== 0x06054b50) end--;
  if (end < first) return null;
  const count = view.getUint16(end + 10, true);
  let at = view.getUint32(end + 16, true);
  let files = 0;
  for (let i = 0; i < count; i++) {
    if (at + 46 > bytes.length || view.getUint32(at, true) !== 0x02014b50) return null;
    const nameLength = view.getUint16(at + 28, true);
    if (bytes[at + 46 + nameLength - 1] !== 0x2f) files++;
    at += 46 + nameLength + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
  }
  return files;
}

/** What is wrong with a path, before it is looked at any further. */
function wrongName(name: string, known: ReadonlySet<string>): string | null {
  if (known.has(name)) return `${shown(name)} is in it twice.`;
  const steps = name.replace(/\/$/, '').split('/');
  const leads = /[\\\u0000-\u001f\u007f]|^[A-Za-z]:/.test(name) || steps.some((step) => step === '' || step === '.' || step === '..'); // prettier-ignore
  return leads ? `${shown(name)} is a path that leads out of the bundle.` : null;
}

const shown = (name: string): string => `“${name.slice(0, 80).replace(/[^\x20-\x7e]/g, '?')}”`;
