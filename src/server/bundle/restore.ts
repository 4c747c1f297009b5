import { randomUUID } from 'node:crypto';
import { QueryTypes, Transaction } from 'sequelize';
import {
  putEntries,
  sqliteCode,
  type LogEntryRow,
  type Database,
  type PeopleModel,
  type PictureRow,
} from '../database';
import { answersIn, logIn, renamed, textOf, type CheckedBundle } from './check';
import { pictureOf, type BundledTrain } from './manifest';

/** What is to be done with a train that is on the shelf already. */
export const CHOICES = ['skip', 'both', 'replace'] as const;
export type Choice = (typeof CHOICES)[number];

/** What a bundle would bring. */
export interface Plan {
  readonly trains: readonly {
    readonly id: string;
    readonly name: string;
    readonly revisions: number;
    readonly readings: number;
    readonly pictures: number;
    readonly beside: number;
    /** What stands in its place now. */
    readonly there: {
      readonly name: string;
      /** Its document is the same, and its log has all that the bundle has. */
      readonly same: boolean;
      /** It was taken off the shelf, and can still be put back. */
      readonly inBin: boolean;
      /** Entries of the bundle's log that are not in its log yet. */
      readonly newEntries: number;
    } | null;
  }[];
  readonly worksheets: number;
  readonly people: number;
}

type Bundle = Extract<CheckedBundle, { ok: true }>;

/** Shows what will come before anything does. */
export async function planRestore({ trains, log }: Database, { manifest, files }: Bundle): Promise<Plan> {
  const planned: Plan['trains'][number][] = [];
  for (const train of manifest.trains) {
    const row = await trains.findOne({ where: { id: train.id }, paranoid: false });
    const document = textOf(files, `${train.folder}/train.json`)!;
    const coming = logIn(files, train.folder)!;
    const known = new Set(
      (await log.findAll({ where: { trainId: train.id }, attributes: ['id'] })).map((one) => one.get().id),
    );
    const newEntries = coming.filter(({ id }) => !known.has(id)).length;
    planned.push({
      id: train.id,
      name: train.name,
      revisions: train.revisions.length,
      readings: coming.length,
      pictures: train.pictures.length,
      beside: train.searches.length + train.scenarios.length,
      there: row && {
        name: row.get().name,
        same: row.get().document === document && newEntries === 0,
        inBin: row.isSoftDeleted(),
        newEntries,
      },
    });
  }
  return { trains: planned, worksheets: manifest.worksheets.length, people: manifest.people.length };
}

export interface Restored {
  readonly added: readonly string[];
  readonly replaced: readonly string[];
  readonly skipped: readonly string[];
  /** Trains that stay as they are, with log entries that only the bundle had. */
  readonly merged: readonly string[];
  /** Who got another name, since theirs is someone else's here. */
  readonly renamed: readonly { readonly from: string; readonly to: string }[];
}

const MOST_LETTERS = 120;

/** Puts a bundle's trains on the shelf, all or none. One that is there already is left as it is unless it was said otherwise. */
export async function restoreBundle(
  database: Database,
  bundle: Bundle,
  choiceFor: (id: string) => Choice,
): Promise<Restored> {
  const done = {
    added: [] as string[],
    replaced: [] as string[],
    skipped: [] as string[],
    merged: [] as string[],
    renamed: [] as Restored['renamed'],
  };
  await atOnce(database, async (transaction) => {
    for (const train of bundle.manifest.trains) {
      const there = await database.trains.findOne({ where: { id: train.id }, paranoid: false, transaction });
      const choice = there ? choiceFor(train.id) : 'both';
      if (there && choice === 'skip') {
        const same = there.get().document === textOf(bundle.files, `${train.folder}/train.json`);
        const merged = same && (await putReadings(database, bundle, train, train.id, transaction)) > 0;
        (merged ? done.merged : done.skipped).push(train.name);
        continue;
      }
      const own = there && choice === 'replace' ? await takeOff(database, train.id, transaction) : null;
      const copy = there && choice === 'both';
      const name = copy ? `${train.name} (restored)`.slice(0, MOST_LETTERS) : train.name;
      await putTrain(database, bundle, train, { id: copy ? randomUUID() : train.id, name }, transaction);
      if (own) await putBackReadings(database, own, transaction);
      (there && !copy ? done.replaced : done.added).push(name);
    }
    done.renamed = await putPractice(database, bundle, transaction);
  });
  return done;
}

/**
 * A transaction that has the lock for writing from its start. One that reads first would fail as soon as anybody saves
 * before it writes: what it has read is then no longer
 * how things stand.
 */
async function atOnce(
  database: Database,
  work: (transaction: Transaction) => Promise<void>,
  tries = 20,
): Promise<void> {
  const transaction = await database.sequelize
    .transaction({ type: Transaction.TYPES.IMMEDIATE })
    .catch((error: unknown) => {
      // Somebody else is writing for longer than SQLite waits by itself.
      if (tries > 1 && sqliteCode(error) === 'SQLITE_BUSY') return null;
      throw error;
    });
  if (!transaction) return atOnce(database, work, tries - 1);
  try {
    await work(transaction);
  } catch (error) {
    await transaction.rollback();
    throw error;
  }
  await transaction.commit();
}

type OwnReadings = { readonly log: LogEntryRow[]; readonly pictures: PictureRow[] };

/**
 * Takes a train off to make room for the bundle's, and gives what was logged of it: that is never lost, whatever
 * replaces the train.
 */
