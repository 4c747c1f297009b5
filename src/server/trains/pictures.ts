import type { Database } from '../database';
import { MOST } from '../most';
import { pictureType, type PlainPicture } from '../pictures/plain-picture';

/** Keeps a picture beside a train's log; the same one twice is kept once. */
export const keepPicture = (
  { write }: Database,
  trainId: string,
  picture: PlainPicture & { readonly id: string },
): Promise<'kept' | 'missing' | 'full'> =>
  write(async ({ trains, pictures }) => {
    if ((await trains.count({ where: { id: trainId } })) === 0) return 'missing';
    if ((await pictures.count({ where: { trainId } })) >= MOST.pictures) return 'full';
    await pictures.bulkCreate([{ trainId, ...picture, savedAt: new Date() }], { ignoreDuplicates: true });
    return 'kept';
  });

/**
 * A kept picture, and whether it begins as one of its type does: the rest was looked at when it was kept. Null where
 * none is kept.
 */
export async function findPicture(
  { pictures }: Database,
  trainId: string,
  id: string,
): Promise<{ readonly type: string; readonly bytes: Buffer; readonly reads: boolean } | null> {
  const row = await pictures.findOne({ where: { trainId, id } });
  if (!row) return null;
  const { type } = row.get();
  // The column may hold whatever was put there past the application.
  const kept: unknown = row.get().bytes;
  const bytes = Buffer.isBuffer(kept) ? kept : Buffer.from(String(kept));
  return { type, bytes, reads: pictureType(bytes) === type };
}
