import { required } from '@/core/required';
/** An error as people read it: per cent down to a hundredth, parts in a million and in a thousand million below. */
export function errorText(error: number): string {
  if (error === 0) return 'exact';
  const three = (value: number) => String(Number(value.toPrecision(3)));
  if (error >= 1e-4) return `${three(error * 100)} %`;
  return error >= 1e-8
    ? `${three(error * 1e6)} ppm`
    : error.toExponential(1).replace('e-', ' × 10⁻').replace(/\d+$/, superscript);
}

/** Digits as an exponent has them. */
export const superscript = (digits: string): string =>
  digits.replace(/\d/g, (digit) => required('⁰¹²³⁴⁵⁶⁷⁸⁹'[Number(digit)]));
