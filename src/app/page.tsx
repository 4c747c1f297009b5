import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { Shelf } from '@/features/shelf/shelf';
import { database } from '@/server/database';
import { listShelf } from '@/server/trains/shelf';

export const dynamic = 'force-dynamic';

/** The train that a first visit opens. */
const FIRST_TRAIN = 'pan-rake';

export default async function ShelfPage() {
  const trains = await listShelf(await database());
  if (!(await cookies()).has('visited') && trains.some(({ id }) => id === FIRST_TRAIN)) redirect(`/trains/${FIRST_TRAIN}?first`);
  return <Shelf entries={trains} />;
}
