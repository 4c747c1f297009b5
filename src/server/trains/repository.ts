import { randomUUID } from 'node:crypto';
import { checkTrain, parseTrain, problemText, serialiseTrain, type Problem, type Train } from '@/core/train';
import type { Database } from '../database';

/** A train as kept: its document and the version that the next save must name. */
export interface StoredTrain {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly train: Train;
}

export type Saved =
  | { readonly outcome: 'saved'; readonly stored: StoredTrain }
  | { readonly outcome: 'stale'; readonly current: StoredTrain }
  | { readonly outcome: 'missing' }
  | { readonly outcome: 'refused'; readonly problems: readonly Problem[] };

/** Every train, by name. */
export async function listTrains({ trains }: Database): Promise<StoredTrain[]> {
  const rows = await trains.findAll({ order: [['name', 'ASC']] });
  return rows.map((row) => stored(row.get()));
}

export async function findTrain({ trains }: Database, id: string): Promise<StoredTrain | null> {
  const row = await trains.findByPk(id);
  return row ? stored(row.get()) : null;
}

/** Adds a document as a new train. */
export async function addTrain({ trains }: Database, document: unknown): Promise<Saved> {
  const checked = checkTrain(document);
  if (!checked.ok) return { outcome: 'refused', problems: checked.problems };
  const row = await trains.create({ id: randomUUID(), name: checked.train.name, document: serialiseTrain(checked.train), version: 1 });
  return { outcome: 'saved', stored: stored(row.get()) };
}

/** Saves a document over the version it started from; when that is no longer the newest, nothing is written. */
export async function saveTrain(database: Database, id: string, version: number, document: unknown): Promise<Saved> {
  const checked = checkTrain(document);
  if (!checked.ok) return { outcome: 'refused', problems: checked.problems };
  const { train } = checked;
  const [changed] = await database.trains.update({ name: train.name, document: serialiseTrain(train), version: version + 1 }, { where: { id, version } });
  const current = await findTrain(database, id);
  if (!current) return { outcome: 'missing' };
  return changed === 1 ? { outcome: 'saved', stored: { ...current, version: version + 1, train } } : { outcome: 'stale', current };
}

/** Takes a train off the shelf and gives back what it was; null when there is none. */
export async function removeTrain({ sequelize, trains }: Database, id: string): Promise<StoredTrain | null> {
  return sequelize.transaction(async (transaction) => {
    const row = await trains.findByPk(id, { transaction });
    if (!row) return null;
    await row.destroy({ transaction });
    return stored(row.get());
  });
}

function stored(row: { id: string; version: number; document: string; updatedAt: Date }): StoredTrain {
  const parsed = parseTrain(row.document);
  if (!parsed.ok) throw new Error(`The stored train ${row.id} does not read: ${problemText(parsed.problems[0]!)}`);
  return { id: row.id, version: row.version, updatedAt: row.updatedAt.toISOString(), train: parsed.train };
}
