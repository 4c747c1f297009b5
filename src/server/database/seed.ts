import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { parseTrain, problemText, serialiseTrain } from '@/core/train';
import type { Database } from './connection';

const SEEDED = 'demo trains seeded';

/** Puts the demo trains on the shelf, once in the life of a database: what people delete stays deleted. */
export async function seedDemoTrains(database: Database, folder: string): Promise<void> {
  const { sequelize, trains } = database;
  await sequelize.transaction(async (transaction) => {
    const [marks] = await sequelize.query('SELECT name FROM marks WHERE name = ?', { replacements: [SEEDED], transaction });
    if (marks.length > 0) return;
    const shelf = JSON.parse(await readFile(join(folder, 'shelf.json'), 'utf8')) as string[];
    const files = new Set(await readdir(join(folder, 'trains')));
    for (const name of shelf) {
      const file = `${name}.train.json`;
      if (!files.has(file)) throw new Error(`demo/shelf.json names ${name}, but demo/trains/${file} is missing.`);
      const parsed = parseTrain(await readFile(join(folder, 'trains', file), 'utf8'));
      if (!parsed.ok) throw new Error(`demo/trains/${file}: ${problemText(parsed.problems[0]!)}`);
      await trains.create({ id: name, name: parsed.train.name, document: serialiseTrain(parsed.train), version: 1 }, { transaction });
    }
    await sequelize.query('INSERT INTO marks (name, at) VALUES (?, ?)', { replacements: [SEEDED, new Date()], transaction });
  });
}
