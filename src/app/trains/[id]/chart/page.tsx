import type { Metadata } from 'next';
import { Screen } from '@/features/chart/screen';

export const metadata: Metadata = { title: 'Chart' };

export default function ChartPage() {
  return <Screen />;
}
