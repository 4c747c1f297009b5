import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { Shelf } from '@/features/shelf/shelf';
import { databaseOrReason } from '@/server/database';
import { listShelf } from '@/server/trains/shelf';
import { NoDatabase } from './no-database';

export const dynamic = 'force-dynamic';

/** The train that a first visit opens. */
const FIRST_TRAIN = 'pan-rake';

export default async function ShelfPage() {
  const opened = await databaseOrReason();
  if ('reason' in opened) return <NoDatabase reason={opened.reason} />;
  const { rows: trains } = await listShelf(opened.database);
  if (!(await cookies()).has('visited') && trains.some(({ id }) => id === FIRST_TRAIN))
    redirect(`/trains/${FIRST_TRAIN}?first`);
  return <Shelf entries={trains} />;
}
