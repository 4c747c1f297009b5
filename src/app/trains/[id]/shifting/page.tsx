import type { Metadata } from 'next';
import { Screen } from '@/features/shifting/screen';

export const metadata: Metadata = { title: 'Shifting' };

export default function ShiftingPage() {
  return <Screen />;
}
