import type { Material } from '../train';

/**
 * Tip speeds (m/s) that gears of a material are usually kept below where nothing more is known: plain spur gears in the
 * open, splash or grease. Rough workshop figures; a train may set its own.
 */
export const USUAL_TIP_SPEEDS: Readonly<Record<Material, number>> = {
  steel: 20,
  'cast iron': 10,
  bronze: 10,
  aluminium: 15,
  nylon: 12,
  acetal: 12,
  printed: 5,
  wood: 3,
};

/**
 * The speed of a gear's tips (m/s) against its own axis: the pitch radius and one module, at so many turns a second.
 */
export const tipSpeed = (teeth: number, module: number, turnsPerSecond: number): number =>
  2 * Math.PI * Math.abs(turnsPerSecond) * ((teeth / 2 + 1) * module) * 1e-3;
