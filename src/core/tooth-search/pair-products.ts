import type { StageFraction } from './stage-fractions';

/**
 * The different products of two stages, as floating-point values, smallest first. Numerator and denominator are whole
 * numbers below 2^53 before they are divided, so equal products are equal values and each stands once.
 */
export function pairProducts(fractions: readonly StageFraction[]): Float64Array {
  const count = fractions.length;
  const products = new Float64Array((count * (count + 1)) / 2);
  let at = 0;
  for (let i = 0; i < count; i++) {
    const { n, d } = fractions[i]!;
    for (let j = i; j < count; j++) products[at++] = (n * fractions[j]!.n) / (d * fractions[j]!.d);
  }
  return eachOnce(products);
}

/** The different products of a stage out of each list, likewise. */
export function crossProducts(first: readonly StageFraction[], second: readonly StageFraction[]): Float64Array {
  const products = new Float64Array(first.length * second.length);
  let at = 0;
  for (const a of first) for (const b of second) products[at++] = (a.n * b.n) / (a.d * b.d);
  return eachOnce(products);
}

function eachOnce(products: Float64Array): Float64Array {
  products.sort();
  let kept = 0;
  for (let i = 0; i < products.length; i++)
    if (i === 0 || products[i] !== products[i - 1]) products[kept++] = products[i]!;
  return products.subarray(0, kept);
}

/** A fraction in lowest terms. */
export interface Whole {
  readonly n: number;
  readonly d: number;
}

/**
 * The fraction with a denominator of at most `most` that a floating-point value was divided from: the convergents of
 * its continued fraction (Hardy and Wright, chapter 10). Sure as long as two such fractions are further apart than
 * rounding.
 */
export function fractionOf(value: number, most: number): Whole {
  let [n0, d0, n1, d1] = [0, 1, 1, 0];
  for (let rest = value; ;) {
    const whole = Math.floor(rest);
    const [n, d] = [whole * n1 + n0, whole * d1 + d0];
    if (d > most) return { n: n1, d: d1 };
    [n0, d0, n1, d1] = [n1, d1, n, d];
    if (n / d === value) return { n, d };
    rest = 1 / (rest - whole);
  }
}
