import type { BesideModel, Database } from '../database';
import { keptTime } from '../kept-row';

/** A document that is kept beside a train. */
export interface Beside {
  readonly id: string;
  readonly name: string;
  readonly savedAt: string;
  readonly document: string;
}

/** Documents of one kind beside one train. */
const MOST_KEPT = 200;

/** What is kept beside a train in one of the tables, the newest first. */
export async function listBeside(table: BesideModel, trainId: string): Promise<Beside[]> {
  const rows = await table.findAll({ where: { trainId }, order: [['savedAt', 'DESC'], ['id', 'ASC']] }); // prettier-ignore
  return rows.map((row) => {
    const { id, name, savedAt, document } = row.get();
    return { id, name, savedAt: keptTime(savedAt), document };
  });
}

/** The text of one of them as it is kept; null where there is none. */
export const findBeside = async (table: BesideModel, trainId: string, id: string): Promise<string | null> =>
  (await table.findOne({ where: { trainId, id } }))?.get().document ?? null;

/** Keeps a document beside a train under an id, over what was kept there. */
export async function keepBeside(
  { trains }: Database,
  table: BesideModel,
  trainId: string,
  { id, name, document }: Pick<Beside, 'id' | 'name' | 'document'>,
): Promise<'kept' | 'missing' | 'full'> {
  if ((await trains.count({ where: { id: trainId } })) === 0) return 'missing';
  const others = (await table.findAll({ where: { trainId }, attributes: ['id'] })).filter((row) => row.get().id !== id);
  if (others.length >= MOST_KEPT) return 'full';
  await table.upsert({ trainId, id, name, document, savedAt: new Date() });
  return 'kept';
}

/** Forgets a document. False where there is none. */
export const forgetBeside = async (table: BesideModel, trainId: string, id: string): Promise<boolean> =>
  (await table.destroy({ where: { trainId, id } })) === 1;

/** What is kept beside one train goes along with its copy; done twice it is there once. */
export async function copyBeside(
  { searches, scenarios, log, pictures }: Database,
  from: string,
  to: string,
): Promise<void> {
  for (const table of [searches, scenarios]) {
    const rows = (await table.findAll({ where: { trainId: from } })).map((row) => ({ ...row.get(), trainId: to }));
    await table.bulkCreate(rows, { ignoreDuplicates: true });
  }
  const entries = (await log.findAll({ where: { trainId: from } })).map((row) => ({ ...row.get(), trainId: to }));
  await log.bulkCreate(entries, { ignoreDuplicates: true });
  // One by one: together they could be more than fits.
  for (const row of await pictures.findAll({ where: { trainId: from }, attributes: ['id'] })) {
    const whole = await pictures.findOne({ where: { trainId: from, id: row.get().id } });
    if (whole) await pictures.bulkCreate([{ ...whole.get(), trainId: to }], { ignoreDuplicates: true });
  }
}
