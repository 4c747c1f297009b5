import { createHash } from 'node:crypto';
import * as z from 'zod/mini';
import { entryKind, keptId, keptKey, keptName, keptVersion, personName, stateName } from '@/wire/kept-names';
import { answerDocument } from '@/wire/requests';
import { BundleError } from './limits';
import type { Sum } from './zip-writer';
import { refusalText, resultOf } from '@/core/result';

export const MANIFEST = 'manifest.json';

/** A time that does not read is taken along as that. */
const time = z.union([z.iso.datetime(), z.literal('unknown')]);
const kept = z.array(z.strictObject({ id: keptKey, name: keptName, savedAt: time }));

/**
 * What a bundle holds, and how each file must be (format "tin-wheel/bundle", version 1 or 2; see
 * docs/bundle-format.md).
 */
const manifestSchema = z.strictObject({
  format: z.literal('tin-wheel/bundle', { error: 'This zip is not a bundle: its format is not "tin-wheel/bundle".' }),
  version: z.literal([1, 2], {
    error: 'This bundle is of a later version than is known here. Open it with a newer Tin Wheel.',
  }),
  /** The versions of the documents that are in it. */
  formats: z.record(
    z.string(),
    z.literal(1, {
      error: 'This bundle holds documents of a later version than is known here. Open it with a newer Tin Wheel.',
    }),
  ),
  trains: z.array(
    z.strictObject({
      id: keptKey,
      name: z.string().check(z.maxLength(255)),
      folder: z.string().check(z.regex(/^trains\/[\w-]{1,80}$/)),
      version: keptVersion,
      createdAt: time,
      updatedAt: time,
      revisions: z.array(z.strictObject({ version: keptVersion, name: z.nullable(stateName), savedAt: time })),
      searches: kept,
      scenarios: kept,
      pictures: z.array(z.strictObject({ id: keptKey, type: z.string().check(z.maxLength(64)), savedAt: time })),
    }),
  ),
  worksheets: kept,
  people: z.array(z.strictObject({ id: keptId, name: personName, savedAt: time })),
  /** Files that did not read where the bundle was made; they are taken along as they are. */
  unreadable: z.optional(z.array(z.string())),
  files: z.record(
    z.string(),
    z.strictObject({ bytes: z.number().check(z.int(), z.gte(0)), sha256: z.string().check(z.regex(/^[0-9a-f]{64}$/)) }),
  ),
});

/** Formats of the documents in a bundle, with their versions. */
const FORMATS = {
  'tin-wheel/train': 1,
  'tin-wheel/search': 1,
  'tin-wheel/scenario': 1,
  'tin-wheel/log': 1,
  'tin-wheel/worksheet': 1,
} as const;

export type Manifest = z.infer<typeof manifestSchema>;
export type BundledTrain = Manifest['trains'][number];

/**
 * The manifest of files. It is of version 2 where an application of version 1 would not understand it: something does
 * not read, or a log has several files.
 */
export function manifestOf(
  contents: Pick<Manifest, 'trains' | 'worksheets' | 'people'>,
  { unreadable, unreadableRows }: { readonly unreadable: readonly string[]; readonly unreadableRows: number },
  files: Readonly<Record<string, Sum>>,
): Uint8Array {
  const paths = Object.keys(files).sort();
  const times = JSON.stringify(contents).includes('"savedAt":"unknown"');
  const pieces = paths.some((path) => /\/log-\d+\.json$|\.\d+\.json$/.test(path));
  const plain = unreadable.length + unreadableRows === 0 && !times && !pieces;
  const manifest: Manifest = {
    format: 'tin-wheel/bundle',
    version: plain ? 1 : 2,
    formats: FORMATS,
    ...contents,
    ...(unreadable.length > 0 && { unreadable: [...unreadable].sort() }),
    files: Object.fromEntries(paths.map((path) => [path, files[path] ?? { bytes: 0, sha256: '' }])),
  };
  return new TextEncoder().encode(`${JSON.stringify(manifest, null, 1)}\n`);
}

/** The manifest in a bundle's file of that name; null stands for none. @throws BundleError */
export function readManifest(bytes: Uint8Array | null): Manifest {
  if (!bytes) throw new BundleError('This zip is not a bundle: it has no manifest.json.');
  const parsed = resultOf(manifestSchema.safeParse(jsonIn(bytes)));
  if (!parsed.ok) throw new BundleError(`manifest.json: ${refusalText(parsed)}`);
  const twice = firstTwice(parsed.value);
  if (twice !== null) throw new BundleError(`manifest.json: ${twice} is in it twice.`);
  return parsed.value;
}

function jsonIn(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    throw new BundleError('manifest.json is not JSON.');
  }
}

/** The first thing that is named twice where a name stands for one; null where there is none. */
function firstTwice({ trains, worksheets, people }: Manifest): string | null {
  const lists: readonly (readonly [string, readonly (string | number)[]])[] = [
    ['the train', trains.map(({ id }) => id)],
    ['the folder', trains.map(({ folder }) => folder)],
    ['the worksheet', worksheets.map(({ id }) => id)],
    ['the person', people.map(({ id }) => id)],
    ['the person', people.map(({ id }) => fileNameOf(id))],
    ...trains.flatMap(({ name, revisions, searches, scenarios, pictures }) => [
      [`of “${name}” state`, revisions.map(({ version }) => version)] as const,
      [`of “${name}” the search`, searches.map(({ id }) => id)] as const,
      [`of “${name}” the scenario`, scenarios.map(({ id }) => id)] as const,
      [`of “${name}” the picture`, pictures.map(({ id }) => id)] as const,
    ]),
  ];
  for (const [what, ids] of lists) {
    const known = new Set<string | number>();
    for (const id of ids) {
      if (known.has(id)) return `${what} ${id}`;
      known.add(id);
    }
  }
  return null;
}

const isKey = (id: string): boolean => keptKey.safeParse(id).success;

/** The name of a file that stands for an id: the id itself, or its digest where it has other characters. */
export const fileNameOf = (id: string): string =>
  isKey(id) ? id : createHash('sha256').update(id).digest('hex').slice(0, 32);

/** Where a picture stands in its train's folder. */
export const pictureOf = (folder: string, { id, type }: { readonly id: string; readonly type: string }): string =>
  `${folder}/pictures/${id}.${EXTENSIONS[type] ?? 'bin'}`;

const EXTENSIONS: Readonly<Record<string, string>> = { 'image/png': 'png', 'image/jpeg': 'jpg' };

/** Where a piece of a train's log stands; a long log is in several. */
export const logsIn = (folder: string, piece: number): string =>
  `${folder}/log${piece === 0 ? '' : `-${piece + 1}`}.json`;

/** Where a piece of what someone answered stands. */
export const answersOf = (person: string, piece: number): string =>
  `people/${fileNameOf(person)}${piece === 0 ? '' : `.${piece + 1}`}.json`;

/** What is kept of an entry of a log, or of an answer, that does not read: its text. */
const asText = z.string();
const row = { id: keptId, savedAt: time };

/** An entry in a bundle's log. */
export const bundledEntry = z.union([
  z.strictObject({ ...row, kind: entryKind, document: z.unknown() }),
  z.strictObject({ ...row, kind: z.string().check(z.maxLength(64)), text: asText }),
]);

/** An answer in a bundle. */
export const bundledAnswer = z.union([
  z.strictObject({ ...row, answer: answerDocument }),
  z.strictObject({ ...row, text: asText }),
]);
