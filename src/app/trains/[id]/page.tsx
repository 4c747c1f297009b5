import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { Bench } from '@/features/bench/bench';
import { database } from '@/server/database';
import { findTrain } from '@/server/trains/repository';

export const dynamic = 'force-dynamic';

type Props = { params: Promise<{ id: string }> };

const find = cache(async (id: string) => findTrain(await database(), id));

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await find((await params).id))?.train.name ?? 'Not on the shelf' };
}

export default async function BenchPage({ params }: Props) {
  const found = await find((await params).id);
  if (!found) notFound();
  return <Bench key={found.id} id={found.id} version={found.version} train={found.train} />;
}
