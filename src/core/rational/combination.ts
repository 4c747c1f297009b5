import { add, isZero, mul, neg, div, type Rational } from './rational';

/**
 * A sparse linear combination: whole-number keys (coordinates, unknowns) with exact coefficients.
 * Zero coefficients are never stored, so an empty combination is zero.
 */
export type Combination = ReadonlyMap<number, Rational>;

export const NOTHING: Combination = new Map();

/** a + factor·b. */
export function addScaled(a: Combination, factor: Rational, b: Combination): Combination {
  if (isZero(factor) || b.size === 0) return a;
  const result = new Map(a);
  accumulate(result, factor, b);
  return result;
}

/** Adds factor·b into target, in place: the inner step of every elimination. */
export function accumulate(target: Map<number, Rational>, factor: Rational, b: Combination): void {
  for (const [key, value] of b) {
    const term = mul(factor, value);
    const old = target.get(key);
    const next = old === undefined ? term : add(old, term);
    if (isZero(next)) target.delete(key);
    else target.set(key, next);
  }
}

/** The combination divided through so that the coefficient of `key` becomes −1 and is left out: key = rest. */
export function solveFor(a: Combination, key: number): Combination {
  const pivot = neg(a.get(key)!);
  const result = new Map<number, Rational>();
  for (const [other, value] of a) if (other !== key) result.set(other, div(value, pivot));
  return result;
}
