import type { Metadata } from 'next';
import { ShiftingScreen } from '@/features/shifting/screen';

export const metadata: Metadata = { title: 'Shifting' };

export default function ShiftingPage() {
  return <ShiftingScreen />;
}
