import { createHash } from 'node:crypto';
import { unzipSync, zipSync, type Zippable } from 'fflate';

/** Files by their paths. */
export type Files = Readonly<Record<string, Uint8Array>>;

export const MOST_ZIP_BYTES = 200_000_000;
const MOST_FILES = 100_000;
const MOST_FILE_BYTES = 25_000_000;
const MOST_UNPACKED_BYTES = 600_000_000;
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

/** The files of a zip. Names that lead elsewhere and sizes that are too large are refused before anything is unpacked; nothing is ever written to a disk by these names. */
export function unzipped(bytes: Uint8Array): Unzipped {
  if (bytes.length > MOST_ZIP_BYTES)
    return refused('This file is larger than 200 MB, which is more than a bundle can have.');
  const names = new Set<string>();
  let wrong: string | null = null;
  let total = 0;
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        total += originalSize;
        wrong ??= wrongName(name, names);
        if (originalSize > MOST_FILE_BYTES) wrong ??= `${shown(name)} would unpack to more than 25 MB.`;
        if (total > MOST_UNPACKED_BYTES) wrong ??= 'This file would unpack to more than 600 MB.';
        if (names.size > MOST_FILES) wrong ??= 'This file holds more than 100 000 files.';
        names.add(name);
        return wrong === null && !name.endsWith('/');
      },
    });
    if (wrong !== null) return refused(wrong);
    return { ok: true, files };
  } catch {
    return refused(wrong ?? 'This is not a zip, or it is damaged.');
  }
}

/** What is wrong with a path, before it is looked at any further. */
function wrongName(name: string, known: ReadonlySet<string>): string | null {
  if (known.has(name)) return `${shown(name)} is in it twice.`;
  const steps = name.replace(/\/$/, '').split('/');
  const leads = /[\\\u0000-\u001f\u007f]|^[A-Za-z]:/.test(name) || steps.some((step) => step === '' || step === '.' || step === '..'); // prettier-ignore
  return leads ? `${shown(name)} is a path that leads out of the bundle.` : null;
}

const shown = (name: string): string => `“${name.slice(0, 80).replace(/[^\x20-\x7e]/g, '?')}”`;
