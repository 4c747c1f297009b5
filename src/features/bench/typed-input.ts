'use client';

import { useMemo } from 'react';
import { readQuantity, SPEED_UNITS, TORQUE_UNITS, type SpeedUnit, type TorqueUnit } from '@/core/units';
import { usePreferences } from '@/ui/preferences';
import { useBench } from './store';

interface Typed<U> {
  /** Null while what is typed cannot be read. */
  readonly value: number | null;
  readonly unit: U;
  readonly message: string | null;
}

/** The typed input speed and torque as numbers in the chosen units, or what is wrong with them. */
export function useTyped(): { readonly speed: Typed<SpeedUnit>; readonly torque: Typed<TorqueUnit> } {
  const { speedUnit, torqueUnit } = usePreferences();
  const speedText = useBench((state) => state.speedText);
  const torqueText = useBench((state) => state.torqueText);
  return useMemo(
    () => ({ speed: read(speedText, SPEED_UNITS, speedUnit, 'the input speed'), torque: read(torqueText, TORQUE_UNITS, torqueUnit, 'the input torque') }),
    [speedText, torqueText, speedUnit, torqueUnit],
  );
}

function read<U extends string>(text: string, table: Readonly<Record<U, number>>, unit: U, what: string): Typed<U> {
  const quantity = readQuantity(text, Object.keys(table) as U[], unit, what);
  return quantity.ok ? { value: (quantity.value * table[quantity.unit]) / table[unit], unit, message: null } : { value: null, unit, message: quantity.message };
}
