import { plain, type Judged } from '@/core/measurement';
import { toNumber, type Rational } from '@/core/rational';
import { figure } from '@/core/units';

const UNITS = {
  ratio: ' : 1',
  rpm: ' rpm',
  torqueNm: ' N·m',
  tipMetresPerSecond: ' m/s',
  teeth: ' teeth',
  event: '',
} as const;

/** "2.400 (2.286 to 2.526) : 1" */
export function intervalText({ quantity, interval }: Pick<Judged, 'quantity' | 'interval'>): string {
  if (!interval) return '';
  const { value, least, most } = plain(interval);
  return `${figure(value)} (${figure(least)} to ${figure(most)})${UNITS[quantity]}`;
}

export const valueText = ({ quantity }: Pick<Judged, 'quantity'>, value: Rational): string =>
  `${figure(toNumber(value))}${UNITS[quantity]}`;
