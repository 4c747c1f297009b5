import * as z from 'zod/mini';
import { issueText } from '@/core/train';
import { sha256, type Files } from './zip';

const MANIFEST = 'manifest.json';

const text = z.string().check(z.minLength(1), z.maxLength(255));
const time = z.iso.datetime();
const version = z.number().check(z.int(), z.gte(1));
const kept = z.array(z.strictObject({ id: z.string().check(z.regex(/^[\w-]{1,64}$/)), name: z.string().check(z.maxLength(255)), savedAt: time })); // prettier-ignore

/** What a bundle holds, and how each file must be (format "tin-wheel/bundle", version 1). */
const manifestSchema = z.strictObject({
  format: z.literal('tin-wheel/bundle', { error: 'This zip is not a bundle: its format is not "tin-wheel/bundle".' }),
  version: z.literal(1, { error: 'This bundle is of a later version than is known here. Open it with a newer Tin Wheel.' }), // prettier-ignore
  /** The versions of the documents that are in it. */
  formats: z.record(z.string(), z.literal(1, { error: 'This bundle holds documents of a later version than is known here. Open it with a newer Tin Wheel.' })), // prettier-ignore
  trains: z.array(
    z.strictObject({
      id: text,
      name: z.string().check(z.maxLength(255)),
      folder: z.string().check(z.regex(/^trains\/[\w-]{1,80}$/)),
      version,
      createdAt: time,
      updatedAt: time,
      revisions: z.array(z.strictObject({ version, name: z.nullable(z.string().check(z.maxLength(255))), savedAt: time })), // prettier-ignore
      searches: kept,
      scenarios: kept,
      pictures: z.array(z.strictObject({ id: z.string().check(z.regex(/^[0-9a-f]{1,64}$/)), type: z.enum(['image/png', 'image/jpeg']), savedAt: time })), // prettier-ignore
    }),
  ),
  worksheets: kept,
  people: z.array(z.strictObject({ id: z.string().check(z.regex(/^[\w-]{1,64}$/)), name: text, savedAt: time })),
  files: z.record(
    z.string(),
    z.strictObject({ bytes: z.number().check(z.int(), z.gte(0)), sha256: z.string().check(z.regex(/^[0-9a-f]{64}$/)) }),
  ),
});

/** Formats of the documents in a bundle, with their versions. */
const FORMATS = { 'tin-wheel/train': 1, 'tin-wheel/search': 1, 'tin-wheel/scenario': 1, 'tin-wheel/log': 1, 'tin-wheel/worksheet': 1 } as const; // prettier-ignore

export type Manifest = z.infer<typeof manifestSchema>;
export type BundledTrain = Manifest['trains'][number];

/** A bundle's files with their manifest in front. */
export function withManifest(
  manifest: Omit<Manifest, 'format' | 'version' | 'formats' | 'files'>,
  files: Files,
): Files {
  const listed = Object.fromEntries(
    Object.keys(files)
      .sort()
      .map((path) => [path, { bytes: files[path]!.length, sha256: sha256(files[path]!) }]),
  );
  const whole: Manifest = { format: 'tin-wheel/bundle', version: 1, formats: FORMATS, ...manifest, files: listed };
  return { [MANIFEST]: new TextEncoder().encode(`${JSON.stringify(whole, null, 1)}\n`), ...files };
}

export type ReadManifest =
  { readonly ok: true; readonly manifest: Manifest } | { readonly ok: false; readonly message: string };

/** The manifest of a bundle, once every file is there, is listed, and is as it was. */
export function readManifest(files: Files): ReadManifest {
  const own = files[MANIFEST];
  if (!own) return { ok: false, message: 'This zip is not a bundle: it has no manifest.json.' };
  let json: unknown;
  try {
    json = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(own));
  } catch {
    return { ok: false, message: 'manifest.json is not JSON.' };
  }
  const parsed = manifestSchema.safeParse(json);
  if (!parsed.success) return { ok: false, message: `manifest.json: ${issueText(parsed.error.issues[0]!)}` };
  const { files: listed } = parsed.data;
  for (const path of Object.keys(files))
    if (path !== MANIFEST && !Object.hasOwn(listed, path)) return { ok: false, message: `“${path.slice(0, 80)}” is not named in the manifest.` }; // prettier-ignore
  for (const [path, { bytes, sha256: sum }] of Object.entries(listed)) {
    const file = Object.hasOwn(files, path) ? files[path] : undefined;
    if (!file) return { ok: false, message: `“${path.slice(0, 80)}” is named in the manifest and is not there.` };
    if (file.length !== bytes || sha256(file) !== sum) return { ok: false, message: `“${path.slice(0, 80)}” is not as it was when the bundle was made.` }; // prettier-ignore
  }
  return { ok: true, manifest: parsed.data };
}

/** Where a picture stands in its train's folder. */
export const pictureOf = (folder: string, { id, type }: { readonly id: string; readonly type: string }): string =>
  `${folder}/pictures/${id}.${type === 'image/png' ? 'png' : 'jpg'}`;
