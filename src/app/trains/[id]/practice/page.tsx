import type { Metadata } from 'next';
import { PracticeScreen } from '@/features/practice/screen';

export const metadata: Metadata = { title: 'Practice' };

export default function TrainPracticePage() {
  return <PracticeScreen />;
}
