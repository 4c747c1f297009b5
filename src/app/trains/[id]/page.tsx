import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { sideViewOrder } from '@/core/drawing';
import { Bench } from '@/features/bench/bench';
import { databaseOrReason } from '@/server/database';
import { findTrain, isReadable } from '@/server/trains/repository';
import { NoDatabase } from '../../no-database';
import { Unreadable } from './unreadable';

export const dynamic = 'force-dynamic';

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ first?: string }>;
}

const find = cache(async (id: string) => {
  const opened = await databaseOrReason();
  return 'reason' in opened ? opened : findTrain(opened.database, id);
});

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const found = await find((await params).id);
  if (found && 'reason' in found) return { title: 'The shelf cannot be opened' };
  return { title: !found ? 'Not on the shelf' : isReadable(found) ? found.train.name : found.name };
}

export default async function BenchPage({ params, searchParams }: Props) {
  const found = await find((await params).id);
  if (!found) notFound();
  if ('reason' in found) return <NoDatabase reason={found.reason} />;
  if (!isReadable(found)) return <Unreadable kept={found} />;
  const first = (await searchParams).first !== undefined;
  return <Bench key={found.id} id={found.id} version={found.version} train={found.train} order={sideViewOrder(found.train)} first={first} />;
}
