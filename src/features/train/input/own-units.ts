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

/** One of the unit of torque, N·m; a force's on the arm that it acts on. */
const torqueUnitOf = ({ torqueUnit, armMm }: Omit<OwnUnits, 'speedUnit'>): number =>
  torqueTable(armMm / 1000)[torqueUnit];

/** What is typed, in other units: the same speed, torque and loads. */
export function inUnits<T extends Partial<InputText>>(typed: T, from: OwnUnits, to: OwnUnits): T {
  const speed = (text: string) => inOtherUnit(text, SPEED_UNITS[from.speedUnit], SPEED_UNITS[to.speedUnit]);
  const torque = (text: string) => inOtherUnit(text, torqueUnitOf(from), torqueUnitOf(to));
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
    if (now.speedUnit === before.speedUnit && torqueUnitOf(now) === torqueUnitOf(before)) return;
    const { speedText, torqueText, loadTexts, type } = getState();
    type(inUnits({ speedText, torqueText, loadTexts }, unitsOf(before), unitsOf(now)));
  });
