import { randomUUID } from 'node:crypto';
import { QueryTypes, type Transaction } from 'sequelize';
import { plainPicture } from '../trains/picture-bytes';
import type { Database } from '../database';
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
    readonly there: { readonly name: string; readonly same: boolean } | null;
  }[];
  readonly worksheets: number;
  readonly people: number;
}

type Bundle = Extract<CheckedBundle, { ok: true }>;

/** Shows what will come before anything does. */
export async function planRestore({ trains }: Database, { manifest, files }: Bundle): Promise<Plan> {
  const planned: Plan['trains'][number][] = [];
  for (const train of manifest.trains) {
    const row = await trains.findOne({ where: { id: train.id }, paranoid: false });
    const document = textOf(files, `${train.folder}/train.json`)!;
    planned.push({
      id: train.id,
      name: train.name,
      revisions: train.revisions.length,
      readings: logIn(files, train.folder)!.length,
      pictures: train.pictures.length,
      beside: train.searches.length + train.scenarios.length,
      there: row && { name: row.get().name, same: row.get().document === document },
    });
  }
  return { trains: planned, worksheets: manifest.worksheets.length, people: manifest.people.length };
}

export interface Restored {
  readonly added: readonly string[];
  readonly replaced: readonly string[];
  readonly skipped: readonly string[];
}

const MOST_LETTERS = 120;

/** Puts a bundle's trains on the shelf, all or none. One that is there already is left as it is unless it was said otherwise. */
export async function restoreBundle(
  database: Database,
  bundle: Bundle,
  choiceFor: (id: string) => Choice,
): Promise<Restored> {
  const done = { added: [] as string[], replaced: [] as string[], skipped: [] as string[] };
  await database.sequelize.transaction(async (transaction) => {
    for (const train of bundle.manifest.trains) {
      const there = (await database.trains.count({ where: { id: train.id }, paranoid: false, transaction })) > 0;
      const choice = there ? choiceFor(train.id) : 'both';
      if (there && choice === 'skip') {
        done.skipped.push(train.name);
        continue;
      }
      if (there && choice === 'replace') await database.trains.destroy({ where: { id: train.id }, force: true, transaction }); // prettier-ignore
      const copy = there && choice === 'both';
      const name = copy ? `${train.name} (restored)`.slice(0, MOST_LETTERS) : train.name;
      await putTrain(database, bundle, train, { id: copy ? randomUUID() : train.id, name }, transaction);
      (there && !copy ? done.replaced : done.added).push(name);
    }
    await putPractice(database, bundle, transaction);
  });
  return done;
}

async function putTrain(
  { sequelize, revisions, searches, scenarios, log, pictures }: Database,
  { files }: Bundle,
  train: BundledTrain,
  { id, name }: { readonly id: string; readonly name: string },
  transaction: Transaction,
): Promise<void> {
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
  const readings = logIn(files, folder)!.map((one) => ({ trainId: id, id: one.id, name: one.kind, document: JSON.stringify(one.document), savedAt: new Date(one.savedAt) })); // prettier-ignore
  const BATCH = 500;
  for (let at = 0; at < readings.length; at += BATCH) await log.bulkCreate(readings.slice(at, at + BATCH), { transaction }); // prettier-ignore
  for (const one of train.pictures) {
    const plain = plainPicture(Buffer.from(files[pictureOf(folder, one)]!))!;
    await pictures.create({ trainId: id, id: one.id, ...plain, savedAt: new Date(one.savedAt) }, { transaction });
  }
}

/** Worksheets and people that are not there yet; those that are stay as they are, and answers are added. */
async function putPractice(
  { worksheets, people, answers }: Database,
  { manifest, files }: Bundle,
  transaction: Transaction,
): Promise<void> {
  for (const { id, name, savedAt } of manifest.worksheets)
    await worksheets.bulkCreate([{ id, name, document: textOf(files, `worksheets/${id}.json`)!, savedAt: new Date(savedAt) }], { ignoreDuplicates: true, transaction }); // prettier-ignore
  for (const { id, name, savedAt } of manifest.people) {
    await people.bulkCreate([{ id, name, savedAt: new Date(savedAt) }], { ignoreDuplicates: true, transaction });
    // Someone else may have this name here already.
    if ((await people.count({ where: { id }, transaction })) === 0) continue;
    const own = answersIn(files, id)!.map((one) => ({ personId: id, id: one.id, document: JSON.stringify(one.answer), savedAt: new Date(one.savedAt) })); // prettier-ignore
    await answers.bulkCreate(own, { ignoreDuplicates: true, transaction });
  }
}

/** As Sequelize writes times. */
const sqlTime = (iso: string): string => `${iso.replace('T', ' ').replace('Z', '')} +00:00`;
