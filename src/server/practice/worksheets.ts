import type { Database } from '../database';
import { keptTime } from '../kept-row';
import { MOST } from '../most';

/** Worksheets, the newest first, without what is in them. */
export async function listWorksheets({ worksheets }: Database) {
  const rows = await worksheets.findAll({
    attributes: ['id', 'name', 'savedAt'],
    order: [
      ['savedAt', 'DESC'],
      ['id', 'ASC'],
    ],
  });
  return rows.map((row) => {
    const { id, name, savedAt } = row.get();
    return { id, name, savedAt: keptTime(savedAt) };
  });
}

/** A worksheet's text; null where there is none. */
export const readWorksheetText = async ({ worksheets }: Database, id: string): Promise<string | null> =>
  (await worksheets.findOne({ where: { id } }))?.get().document ?? null;

/** Keeps a worksheet under an id, over what was kept there. */
export const keepWorksheet = (
  { write }: Database,
  sheet: { readonly id: string; readonly name: string; readonly document: string },
): Promise<'kept' | 'full'> =>
  write(async ({ worksheets }) => {
    const there = await worksheets.count({ where: { id: sheet.id } });
    if (there === 0 && (await worksheets.count()) >= MOST.worksheets) return 'full';
    await worksheets.upsert({ ...sheet, savedAt: new Date() });
    return 'kept';
  });

/** Forgets a worksheet. False where there is none. */
export const removeWorksheet = ({ write }: Database, id: string): Promise<boolean> =>
  write(async ({ worksheets }) => (await worksheets.destroy({ where: { id } })) === 1);
