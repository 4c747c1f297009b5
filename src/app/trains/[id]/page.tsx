import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { sideViewOrder } from '@/core/drawing';
import { Bench } from '@/features/bench/bench';
import { database } from '@/server/database';
import { findTrain, isReadable } from '@/server/trains/repository';
import { Unreadable } from './unreadable';

export const dynamic = 'force-dynamic';

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ first?: string }>;
}

const find = cache(async (id: string) => findTrain(await database(), id));

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const found = await find((await params).id);
  return { title: !found ? 'Not on the shelf' : isReadable(found) ? found.train.name : found.name };
}

export default async function BenchPage({ params, searchParams }: Props) {
  const found = await find((await params).id);
  if (!found) notFound();
  if (!isReadable(found)) return <Unreadable kept={found} />;
  const first = (await searchParams).first !== undefined;
  return <Bench key={found.id} id={found.id} version={found.version} train={found.train} order={sideViewOrder(found.train)} first={first} />;
}
