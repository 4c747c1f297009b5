import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { sideViewOrder } from '@/core/drawing';
import { Bench } from '@/features/bench/bench';
import { database } from '@/server/database';
import { findTrain } from '@/server/trains/repository';

export const dynamic = 'force-dynamic';

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ first?: string }>;
}

const find = cache(async (id: string) => findTrain(await database(), id));

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await find((await params).id))?.train.name ?? 'Not on the shelf' };
}

export default async function BenchPage({ params, searchParams }: Props) {
  const found = await find((await params).id);
  if (!found) notFound();
  const first = (await searchParams).first !== undefined;
  return <Bench key={found.id} id={found.id} version={found.version} train={found.train} order={sideViewOrder(found.train)} first={first} />;
}
