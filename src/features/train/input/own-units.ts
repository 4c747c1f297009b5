import { inOtherUnit, SPEED_UNITS, torqueTable, type ForceUnit, type SpeedUnit, type TorqueUnit } from '@/core/units';
import { keptPreferences, usePreferences } from '@/ui/preferences';
import type { InputText, TrainStore } from '../store';

/** The units that bare figures are typed in. */
export interface OwnUnits {
  readonly speedUnit: SpeedUnit;
  readonly torqueUnit: TorqueUnit | ForceUnit;
  readonly armMm: number;
}

export const unitsNow = (): OwnUnits => unitsOf(usePreferences.getState());

/** Those that this browser keeps, also before the page has read them. */
export const unitsKept = (): OwnUnits => unitsOf({ ...usePreferences.getState(), ...keptPreferences() });

const unitsOf = ({ speedUnit, torqueUnit, armMm }: OwnUnits): OwnUnits => ({ speedUnit, torqueUnit, armMm });

/** What is typed, in other units: the same speed, torque and loads. */
export function inUnits<T extends Partial<InputText>>(typed: T, from: OwnUnits, to: OwnUnits): T {
  const speed = (text: string) => inOtherUnit(text, from.speedUnit, to.speedUnit, SPEED_UNITS);
  // A force that was read on an arm stays that force when the arm is another one.
  const torque = (text: string) =>
    inOtherUnit(
      text,
      from.torqueUnit,
      to.torqueUnit,
      torqueTable((from.torqueUnit === to.torqueUnit ? from : to).armMm / 1000),
    );
  return {
    ...typed,
    ...(typed.speedText !== undefined && { speedText: speed(typed.speedText) }),
    ...(typed.torqueText !== undefined && { torqueText: torque(typed.torqueText) }),
    ...(typed.loadTexts !== undefined && {
      loadTexts: Object.fromEntries(Object.entries(typed.loadTexts).map(([output, text]) => [output, torque(text)])),
    }),
  };
}

/** Keeps what is typed the same speed and torque whenever the units are changed. @returns a function that ends it. */
export const followUnits = ({ getState }: TrainStore): (() => void) =>
  usePreferences.subscribe((now, before) => {
    if (now.speedUnit === before.speedUnit && now.torqueUnit === before.torqueUnit) return;
    const { speedText, torqueText, loadTexts, type } = getState();
    type(inUnits({ speedText, torqueText, loadTexts }, unitsOf(before), unitsOf(now)));
  });
