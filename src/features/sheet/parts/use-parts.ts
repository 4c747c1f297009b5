import { useMemo } from 'react';
import { partsOf, type PartsList } from '@/core/parts';
import { useTrain } from '@/features/train/use-train';
import { useInput } from '../use-sheet';

/** The parts list of the open train for what is put in. */
export function usePartsList(): {
  readonly list: PartsList;
  readonly speedRpm: number | null;
  readonly torqueNm: number | null;
} {
  const train = useTrain((state) => state.train);
  const { speedRpm, torqueNm } = useInput();
  const list = useMemo(() => partsOf(train, { speedRpm, torqueNm }), [train, speedRpm, torqueNm]);
  return { list, speedRpm, torqueNm };
}
