/**
 * Exact fractions. A value starts as a pair of safe integers, which costs about as much as floating
 * point, and widens to BigInt the moment a product leaves the safe range; it narrows again when it can.
 * Always in lowest terms with a positive denominator, so equal values have equal fields.
 */
export type Rational = { readonly n: number; readonly d: number } | { readonly n: bigint; readonly d: bigint };

const SAFE = Number.MAX_SAFE_INTEGER;
const SAFE_BIG = BigInt(SAFE);

export const ZERO: Rational = { n: 0, d: 1 };
export const ONE: Rational = { n: 1, d: 1 };
export const MINUS_ONE: Rational = { n: -1, d: 1 };

const INT32 = 0x7fffffff;

/**
 * Euclid. Whole numbers below 2^31 stay in integer arithmetic, which is several times faster than the remainder of
 * doubles.
 */
function gcdSafe(a: number, b: number): number {
  let x = a < 0 ? -a : a;
  let y = b < 0 ? -b : b;
  while (x > INT32 || y > INT32) {
    if (y === 0) return x;
    const rest = x % y;
    x = y;
    y = rest;
  }
  let m = x | 0;
  let n = y | 0;
  while (n !== 0) {
    const rest = (m % n) | 0;
    m = n;
    n = rest;
  }
  return m;
}

/**
 * Lehmer's Euclid (Knuth, Seminumerical Algorithms 4.5.2, algorithm L): the quotients are read off the leading digits,
 * in floating point, for as long as the digits left out cannot change them; then one step of long arithmetic does many
 * of Euclid's.
 */
function gcdBig(a: bigint, b: bigint): bigint {
  let x = a < 0n ? -a : a;
  let y = b < 0n ? -b : b;
  if (x < y) [x, y] = [y, x];
  while (y > SAFE_BIG) {
    const shift = BigInt(bits(x) - LEADING);
    let lead = Number(x >> shift);
    let next = Number(y >> shift);
    // What the leading digits have become: lead = xx·x + xy·y, next = yx·x + yy·y.
    let [xx, xy, yx, yy] = [1, 0, 0, 1];
    while (next + yx !== 0 && next + yy !== 0) {
      const quotient = Math.floor((lead + xx) / (next + yx));
      if (quotient !== Math.floor((lead + xy) / (next + yy))) break;
      [xx, yx] = [yx, xx - quotient * yx];
      [xy, yy] = [yy, xy - quotient * yy];
      [lead, next] = [next, lead - quotient * next];
    }
    if (xy === 0) [x, y] = [y, x % y];
    else [x, y] = [BigInt(xx) * x + BigInt(xy) * y, BigInt(yx) * x + BigInt(yy) * y];
  }
  if (y === 0n) return x;
  return BigInt(gcdSafe(Number(y), Number(x % y)));
}

/** Leading bits that a double holds with room for a carry. */
const LEADING = 52;

function small(n: number, d: number): Rational {
  if (n === 0) return ZERO;
  const g = gcdSafe(n, d);
  return d < 0 ? { n: -n / g, d: -d / g } : { n: n / g, d: d / g };
}

function big(n: bigint, d: bigint): Rational {
  if (n === 0n) return ZERO;
  const g = gcdBig(n, d);
  const num = d < 0n ? -n / g : n / g;
  const den = d < 0n ? -d / g : d / g;
  return narrowed(num, den);
}

/** A fraction in lowest terms, in safe integers where they hold it. */
function narrowed(num: bigint, den: bigint): Rational {
  if (num === 0n) return ZERO;
  const fits = den <= SAFE_BIG && num <= SAFE_BIG && num >= -SAFE_BIG;
  return fits ? { n: Number(num), d: Number(den) } : { n: num, d: den };
}

const isSafe = (x: number): boolean => x <= SAFE && x >= -SAFE;

/** The fraction n/d. @throws RangeError when d is zero or a number is not a whole safe integer. */
export function fraction(n: number | bigint, d: number | bigint = 1): Rational {
  for (const part of [n, d]) {
    if (typeof part === 'number' && !Number.isSafeInteger(part))
      throw new RangeError(`${part} is not a whole number within the safe range.`);
  }
  if (d === 0 || d === 0n) throw new RangeError('A fraction cannot have a zero denominator.');
  return typeof n === 'number' && typeof d === 'number' ? small(n, d) : big(BigInt(n), BigInt(d));
}

/**
 * Knuth, Seminumerical Algorithms 4.5.1: the common part of the denominators is taken out first, so that numbers stay
 * small.
 */
export function add(a: Rational, b: Rational): Rational {
  if (a.n === 0) return b;
  if (b.n === 0) return a;
  if (typeof a.n === 'number' && typeof b.n === 'number') {
    const ad = a.d as number;
    const bd = b.d as number;
    const common = ad === 1 || bd === 1 ? 1 : gcdSafe(ad, bd);
    const left = a.n * (bd / common);
    const right = b.n * (ad / common);
    // Products beyond the safe range are rounded: they may look alike, or cancel, where they differ.
    if (isSafe(left) && isSafe(right)) {
      const num = left + right;
      if (num === 0) return ZERO;
      const rest = common === 1 ? 1 : gcdSafe(num, common);
      const den = (ad / common) * (bd / rest);
      if (isSafe(num) && den <= SAFE) return { n: num / rest, d: den };
    }
  }
  return addBig(BigInt(a.n), BigInt(a.d), BigInt(b.n), BigInt(b.d));
}

