import type { Metadata } from 'next';
import { SheetScreen } from '@/features/sheet/screen';

export const metadata: Metadata = { title: 'Sheet' };

export default function SheetPage() {
  return <SheetScreen />;
}
