import { readExamplesBeside, type ExampleBeside } from '../examples/beside';
import { readExamples } from '../examples/read';
import { HEAVY_JOBS } from '../heavy/jobs';
import type { Database } from './connection';
import { sqlTime, type Tables } from './tables';
import { firstRow } from './train-model';
import { required } from '@/core/required';

const SEEDED = 'demo trains seeded';

/**
 * Puts the demo trains on the shelf with what ships beside them, once in the life of a database: what people delete
 * stays deleted.
 */
export async function seedDemoTrains(database: Database, folder: string): Promise<void> {
  // Read before there is anything to be written: of two servers that start together one seeds, and the other finds it
  // done.
  if (await isSeeded(database)) return;
  const [examples, beside] = [await readExamples(folder), await readExamplesBeside(folder)];
  const first = examples.map(({ id, name, document }) =>
    firstRow(id, { name, document }, HEAVY_JOBS.summarise(document)),
  );
  await database.write(async (tables) => {
    if (await isSeeded(tables)) return;
    const savedAt = new Date();
    // A millisecond for each, so that they are listed in their order.
    const rows = (those: readonly ExampleBeside[]) =>
      those.map(({ train, ...rest }, i) => ({
        ...rest,
        trainId: required(train),
        savedAt: new Date(savedAt.getTime() + i),
      }));
    await tables.trains.bulkCreate(first);
    await tables.searches.bulkCreate(rows(beside.searches));
    await tables.scenarios.bulkCreate(rows(beside.scenarios));
    await tables.log.bulkCreate(rows(beside.readings).map(({ name, ...row }) => ({ ...row, kind: name })));
    await tables.worksheets.bulkCreate(
      beside.worksheets.map(({ id, name, document }) => ({ id, name, document, savedAt })),
    );
    await tables.sql('INSERT INTO marks (name, at) VALUES (?, ?)', [SEEDED, sqlTime(savedAt)]);
  });
}

const isSeeded = async ({ sql }: Pick<Tables, 'sql'>): Promise<boolean> =>
  (await sql('SELECT name FROM marks WHERE name = ?', [SEEDED])).length > 0;
