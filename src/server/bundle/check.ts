import * as z from 'zod/mini';
import { shapeOfEntry } from '@/core/measurement';
import { readWorksheet } from '@/core/practice';
import { shapeOfScenario } from '@/core/shifting';
import { readWritten } from '@/core/tooth-search';
import { keptText, parseTrain, problemText } from '@/core/train';
import { answerDocument } from '@/wire/requests';
import { plainPicture } from '../pictures/plain-picture';
import { pictureOf, readManifest, type BundledTrain, type Manifest } from './manifest';
import { unzipped, type Files } from './zip';

const entries = z.array(z.strictObject({ id: z.string().check(z.minLength(1), z.maxLength(64)), kind: z.enum(['reading', 'correction', 'run']), savedAt: z.iso.datetime(), document: z.unknown() })); // prettier-ignore
const answers = z.array(z.strictObject({ id: z.string().check(z.minLength(1), z.maxLength(64)), savedAt: z.iso.datetime(), answer: answerDocument })); // prettier-ignore

export type LogEntries = z.infer<typeof entries>;
export type Answers = z.infer<typeof answers>;

export type CheckedBundle =
  | { readonly ok: true; readonly manifest: Manifest; readonly files: Files }
  | { readonly ok: false; readonly message: string };

/** Reads a bundle and everything in it, as strictly as if each came by itself. Nothing of a bundle that is wrong anywhere is taken. */
export function checkBundle(bytes: Uint8Array): CheckedBundle {
  const zip = unzipped(bytes);
  if (!zip.ok) return zip;
  const read = readManifest(zip.files);
  if (!read.ok) return read;
  const { manifest } = read;
  const files = { ...zip.files };
  const folders = new Set<string>();
  for (const train of manifest.trains) {
    if (folders.has(train.folder)) return { ok: false, message: `manifest.json: “${train.folder}” is the folder of two trains.` }; // prettier-ignore
    folders.add(train.folder);
    const wrong = wrongInTrain(train, files);
    if (wrong !== null) return { ok: false, message: wrong };
  }
  for (const { id } of manifest.worksheets) {
    const sheet = textOf(zip.files, `worksheets/${id}.json`);
    const worksheet = sheet === null ? null : readWorksheet(sheet);
    if (!worksheet?.ok) return { ok: false, message: `worksheets/${id}.json: ${worksheet?.message ?? 'it is not there.'}` }; // prettier-ignore
  }
  for (const { id } of manifest.people)
    if (answersIn(zip.files, id) === null) return { ok: false, message: `people/${id}.json: it holds no list of answers.` }; // prettier-ignore
  return { ok: true, manifest, files };
}

function wrongInTrain(train: BundledTrain, files: Record<string, Uint8Array>): string | null {
  const { folder, revisions, searches, scenarios, pictures } = train;
  const document = textOf(files, `${folder}/train.json`);
  if (document === null) return `${folder}/train.json is not there.`;
  const parsed = parseTrain(document, { kept: true });
  if (!parsed.ok) return `${folder}/train.json: ${problemText(parsed.problems[0]!)}`;
  if (!revisions.some(({ version }) => version === train.version)) return `manifest.json: the newest state of “${train.name}” is not among its revisions.`; // prettier-ignore
  for (const { version } of revisions) {
    const text = textOf(files, `${folder}/revisions/${version}.json`);
    const own = text === null ? null : parseTrain(text, { kept: true });
    if (!own?.ok) return `${folder}/revisions/${version}.json: ${own ? problemText(own.problems[0]!) : 'it is not there.'}`; // prettier-ignore
    if (version === train.version && text !== document) return `${folder}/train.json is not its newest revision.`;
  }
  for (const [kind, kept, read] of [
    ['searches', searches, readWritten],
    ['scenarios', scenarios, shapeOfScenario],
  ] as const)
    // prettier-ignore
    for (const { id } of kept) {
      const own = jsonOf(files, `${folder}/${kind}/${id}.json`);
      if (own === undefined || typeof own !== 'object' || own === null) return `${folder}/${kind}/${id}.json does not read.`;
      const result = read(own);
      if (!result.ok) return `${folder}/${kind}/${id}.json: ${result.message}`;
    }
  const log = logIn(files, folder);
  if (log === null) return `${folder}/log.json: it holds no list of entries.`;
  for (const [i, { kind, document: entry }] of log.entries()) {
    const wrong = shapeOfEntry(kind, entry);
    if (wrong !== null) return `${folder}/log.json, entry ${i + 1}: ${wrong}`;
  }
  for (const picture of pictures) {
    const path = pictureOf(folder, picture);
    const plain = Object.hasOwn(files, path) ? plainPicture(Buffer.from(files[path]!)) : null;
    if (plain?.type !== picture.type) return `${path} is not the picture it says it is.`;
    // What goes in is what would go in alone: this is done here, off the request's thread.
    files[path] = plain.bytes;
  }
  return null;
}

/** A file as text; null where it is not there or is none. */
export function textOf(files: Files, path: string): string | null {
  if (!Object.hasOwn(files, path)) return null;
  try {
    return new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(files[path]);
  } catch {
    return null;
  }
}

function jsonOf(files: Files, path: string): unknown {
  const text = textOf(files, path);
  try {
    return text === null ? undefined : (JSON.parse(text) as unknown);
  } catch {
    return undefined;
  }
}

/** A train's log, none where it has none; null where it does not read. */
export function logIn(files: Files, folder: string): LogEntries | null {
  if (!Object.hasOwn(files, `${folder}/log.json`)) return [];
  const parsed = entries.safeParse(jsonOf(files, `${folder}/log.json`));
  return parsed.success ? parsed.data : null;
}

/** What someone answered; null where it does not read. */
export function answersIn(files: Files, person: string): Answers | null {
  const parsed = answers.safeParse(jsonOf(files, `people/${person}.json`));
  return parsed.success ? parsed.data : null;
}

/** A document under another name, as it is kept. */
export function renamed(document: string, name: string): string {
  const parsed = parseTrain(document, { kept: true });
  if (!parsed.ok) throw new Error(problemText(parsed.problems[0]!));
  return keptText({ ...parsed.train, name });
}
