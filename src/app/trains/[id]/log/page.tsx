import type { Metadata } from 'next';
import { Screen } from '@/features/log/screen';

export const metadata: Metadata = { title: 'Log' };

export default function LogPage() {
  return <Screen />;
}
