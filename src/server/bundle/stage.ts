import { rmSync } from 'node:fs';
import * as z from 'zod/mini';
import { keptText, parseTrain } from '@/core/train';
import { sqlTime } from '../database/tables';
import { MOST } from '../most';
import { plainPicture } from '../pictures/plain-picture';
import { BUNDLE_LIMITS, BundleError, type BundleLimits } from './limits';
import {
  answersOf,
  bundledAnswer,
  bundledEntry,
  logsIn,
  MANIFEST,
  pictureOf,
  readManifest,
  type BundledTrain,
  type Manifest,
} from './manifest';
import { StagingFile } from './staging-file';
import { wrongInEntry, wrongInScenario, wrongInSearch, wrongInTrain, wrongInWorksheet } from '../wrong';
import { shown, ZipReader } from './zip-reader';
import { sumOf } from './zip-writer';

/** What is in a bundle that reads. */
export interface Staged {
  readonly trains: readonly {
    readonly id: string;
    readonly name: string;
    readonly revisions: number;
    readonly readings: number;
    readonly pictures: number;
    readonly beside: number;
    /** How much of it does not read, and comes as it is. */
    readonly unreadable: number;
  }[];
  readonly worksheets: number;
  readonly people: number;
}

/**
 * Reads a bundle and everything in it, as strictly as if each came by itself, and puts it into a staging file. Nothing
 * of a bundle that is wrong anywhere is taken; only what did not read where it was made comes as it is.
 * @throws BundleError; then there is no staging file
 */
export async function stageBundle(
  zipFile: string,
  stagingFile: string,
  limits: BundleLimits = BUNDLE_LIMITS,
): Promise<Staged> {
  const zip = await ZipReader.open(zipFile, limits);
  const staging = await StagingFile.create(stagingFile);
  try {
    const manifest = readManifest(await zip.read(MANIFEST));
    const staged = await new Staging(zip, manifest, staging).everything();
    await staging.finish();
    return staged;
  } catch (error) {
    await staging.giveUp();
    rmSync(stagingFile, { force: true });
    throw error;
  } finally {
    zip.close();
  }
}

class Staging {
  private readonly unreadable: ReadonlySet<string>;

  constructor(
    private readonly zip: ZipReader,
    private readonly manifest: Manifest,
    private readonly staging: StagingFile,
  ) {
    this.unreadable = new Set(manifest.unreadable);
  }

  async everything(): Promise<Staged> {
    this.checkNames();
    const trains: Staged['trains'][number][] = [];
    for (const train of this.manifest.trains) trains.push(await this.train(train));
    await this.practice();
    const [left] = this.zip.unread;
    if (left !== undefined) throw new BundleError(`${shown(left)} belongs to nothing in this bundle.`);
    return { trains, worksheets: this.manifest.worksheets.length, people: this.manifest.people.length };
  }

  private checkNames(): void {
    const { files } = this.manifest;
    for (const name of this.zip.names)
      if (name !== MANIFEST && !Object.hasOwn(files, name))
        throw new BundleError(`${shown(name)} is not named in the manifest.`);
    for (const name of Object.keys(files))
      if (!this.zip.has(name)) throw new BundleError(`${shown(name)} is named in the manifest and is not there.`);
  }

  private async train(train: BundledTrain): Promise<Staged['trains'][number]> {
    const { id, folder, version, searches, scenarios, pictures } = train;
    const document = await this.kept(`${folder}/train.json`, wrongInTrain);
    const { name, copyName, copyDocument } = copyOf(document, train.name);
    await this.staging.add('trains', id, {
      id,
      name,
      document,
      version,
      created_at: columnTime(train.createdAt),
      updated_at: columnTime(train.updatedAt),
      copy_name: copyName,
      copy_document: copyDocument,
    });
    await this.revisions(train);
    most(searches, MOST.beside, name, 'searches');
    most(scenarios, MOST.beside, name, 'scenarios');
    for (const one of searches) await this.beside('searches', train, one, wrongInSearch);
    for (const one of scenarios) await this.beside('scenarios', train, one, wrongInScenario);
    const { entries, unreadable } = await this.log(train);
    most(pictures, MOST.pictures, name, 'pictures');
    for (const picture of pictures) await this.picture(train, picture);
    return {
      id,
      name,
      revisions: train.revisions.length,
      readings: entries,
      pictures: pictures.length,
      beside: searches.length + scenarios.length,
      unreadable: [...this.unreadable].filter((path) => path.startsWith(`${folder}/`)).length + unreadable,
    };
  }

  private async revisions({ id, folder, version, revisions }: BundledTrain): Promise<void> {
    for (const state of revisions) {
      const document = await this.kept(`${folder}/revisions/${state.version}.json`, wrongInTrain);
      await this.staging.add('revisions', id, {
        train_id: id,
        version: state.version,
        document,
        // No name is none, however it is written.
        name: state.name || null,
        saved_at: columnTime(state.savedAt),
      });
    }
    if (revisions.some((state) => state.version > version))
      throw new BundleError(`manifest.json: ${folder} has a later state than its newest.`);
  }

  private async beside(
    table: 'searches' | 'scenarios',
    { id, folder }: BundledTrain,
    kept: BundledTrain['searches'][number],
    wrong: (text: string) => string | null,
  ): Promise<void> {
    const document = await this.kept(`${folder}/${table}/${kept.id}.json`, wrong);
    await this.staging.add(table, id, {
      train_id: id,
      id: kept.id,
      name: kept.name,
      document,
      saved_at: columnTime(kept.savedAt),
    });
  }

