import { GRAVITY, POUND_FORCE_N } from './constants';
/** Unit tables. Every factor turns one of the unit into the SI unit of its quantity. */
export const TORQUE_UNITS = {
  'N·m': 1,
  'N·cm': 0.01,
  'mN·m': 0.001,
  'kgf·cm': GRAVITY / 100,
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
export const FORCE_UNITS = { N: 1, kgf: GRAVITY, lbf: POUND_FORCE_N } as const;

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

/** Power in watts of a torque and a speed in the units given. */
export const powerInWatts = (torque: number, torqueUnit: TorqueUnit, speed: number, speedUnit: SpeedUnit): number =>
  torque * TORQUE_UNITS[torqueUnit] * speed * SPEED_UNITS[speedUnit];
