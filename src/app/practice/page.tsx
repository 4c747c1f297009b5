import type { Metadata } from 'next';
import { PracticeAlone } from '@/features/practice/alone';

export const metadata: Metadata = { title: 'Practice · Tin Wheel' };

export default function PracticePage() {
  return <PracticeAlone />;
}
