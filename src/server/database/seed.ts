import { Transaction } from 'sequelize';
import { readExamplesBeside, type ExampleBeside } from '../examples/beside';
import { readExamples } from '../examples/read';
import { JOBS } from '../heavy/jobs';
import type { Database } from './connection';
import { firstRow } from './train-model';

const SEEDED = 'demo trains seeded';

/** Puts the demo trains on the shelf with what ships beside them, once in the life of a database: what people delete stays deleted. */
export async function seedDemoTrains(database: Database, folder: string): Promise<void> {
  const { sequelize, trains, searches, scenarios, log, worksheets } = database;
  // At once for writing, so that of two servers that start together one seeds and the other finds it done.
  await sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, async (transaction) => {
    const [marks] = await sequelize.query('SELECT name FROM marks WHERE name = ?', {
      replacements: [SEEDED],
      transaction,
    });
    if (marks.length > 0) return;
    const examples = await readExamples(folder);
    await trains.bulkCreate(
      examples.map(({ id, name, document }) => firstRow(id, { name, document }, JOBS.summarise(document))),
      { transaction },
    );
    const beside = await readExamplesBeside(folder);
    const at = Date.now();
    // A millisecond for each, so that they stay in their order.
    const rows = (those: readonly ExampleBeside[]) => those.map(({ train, ...rest }, i) => ({ ...rest, trainId: train!, savedAt: new Date(at + i) })); // prettier-ignore
    await searches.bulkCreate(rows(beside.searches), { transaction });
    await scenarios.bulkCreate(rows(beside.scenarios), { transaction });
    await log.bulkCreate(
      rows(beside.readings).map(({ name, ...row }) => ({ ...row, kind: name })),
      { transaction },
    );
    await worksheets.bulkCreate(beside.worksheets.map(({ id, name, document }) => ({ id, name, document, savedAt: new Date(at) })), { transaction }); // prettier-ignore
    await sequelize.query('INSERT INTO marks (name, at) VALUES (?, ?)', {
      replacements: [SEEDED, new Date()],
      transaction,
    });
  });
}