  private async log({ id, folder, name }: BundledTrain) {
    let unreadable = 0;
    const entries = await this.list(
      (piece) => logsIn(folder, piece),
      bundledEntry,
      'entries',
      async (path, i, entry) => {
        const text = 'text' in entry ? entry.text : JSON.stringify(entry.document);
        if ('text' in entry) unreadable++;
        else {
          const wrong = wrongInEntry(entry.kind, text);
          if (wrong !== null) throw new BundleError(`${path}, entry ${i + 1}: ${wrong}`);
        }
        await this.staging.add('log_entries', id, {
          train_id: id,
          id: entry.id,
          kind: entry.kind,
          document: text,
          saved_at: columnTime(entry.savedAt),
        });
      },
    );
    if (entries > MOST.entries)
      throw new BundleError(`The log of “${name}” has more than ${MOST.entries} entries, which is the limit.`);
    return { entries, unreadable };
  }

  private async picture({ id, folder }: BundledTrain, picture: BundledTrain['pictures'][number]): Promise<void> {
    const path = pictureOf(folder, picture);
    const bytes = await this.file(path);
    const plain = plainPicture(bytes);
    const reads = plain?.type === picture.type;
    if (!reads && !this.unreadable.has(path)) throw new BundleError(`${path} is not the picture it says it is.`);
    await this.staging.add('pictures', id, {
      train_id: id,
      id: picture.id,
      type: picture.type,
      // What goes in is what would go in alone.
      bytes: reads ? plain.bytes : bytes,
      saved_at: columnTime(picture.savedAt),
    });
  }

  private async practice(): Promise<void> {
    const { worksheets, people } = this.manifest;
    most(worksheets, MOST.worksheets, 'it', 'worksheets');
    most(people, MOST.people, 'it', 'names');
    for (const { id, name, savedAt } of worksheets) {
      const document = await this.kept(`worksheets/${id}.json`, wrongInWorksheet);
      await this.staging.add('worksheets', '', { id, name, document, saved_at: columnTime(savedAt) });
    }
    for (const person of people) {
      await this.staging.add('people', person.id, {
        id: person.id,
        name: person.name,
        saved_at: columnTime(person.savedAt),
      });
      const count = await this.list(
        (piece) => answersOf(person.id, piece),
        bundledAnswer,
        'answers',
        (_path, _i, own) =>
          this.staging.add('practice_answers', person.id, {
            person_id: person.id,
            id: own.id,
            document: 'text' in own ? own.text : JSON.stringify(own.answer),
            saved_at: columnTime(own.savedAt),
          }),
      );
      if (count > MOST.answers)
        throw new BundleError(`${person.name} has more than ${MOST.answers} answers, which is the limit.`);
    }
  }

  /** A list that may be in several files; how many there were. */
  private async list<T extends { readonly id: string }>(
    pathOf: (piece: number) => string,
    schema: z.ZodMiniType<T>,
    noun: string,
    each: (path: string, i: number, row: T) => Promise<void>,
  ): Promise<number> {
    const known = new Set<string>();
    const rows = z.array(schema);
    for (let piece = 0; this.zip.has(pathOf(piece)); piece++) {
      const path = pathOf(piece);
      const parsed = rows.safeParse(jsonIn(await this.text(path)));
      if (!parsed.success) throw new BundleError(`${path}: it holds no list of ${noun}.`);
      for (const [i, row] of parsed.data.entries()) {
        if (known.has(row.id)) throw new BundleError(`${path}, entry ${i + 1}: “${row.id}” is in it twice.`);
        known.add(row.id);
        await each(path, i, row);
      }
    }
    return known.size;
  }

  /** A document; one that does not read only where the manifest says that it did not. */
  private async kept(path: string, wrong: (text: string) => string | null): Promise<string> {
    const text = await this.text(path);
    if (this.unreadable.has(path)) return text;
    const message = wrong(text);
    if (message !== null) throw new BundleError(`${path}: ${message}`);
    return text;
  }

  private async text(path: string): Promise<string> {
    try {
      return new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(await this.file(path));
    } catch (error) {
      throw error instanceof BundleError ? error : new BundleError(`${path}: it is no text.`);
    }
  }

  private async file(path: string): Promise<Buffer> {
    const bytes = await this.zip.read(path);
    if (!bytes) throw new BundleError(`${path} is not there.`);
    const { sha256 } = sumOf(bytes);
    if (this.manifest.files[path]?.sha256 !== sha256)
      throw new BundleError(`${shown(path)} is not as it was when the bundle was made.`);
    return bytes;
  }
}

function jsonIn(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

function most(rows: readonly unknown[], limit: number, name: string, noun: string): void {
  if (rows.length > limit) throw new BundleError(`“${name}” has more than ${limit} ${noun}, which is the limit.`);
}

const MOST_LETTERS = 120;

/** What a train is called, and how it is where it comes beside the one that is there. */
function copyOf(document: string, called: string) {
  const parsed = parseTrain(document, { kept: true });
  const name = parsed.ok ? parsed.train.name : called;
  const copyName = `${name.slice(0, MOST_LETTERS - ' (restored)'.length)} (restored)`;
  const copyDocument = parsed.ok ? keptText({ ...parsed.train, name: copyName }) : document;
  return { name, copyName, copyDocument };
}

const columnTime = (time: string): string => (time === 'unknown' ? time : sqlTime(new Date(time)));