function addBig(an: bigint, ad: bigint, bn: bigint, bd: bigint): Rational {
  const common = ad === 1n || bd === 1n ? 1n : gcdBig(ad, bd);
  if (common === 1n) return narrowed(an * bd + bn * ad, ad * bd);
  const left = ad / common;
  const num = an * (bd / common) + bn * left;
  const rest = gcdBig(num, common);
  return narrowed(num / rest, left * (bd / rest));
}

export function neg(a: Rational): Rational {
  if (typeof a.n === 'bigint') return { n: -a.n, d: a.d as bigint };
  return a.n === 0 ? ZERO : { n: -a.n, d: a.d as number };
}

export const sub = (a: Rational, b: Rational): Rational => add(a, neg(b));

export function mul(a: Rational, b: Rational): Rational {
  if (typeof a.n === 'number' && typeof b.n === 'number') {
    if (a.n === 0 || b.n === 0) return ZERO;
    const ad = a.d as number;
    const bd = b.d as number;
    if (ad === 1 && bd === 1) {
      const whole = a.n * b.n;
      if (isSafe(whole)) return { n: whole, d: 1 };
    }
    const g = bd === 1 ? 1 : gcdSafe(a.n, bd);
    const h = ad === 1 ? 1 : gcdSafe(b.n, ad);
    const num = (a.n / g) * (b.n / h);
    const den = (ad / h) * (bd / g);
    if (isSafe(num) && den <= SAFE) return { n: num, d: den };
  }
  return mulBig(BigInt(a.n), BigInt(a.d), BigInt(b.n), BigInt(b.d));
}

/**
 * Common factors are taken out crosswise, before multiplying: with one small factor that is one division, not a long
 * Euclid.
 */
function mulBig(an: bigint, ad: bigint, bn: bigint, bd: bigint): Rational {
  const g = bd === 1n ? 1n : gcdBig(an, bd);
  const h = ad === 1n ? 1n : gcdBig(bn, ad);
  return narrowed(
    (g === 1n ? an : an / g) * (h === 1n ? bn : bn / h),
    (h === 1n ? ad : ad / h) * (g === 1n ? bd : bd / g),
  );
}

/** @throws RangeError for zero. */
export function inverse(a: Rational): Rational {
  if (isZero(a)) throw new RangeError('Zero has no inverse.');
  if (typeof a.n === 'bigint') return a.n < 0n ? { n: -(a.d as bigint), d: -a.n } : { n: a.d as bigint, d: a.n };
  return a.n < 0 ? { n: -(a.d as number), d: -a.n } : { n: a.d as number, d: a.n };
}

/** @throws RangeError when b is zero. */
export const div = (a: Rational, b: Rational): Rational => mul(a, inverse(b));

export const isZero = (a: Rational): boolean => a.n === 0;

/** −1, 0 or 1. */
export const sign = (a: Rational): -1 | 0 | 1 => (a.n === 0 ? 0 : a.n > 0 ? 1 : -1);

export const abs = (a: Rational): Rational => (sign(a) < 0 ? neg(a) : a);

export const equals = (a: Rational, b: Rational): boolean => a.n === b.n && a.d === b.d;

/** Sign of a − b. */
export const compare = (a: Rational, b: Rational): -1 | 0 | 1 => sign(sub(a, b));

export const sum = (values: readonly Rational[]): Rational => values.reduce(add, ZERO);

/** The nearest floating point number. Quotients too wide for a double are scaled down before dividing. */
export function toNumber(a: Rational): number {
  if (typeof a.n === 'number') return a.n / (a.d as number);
  const den = a.d as bigint;
  const negative = a.n < 0n;
  const num = negative ? -a.n : a.n;
  const shift = bits(den) - bits(num) + 64;
  const quotient = shift >= 0 ? (num << BigInt(shift)) / den : num / (den << BigInt(-shift));
  const value = Number(quotient) * 2 ** -shift;
  return negative ? -value : value;
}

const bits = (a: bigint): number => a.toString(16).length * 4;

/** "17/5", "-592/133"; a whole number without "/1". */
export const toFraction = (a: Rational): string => (a.d === 1 || a.d === 1n ? String(a.n) : `${a.n}/${a.d}`);

/**
 * Reads "17/5", "-3", "0.985", "1e-3" exactly.
 * @returns null when the text is no number.
 */
export function parseRational(text: string): Rational | null {
  const trimmed = text.trim();
  const ratio = /^([+-]?\d{1,400})\/(\d{1,400})$/.exec(trimmed);
  if (ratio) {
    const d = BigInt(ratio[2]!);
    return d === 0n ? null : big(BigInt(ratio[1]!), d);
  }
  const decimal = /^([+-]?)(\d{0,400})(?:\.(\d{0,400}))?(?:[eE]([+-]?\d{1,3}))?$/.exec(trimmed);
  if (!decimal) return null;
  const [, minus, whole = '', part = '', exponent = '0'] = decimal;
  if (whole + part === '') return null;
  const digits = BigInt(whole + part);
  const power = Number(exponent) - part.length;
  const n = minus === '-' ? -digits : digits;
  return power >= 0 ? big(n * 10n ** BigInt(power), 1n) : big(n, 10n ** BigInt(-power));
}

/** The decimal that a JSON number was written as (0.99 is 99/100), exactly. @throws RangeError if not finite. */
export function fromDecimal(value: number): Rational {
  const exact = Number.isFinite(value) ? parseRational(String(value)) : null;
  if (!exact) throw new RangeError(`${value} is not a finite number.`);
  return exact;
}
