import type { Metadata } from 'next';
import { Alone } from '@/features/practice/alone';

export const metadata: Metadata = { title: 'Practice · Tin Wheel' };

export default function PracticePage() {
  return <Alone />;
}
