'use client';

import { useMemo } from 'react';
import { isForce, readQuantity, SPEED_UNITS, torqueTable, type ForceUnit, type TorqueUnit } from '@/core/units';
import { usePreferences } from '@/ui/preferences';
import { useTrain } from '../use-train';

/** What is typed at a field, as a number in the unit chosen. */
export interface Typed {
  /** Null while what is typed cannot be read. */
  readonly value: number | null;
  /** The unit as it is shown: "N·m", or "N × 250 mm" for a force on an arm. */
  readonly unit: string;
  /** One of the unit in SI: rad/s or N·m. */
  readonly si: number;
  readonly message: string | null;
}

export interface TypedInput {
  readonly speed: Typed;
  readonly torque: Typed;
}

/** The typed input speed and torque as numbers in the chosen units, or what is wrong with them. */
export function useTyped(): TypedInput {
  const { speedUnit, torqueUnit, armMm } = usePreferences();
  const speedText = useTrain((state) => state.speedText);
  const torqueText = useTrain((state) => state.torqueText);
  return useMemo(
    () => ({
      speed: read(speedText, SPEED_UNITS, speedUnit, speedUnit, 'the input speed'),
      torque: readTorque(torqueText, torqueUnit, armMm, 'the input torque'),
    }),
    [speedText, torqueText, speedUnit, torqueUnit, armMm],
  );
}

/** A torque as typed, in the unit chosen, or a force on an arm. */
export const readTorque = (
  text: string,
  unit: TorqueUnit | ForceUnit,
  armMm: number,
  what: string,
  range: 'above 0' | 'any' = 'above 0',
): Typed => read(text, torqueTable(armMm / 1000), unit, isForce(unit) ? `${unit} × ${armMm} mm` : unit, what, range);

function read<U extends string>(
  text: string,
  table: Readonly<Record<U, number>>,
  unit: U,
  label: string,
  what: string,
  range: 'above 0' | 'any' = 'above 0',
): Typed {
  const quantity = readQuantity(text, Object.keys(table) as U[], unit, what, range);
  const typed = { unit: label, si: table[unit] };
  return quantity.ok
    ? { ...typed, value: (quantity.value.value * table[quantity.value.unit]) / table[unit], message: null }
    : { ...typed, value: null, message: quantity.problems[0].message };
}
