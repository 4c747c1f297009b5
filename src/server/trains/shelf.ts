import { summariseTrain, type TrainSummary } from '@/core/gear-chart';
import type { Database } from '../database';
import { findTrain } from './repository';

/** A train as the shelf lists it: without its document, so that many can be listed at once. */
export interface ShelfRow extends TrainSummary {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly updatedAt: string;
}

/** Every train, by name. A summary is worked out once for each version and kept beside the document. */
export async function listShelf(database: Database): Promise<ShelfRow[]> {
  const rows = await database.trains.findAll({ attributes: ['id', 'name', 'version', 'updatedAt', 'summary', 'summaryVersion'], order: [['name', 'ASC']] });
  const listed: ShelfRow[] = [];
  for (const row of rows) {
    const { id, name, version, updatedAt, summary, summaryVersion } = row.get();
    const known = summary !== null && summaryVersion === version ? (JSON.parse(summary) as TrainSummary) : await summarise(database, id);
    if (known) listed.push({ id, name, version, updatedAt: updatedAt.toISOString(), ...known });
  }
  return listed;
}

async function summarise(database: Database, id: string): Promise<TrainSummary | null> {
  const found = await findTrain(database, id);
  if (!found) return null;
  const summary = summariseTrain(found.train);
  // Only if it is still that version; and it is no change of the train.
  await database.trains.update({ summary: JSON.stringify(summary), summaryVersion: found.version }, { where: { id, version: found.version }, silent: true });
  return summary;
}
