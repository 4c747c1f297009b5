import type { Metadata } from 'next';
import { TeethOfTrain } from '@/features/teeth/screen';

export const metadata: Metadata = { title: 'Teeth' };

export default function TrainTeethPage() {
  return <TeethOfTrain />;
}
