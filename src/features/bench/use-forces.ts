'use client';

import { useMemo } from 'react';
import type { ForcesUse } from '@/core/forces';
import type { Solved } from '@/core/solve';
import type { Train } from '@/core/train';
import { SPEED_UNITS } from '@/core/units';
import { useLoads, useScale } from '@/features/train/input/loads';
import { useExplained } from '@/features/train/use-explained';
import { useTrain } from '@/features/train/use-train';

/** What forces are worked out from: what is engaged, and what is given at the input or at the outputs. */
export interface Forced {
  readonly train: Train;
  readonly solved: Solved;
  readonly use: ForcesUse;
  /** Loads are given at the outputs: what they make of other positions is not told by this torque. */
  readonly byLoads: boolean;
}

/** Null while what is typed as torque cannot be read. */
export function useForces(): Forced | null {
  const train = useTrain((state) => state.train);
  const { solved } = useExplained();
  const byLoads = useLoads() !== null;
  const { speed, torque } = useScale();
  const torqueNm = torque.value === null ? null : torque.value * torque.si;
  const speedRpm = speed.value === null ? null : (speed.value * speed.si) / SPEED_UNITS.rpm;
  return useMemo(
    () => (torqueNm === null ? null : { train, solved, use: { torqueNm, speedRpm }, byLoads }),
    [train, solved, torqueNm, speedRpm, byLoads],
  );
}
