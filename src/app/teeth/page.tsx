import type { Metadata } from 'next';
import { TeethAlone } from '@/features/teeth/alone';

export const metadata: Metadata = { title: 'Teeth · Tin Wheel' };

export default function TeethPage() {
  return <TeethAlone />;
}