async function takeOff(
  { trains, log, pictures }: Database,
  id: string,
  transaction: Transaction,
): Promise<OwnReadings> {
  const where = { trainId: id };
  const own = {
    log: (await log.findAll({ where, order: [['place', 'ASC']], transaction })).map((row) => row.get()),
    pictures: (await pictures.findAll({ where, transaction })).map((row) => row.get()),
  };
  await trains.destroy({ where: { id }, force: true, transaction });
  return own;
}

async function putBackReadings({ log, pictures }: Database, own: OwnReadings, transaction: Transaction): Promise<void> {
  // After what the bundle had, in their own order.
  const entries = own.log.map((one) => ({ ...one, place: null }));
  await putEntries(log, entries, transaction);
  await pictures.bulkCreate(own.pictures, { ignoreDuplicates: true, transaction });
}

/** Rows are put in so many at a time. */
const BATCH = 500;

async function putTrain(
  database: Database,
  bundle: Bundle,
  train: BundledTrain,
  { id, name }: { readonly id: string; readonly name: string },
  transaction: Transaction,
): Promise<void> {
  const { sequelize, revisions, searches, scenarios } = database;
  const { files } = bundle;
  const { folder } = train;
  const own = textOf(files, `${folder}/train.json`)!;
  const document = name === train.name ? own : renamed(own, name);
  // As it was, with its times: the model would write today's.
  await sequelize.query(
    'INSERT INTO trains (id, name, document, version, created_at, updated_at) VALUES (?, ?, ?, ?, ?, ?)',
    {
      replacements: [id, name, document, train.version, sqlTime(train.createdAt), sqlTime(train.updatedAt)],
      transaction,
      type: QueryTypes.INSERT,
    },
  );
  // The database has kept this as a first state; the states come as they were.
  await revisions.destroy({ where: { trainId: id }, transaction });
  for (const { version, name: called, savedAt } of train.revisions) {
    const text = version === train.version ? document : textOf(files, `${folder}/revisions/${version}.json`)!;
    await revisions.create({ trainId: id, version, document: text, name: called, savedAt: new Date(savedAt) }, { transaction }); // prettier-ignore
  }
  for (const [kind, table, kept] of [['searches', searches, train.searches], ['scenarios', scenarios, train.scenarios]] as const) // prettier-ignore
    for (const one of kept)
      await table.create({ ...one, trainId: id, document: textOf(files, `${folder}/${kind}/${one.id}.json`)!, savedAt: new Date(one.savedAt) }, { transaction }); // prettier-ignore
  await putReadings(database, bundle, train, id, transaction);
}

/** Entries and pictures of a bundle's log that are not there yet; how many entries. */
async function putReadings(
  { log, pictures }: Database,
  { files }: Bundle,
  train: BundledTrain,
  id: string,
  transaction: Transaction,
): Promise<number> {
  const { folder } = train;
  const known = new Set(
    (await log.findAll({ where: { trainId: id }, attributes: ['id'], transaction })).map((row) => row.get().id),
  );
  const readings = logIn(files, folder)!
    .filter((one) => !known.has(one.id))
    .map((one) => ({
      trainId: id,
      id: one.id,
      kind: one.kind,
      document: JSON.stringify(one.document),
      savedAt: new Date(one.savedAt),
    }));
  for (let at = 0; at < readings.length; at += BATCH) await log.bulkCreate(readings.slice(at, at + BATCH), { transaction }); // prettier-ignore
  for (const one of train.pictures) {
    const row = { trainId: id, id: one.id, type: one.type, savedAt: new Date(one.savedAt) };
    const picture = Buffer.from(files[pictureOf(folder, one)]!);
    await pictures.bulkCreate([{ ...row, bytes: picture }], { ignoreDuplicates: true, transaction });
  }
  return readings.length;
}

/**
 * Worksheets and people that are not there yet; those that are stay as they are, and answers are added. Who could not
 * keep their name is told.
 */
async function putPractice(
  { worksheets, people, answers }: Database,
  { manifest, files }: Bundle,
  transaction: Transaction,
): Promise<Restored['renamed']> {
  const renamed: Restored['renamed'][number][] = [];
  for (const { id, name, savedAt } of manifest.worksheets)
    await worksheets.bulkCreate([{ id, name, document: textOf(files, `worksheets/${id}.json`)!, savedAt: new Date(savedAt) }], { ignoreDuplicates: true, transaction }); // prettier-ignore
  for (const { id, name, savedAt } of manifest.people) {
    if ((await people.count({ where: { id }, transaction })) === 0) {
      const free = await freeName(people, name, transaction);
      await people.create({ id, name: free, savedAt: new Date(savedAt) }, { transaction });
      if (free !== name) renamed.push({ from: name, to: free });
    }
    const own = answersIn(files, id)!.map((one) => ({ personId: id, id: one.id, document: JSON.stringify(one.answer), savedAt: new Date(one.savedAt) })); // prettier-ignore
    await answers.bulkCreate(own, { ignoreDuplicates: true, transaction });
  }
  return renamed;
}

/** A name that nobody has here, in whatever case it is written: this one, or this one with a mark. */
async function freeName(people: PeopleModel, name: string, transaction: Transaction): Promise<string> {
  for (let i = 0; ; i++) {
    const tried = i === 0 ? name : `${name} (restored${i === 1 ? '' : ` ${i}`})`;
    // The column compares without case.
    if ((await people.count({ where: { name: tried }, transaction })) === 0) return tried;
  }
}

/** As Sequelize writes times. */
const sqlTime = (iso: string): string => `${iso.replace('T', ' ').replace('Z', '')} +00:00`;
