import { useStore } from 'zustand';
import { ownOf } from '@/features/train/session';
import type { Loads } from '@/features/train/analysis';
import { useLoads } from '@/features/train/input/loads';
import { useTyped } from '@/features/train/input/typed-input';
import { useSession } from '@/features/train/use-train';
import { createSheet, type SheetItself, type SheetState } from './store';

export const useSheetItself = (): SheetItself => ownOf(useSession(), createSheet);
export const useSheet = <T>(select: (state: SheetState) => T): T => useStore(useSheetItself().store, select);

/** What is put in, in rpm and N·m; null while it cannot be read. */
export function useInput(): {
  readonly speedRpm: number | null;
  readonly torqueNm: number | null;
  /** Where loads are given, no torque is. */
  readonly loads: Loads | null;
} {
  const { speed, torque } = useTyped();
  const loads = useLoads();
  return {
    speedRpm: speed.value === null ? null : Number(((speed.value * speed.si * 60) / (2 * Math.PI)).toPrecision(12)),
    torqueNm: loads || torque.value === null ? null : Number((torque.value * torque.si).toPrecision(12)),
    loads,
  };
}
