import { itemAt } from '../required';
import { capitalised } from '../capitalised';
/** Unit tables. Every factor turns one of the unit into the SI unit of its quantity. */
export const TORQUE_UNITS = {
  'N·m': 1,
  'N·cm': 0.01,
  'mN·m': 0.001,
  'kgf·cm': 0.0980665,
  'lbf·ft': 1.3558179483314004,
  'lbf·in': 0.1129848290276167,
} as const;

/** A turn is 2π rad. */
export const SPEED_UNITS = {
  rpm: Math.PI / 30,
  'rad/s': 1,
  'turns/s': 2 * Math.PI,
  'turns/h': (2 * Math.PI) / 3600,
  'turns/day': (2 * Math.PI) / 86_400,
} as const;

/** Forces in newtons; on an arm of a length they are torques. */
export const FORCE_UNITS = { N: 1, kgf: 9.80665, lbf: 4.4482216152605 } as const;

export type TorqueUnit = keyof typeof TORQUE_UNITS;
export type ForceUnit = keyof typeof FORCE_UNITS;
export type SpeedUnit = keyof typeof SPEED_UNITS;

/** Torques, and forces read on an arm of this length in metres, in N·m for one of each. */
export function torqueTable(armMetres: number): Readonly<Record<TorqueUnit | ForceUnit, number>> {
  return {
    ...TORQUE_UNITS,
    N: FORCE_UNITS.N * armMetres,
    kgf: FORCE_UNITS.kgf * armMetres,
    lbf: FORCE_UNITS.lbf * armMetres,
  };
}

export const isForce = (unit: TorqueUnit | ForceUnit): unit is ForceUnit => unit in FORCE_UNITS;

/** Typing a speed of zero or beyond this is a slip, not a gear train. */
const MAX_INPUT = 1e9;

/** Power in watts of a torque and a speed in the units given. */
export const powerInWatts = (torque: number, torqueUnit: TorqueUnit, speed: number, speedUnit: SpeedUnit): number =>
  torque * TORQUE_UNITS[torqueUnit] * speed * SPEED_UNITS[speedUnit];

export type Quantity<U> =
  { readonly ok: true; readonly value: number; readonly unit: U } | { readonly ok: false; readonly message: string };

/** Reads "1200rpm", "3.5 N·m" or "3.5Nm"; the bare number takes the unit given. */
export function readQuantity<U extends string>(
  text: string,
  units: readonly U[],
  fallback: U | null,
  what: string,
  range: 'above 0' | 'any' = 'above 0',
): Quantity<U> {
  const match = /^\s*([+-]?\d+(?:[.,]\d+)?(?:[eE][+-]?\d+)?)\s*(\S.*)?$/.exec(text);
  if (!match) return { ok: false, message: `Type ${what} as a number.` };
  const value = Number(itemAt(match, 1).replace(',', '.'));
  const plain = (name: string) => name.replace(/[\s·.*]/g, '').toLowerCase();
  const unit =
    match[2] === undefined ? fallback : units.find((candidate) => plain(candidate) === plain(itemAt(match, 2)));
  if (!unit) return { ok: false, message: `Give ${what} in ${units.join(', ')}.` };
  if (range === 'above 0' && !(value > 0)) return { ok: false, message: `${capitalised(what)} must be above 0.` };
  if (Math.abs(value) > MAX_INPUT) return { ok: false, message: `${capitalised(what)} can be at most 1 000 000 000.` };
  return { ok: true, value, unit };
}
