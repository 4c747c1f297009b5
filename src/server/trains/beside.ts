import { Op } from 'sequelize';
import type { BesideModel, Database } from '../database';
import { MOST } from '../most';
import { putAside } from '../put-aside';
import { keptDocument, keptTime } from '../kept-row';

/** A document that is kept beside a train. */
export interface Beside {
  readonly id: string;
  readonly name: string;
  readonly savedAt: string;
  readonly document: string;
}

/** What is kept beside a train in one of the tables, the newest first, one by one: together they may be large. */
export async function* besideRows(table: BesideModel, trainId: string): AsyncGenerator<Beside> {
  const rows = await table.findAll({
    where: { trainId },
    attributes: ['id', 'name', 'savedAt'],
    order: [
      ['savedAt', 'DESC'],
      ['id', 'ASC'],
    ],
  });
  for (const row of rows) {
    const { id, name, savedAt } = row.get();
    const document = await findBeside(table, trainId, id);
    if (document !== null) yield { id, name, savedAt: keptTime(savedAt), document };
  }
}

/** The text of one of them as it is kept; null where there is none. */
export const findBeside = async (table: BesideModel, trainId: string, id: string): Promise<string | null> =>
  (await table.findOne({ where: { trainId, id } }))?.get().document ?? null;

/** The tables of what is kept beside trains. */
export type StoredKind = 'searches' | 'scenarios';

/** Keeps a document beside a train under an id, over what was kept there. */
export const keepBeside = (
  { write }: Database,
  kind: StoredKind,
  trainId: string,
  { id, name, document }: Pick<Beside, 'id' | 'name' | 'document'>,
): Promise<'kept' | 'missing' | 'full'> =>
  write(async ({ trains, [kind]: table }) => {
    if ((await trains.count({ where: { id: trainId } })) === 0) return 'missing';
    if ((await table.count({ where: { trainId, id: { [Op.ne]: id } } })) >= MOST.beside) return 'full';
    await table.upsert({ trainId, id, name, document, savedAt: new Date() });
    return 'kept';
  });

/** Forgets a document; one that does not read is put aside. False where there is none. */
export const removeBeside = ({ write }: Database, kind: StoredKind, trainId: string, id: string): Promise<boolean> =>
  write(async (tables) => {
    const text = await findBeside(tables[kind], trainId, id);
    if (text === null) return false;
    if ('unreadable' in keptDocument(text)) await putAside(tables, kind, trainId, [id]);
    else await tables[kind].destroy({ where: { trainId, id } });
    return true;
  });

/** Rows of these tables go along with the copy of a train, each as it is. */
const COPIED = {
  searches: 'id, name, document, saved_at',
  scenarios: 'id, name, document, saved_at',
  log_entries: 'id, kind, document, saved_at',
  pictures: 'id, type, bytes, saved_at',
};

/** What is kept beside one train goes along with its copy; done twice it is there once. */
export async function copyBeside({ write }: Database, from: string, to: string): Promise<void> {
  for (const [table, columns] of Object.entries(COPIED))
    await write(({ sql }) =>
      sql(
        `INSERT OR IGNORE INTO ${table} (train_id, ${columns}) SELECT ?, ${columns} FROM ${table} ` +
          `WHERE train_id = ? ORDER BY ${table === 'log_entries' ? 'place' : 'id'}`,
        [to, from],
      ),
    );
}
