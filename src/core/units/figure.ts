import { add, neg, parseRational, toNumber, ZERO, type Rational } from '../rational';
import { GRAVITY, INCH_M, POUND_FORCE_N, POUND_KG } from './constants';
import { SPEED_UNITS, TORQUE_UNITS } from './units';

/** Units that stand for one another, each in the first one's measure. A scale's grams are a pull, as newtons are. */
const LENGTHS = { mm: 1, cm: 10, m: 1000, in: INCH_M * 1000, ft: INCH_M * 12_000 };
const MASSES = { kg: 1, g: 0.001, t: 1000, lb: POUND_KG, oz: POUND_KG / 16 };
const PULLS = { ...MASSES, N: 1 / GRAVITY, kgf: 1, lbf: POUND_FORCE_N / GRAVITY };
const TIMES = { s: 1, ms: 0.001, min: 60, h: 3600 };
const ANGLES = { '°': 1, deg: 1, rad: 180 / Math.PI };
const RIM_SPEEDS = { 'm/s': 1, 'mm/s': 0.001, 'm/min': 1 / 60, 'km/h': 1 / 3.6 };
const FRAME_RATES = { 'frames/s': 1, fps: 1 };
const SPEEDS = { ...SPEED_UNITS, '1/min': SPEED_UNITS.rpm };

/** The units that a field takes, by the unit that stands beside it: masses before pulls, but for a scale's grams. */
const TAKEN: ReadonlyMap<string, Readonly<Record<string, number>>> = new Map(
  [PULLS, MASSES, LENGTHS, TIMES, ANGLES, FRAME_RATES, SPEEDS, RIM_SPEEDS, TORQUE_UNITS].flatMap((table) =>
    Object.keys(table).map((unit) => [unit, table] as const),
  ),
).set('g', PULLS);

/** A unit as units are compared: whatever its case, its dots and its blanks. */
export const bareUnit = (unit: string): string => unit.replace(/[\s·.*]/g, '').toLowerCase();

/** How many of the field's unit one of the written unit is; null where it is none of them. */
function factorOf(written: string, own: string): number | null {
  if (bareUnit(written) === bareUnit(own)) return 1;
  const units = Object.entries(TAKEN.get(own) ?? {});
  const [a, b] = [units.find(([unit]) => bareUnit(unit) === bareUnit(written)), units.find(([unit]) => unit === own)];
  return a && b ? a[1] / b[1] : null;
}

/** A number, with a comma or a point, as a fraction, or as a whole number and a fraction; and what stands behind it. */
const WRITTEN =
  /^\s*([+−-]?)\s*(?:(\d+)\s+)?(\d+\/\d+|(?:\d+(?:[.,]\d*)?|[.,]\d+)(?:[eE][+−-]?\d+)?)\s*([^\d\s.,/+−-].*)?$/;

/** A figure as it is written, exactly, apart from its unit; null where it is none. */
export function splitFigure(text: string): { readonly value: Rational; readonly unit: string } | null {
  // Figures on the page have thin spaces between thousands and a true minus; both may be pasted back.
  const [, minus, whole, number, unit = ''] = WRITTEN.exec(text.replace(/[\u2009\u202f]/g, '')) ?? [];
  if (number === undefined || (whole !== undefined && !number.includes('/'))) return null;
  const part = parseRational(number.replace(',', '.').replace('−', '-'));
  const units = whole === undefined ? ZERO : parseRational(whole);
  if (!part || !units) return null;
  const size = add(units, part);
  return { value: minus === '' || minus === '+' ? size : neg(size), unit: unit.trim() };
}

/**
 * Reads a figure as people type it: "2.5", "2,5", "5/2", "2 1/2", "1e-3", with a unit behind it if need be.
 * @param unit the unit that stands beside the field: "2 lbf·ft" at a field of N·m is read as N·m
 * @returns NaN for what is no figure, or has a unit that the field does not take
 */
export function readFigure(text: string, unit = ''): number {
  const written = splitFigure(text);
  if (!written) return NaN;
  const factor = written.unit === '' ? 1 : factorOf(written.unit, unit);
  if (factor === null) return NaN;
  const value = toNumber(written.value);
  return factor === 1 ? value : Number((value * factor).toPrecision(12));
}
