import type { Metadata } from 'next';
import { ChartScreen } from '@/features/chart/screen';

export const metadata: Metadata = { title: 'Chart' };

export default function ChartPage() {
  return <ChartScreen />;
}
