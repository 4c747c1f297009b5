import type { Metadata } from 'next';
import { Screen } from '@/features/practice/screen';

export const metadata: Metadata = { title: 'Practice' };

export default function TrainPracticePage() {
  return <Screen />;
}
