'use client';

import { useMemo } from 'react';
import type { ForcesUse } from '@/core/forces';
import type { Solved } from '@/core/solve';
import type { Train } from '@/core/train';
import { SPEED_UNITS } from '@/core/units';
import { useExplained } from '@/features/train/use-explained';
import { useTyped } from '@/features/train/input/typed-input';
import { useTrain } from '@/features/train/use-train';

/** What forces are worked out from: what is engaged, and what is typed as input speed and torque. */
export function useForces(): { readonly train: Train; readonly solved: Solved; readonly use: ForcesUse } {
  const train = useTrain((state) => state.train);
  const { solved } = useExplained();
  const { speed, torque } = useTyped();
  const torqueNm = (torque.value ?? 1) * torque.si;
  const speedRpm = speed.value === null ? null : (speed.value * speed.si) / SPEED_UNITS.rpm;
  const use = useMemo(() => ({ torqueNm, speedRpm }), [torqueNm, speedRpm]);
  return { train, solved, use };
}
