import type { Metadata } from 'next';
import { setsInAddress } from '@/features/train/scheme-address';
import { SchemesAlone } from '@/features/schemes/alone';

export const metadata: Metadata = { title: 'Schemes · Tin Wheel' };

export default async function SchemesPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  return <SchemesAlone from={setsInAddress(await searchParams)} />;
}
