import { add, div, isZero, mul, neg, type Rational } from './rational';
import { lookUp } from '../required';

/**
 * A sparse linear combination: whole-number keys (members, coordinates) with exact coefficients.
 * Zero coefficients are never stored, so an empty combination is zero.
 */
export type LinearCombination = ReadonlyMap<number, Rational>;

/** Adds factor·b into target, in place: the inner step of sparse elimination. */
export function accumulate(target: Map<number, Rational>, factor: Rational, b: LinearCombination): void {
  for (const [key, value] of b) {
    const term = mul(factor, value);
    const old = target.get(key);
    const next = old === undefined ? term : add(old, term);
    if (isZero(next)) target.delete(key);
    else target.set(key, next);
  }
}

/** What `key` equals when the combination is zero: the combination without it, divided by minus its coefficient. */
export function solveFor(a: LinearCombination, key: number): LinearCombination {
  const pivot = neg(lookUp(a, key));
  const result = new Map<number, Rational>();
  for (const [other, value] of a) if (other !== key) result.set(other, div(value, pivot));
  return result;
}
