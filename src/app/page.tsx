import { Shelf } from '@/features/shelf/shelf';
import { shelfEntry } from '@/features/shelf/entry';
import { database } from '@/server/database';
import { listTrains } from '@/server/trains/repository';

export const dynamic = 'force-dynamic';

export default async function ShelfPage() {
  const trains = await listTrains(await database());
  return <Shelf entries={trains.map(({ id, updatedAt, train }) => shelfEntry(id, updatedAt, train))} />;
}
