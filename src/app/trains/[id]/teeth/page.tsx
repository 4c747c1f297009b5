import type { Metadata } from 'next';
import { Screen } from '@/features/teeth/screen';

export const metadata: Metadata = { title: 'Teeth' };

export default function TeethPage() {
  return <Screen />;
}
