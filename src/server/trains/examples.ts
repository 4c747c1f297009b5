import type { ExampleState } from '@/wire';
import { firstRow, type Database } from '../database';
import { readExamples, type Example } from '../examples/read';
import { findDocument, saveTrain, type Saved } from './repository';

/** The trains that ship with the application, and whether each is on the shelf as it was. */
export async function listExamples(database: Database, folder: string): Promise<ExampleState[]> {
  return Promise.all(
    (await readExamples(folder)).map(async ({ id, name, document }) => {
      const kept = await findDocument(database, id);
      return { id, name, state: !kept ? 'not on the shelf' : kept.document === document ? 'as it was' : 'changed' };
    }),
  );
}

/** Makes an example what it was; the states it had in between stay among its revisions. */
export async function restoreExample(database: Database, folder: string, id: string): Promise<Saved> {
  const example = (await readExamples(folder)).find((one) => one.id === id);
  if (!example) return { outcome: 'missing' };
  await database.write(({ trains }) => trains.restore({ where: { id } }));
  // Whatever is kept there, readable or not, is only replaced.
  const kept = await database.trains.findByPk(id, { attributes: ['version'] });
  return kept
    ? saveTrain(database, id, kept.get().version, { ok: true, ...example })
    : createExample(database, example);
}

async function createExample({ write }: Database, { id, name, document }: Example): Promise<Saved> {
  const row = await write(({ trains }) => trains.create(firstRow(id, { name, document })));
  return { outcome: 'saved', stored: { id, version: 1, updatedAt: row.get().updatedAt.toISOString(), document } };
}
