import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { Shelf } from '@/features/shelf/shelf';
import { shelfEntry } from '@/features/shelf/entry';
import { database } from '@/server/database';
import { listTrains } from '@/server/trains/repository';

export const dynamic = 'force-dynamic';

/** The train that a first visit opens. */
const FIRST_TRAIN = 'pan-rake';

export default async function ShelfPage() {
  const trains = await listTrains(await database());
  if (!(await cookies()).has('visited') && trains.some(({ id }) => id === FIRST_TRAIN)) redirect(`/trains/${FIRST_TRAIN}?first`);
  return <Shelf entries={trains.map(({ id, updatedAt, train }) => shelfEntry(id, updatedAt, train))} />;
}
