import type { Database } from '../database';
import { keptTime } from '../kept-row';

const MOST_WORKSHEETS = 500;

/** Worksheets, the newest first, without what is in them. */
export async function listWorksheets({ reading: { worksheets } }: Database) {
  const rows = await worksheets.findAll({ attributes: ['id', 'name', 'savedAt'], order: [['savedAt', 'DESC'], ['id', 'ASC']] }); // prettier-ignore
  return rows.map((row) => {
    const { id, name, savedAt } = row.get();
    return { id, name, savedAt: keptTime(savedAt) };
  });
}

/** A worksheet's text; null where there is none. */
export const readWorksheetText = async ({ reading: { worksheets } }: Database, id: string): Promise<string | null> =>
  (await worksheets.findOne({ where: { id } }))?.get().document ?? null;

/** Keeps a worksheet under an id, over what was kept there. */
export async function keepWorksheet(
  { worksheets }: Database,
  sheet: { readonly id: string; readonly name: string; readonly document: string },
): Promise<'kept' | 'full'> {
  const there = await worksheets.count({ where: { id: sheet.id } });
  if (there === 0 && (await worksheets.count()) >= MOST_WORKSHEETS) return 'full';
  await worksheets.upsert({ ...sheet, savedAt: new Date() });
  return 'kept';
}

/** Forgets a worksheet. False where there is none. */
export const forgetWorksheet = async ({ worksheets }: Database, id: string): Promise<boolean> =>
  (await worksheets.destroy({ where: { id } })) === 1;
