import { abs, inverse, isZero, sign, toNumber, type Rational } from '../rational';
import { required } from '../required';

/** Thin no-break space between groups of three digits. */
const GROUP = '\u202f';
const MINUS = '\u2212';

/** Four significant figures, digits grouped, true minus sign; whole part never cut. */
export function figure(value: number): string {
  if (!Number.isFinite(value)) return '—';
  if (value === 0) return '0';
  const size = Math.abs(value) < 1000 ? Number(Math.abs(value).toPrecision(4)) : Math.abs(value);
  if (size >= 1e9 || size < 1e-4)
    return value.toExponential(3).replace('-', MINUS).replace('e', '\u2009e').replace('+', '');
  const digits = size >= 1000 ? 0 : Math.max(0, 3 - Math.floor(Math.log10(size)));
  const [whole, part] = size.toFixed(digits).split('.');
  const grouped = required(whole).replace(/\B(?=(\d{3})+$)/g, GROUP);
  return `${value < 0 ? MINUS : ''}${grouped}${part ? `.${part}` : ''}`;
}

/** A round figure at a tick of an axis: no more digits than it needs, those of the whole part grouped. */
export function tickText(value: number): string {
  const size = Number(Math.abs(value).toPrecision(4));
  const sign = value < 0 && size > 0 ? MINUS : '';
  if (size !== 0 && (size < 1e-4 || size >= 1e9))
    return `${sign}${String(Number(size.toPrecision(4)).toExponential())
      .replace('-', MINUS)
      .replace('e', '\u2009e')
      .replace('+', '')}`;
  const [whole, part] = String(size).split('.');
  return `${sign}${required(whole).replace(/\B(?=(\d{3})+$)/g, GROUP)}${part ? `.${part}` : ''}`;
}

/** in/out: input turns for one of the output (driven over driver). out/in: its inverse. */
export type RatioConvention = 'in/out' | 'out/in';

/** The size of a ratio in a convention: "12.00 : 1 in/out", "0.08333 : 1 out/in". */
export const ratioText = (ratio: Rational, convention: RatioConvention): string =>
  `${ratioFigure(ratio, convention)} : 1 ${convention}`;

export const ratioFigure = (ratio: Rational, convention: RatioConvention): string =>
  figure(toNumber(ratioByConvention(ratio, convention)));

/** The size of a ratio, exact, in a convention. */
export const ratioByConvention = (ratio: Rational, convention: RatioConvention): Rational =>
  abs(convention === 'in/out' ? ratio : inverse(ratio));

/** Signs as words. */
export const wayText = (speed: Rational): 'same way' | 'reverse' | 'stands' =>
  isZero(speed) ? 'stands' : sign(speed) > 0 ? 'same way' : 'reverse';
