import { accumulate, solveFor, type Combination } from './combination';
import { isZero, neg, ZERO, type Rational } from './rational';

/** One equation: Σ coefficient·unknown = rhs. */
export interface Equation {
  readonly terms: Combination;
  readonly rhs: Rational;
}

/** `values[k]` is null where the equations leave unknown k open. */
export type Solution = { readonly consistent: true; readonly values: readonly (Rational | null)[] } | { readonly consistent: false };

/** The right-hand side rides along as one more coordinate. */
const RHS = -1;

/**
 * Solves a sparse exact linear system, saying of every unknown whether it is determined.
 * Gaussian elimination; the next pivot is taken from the shortest equation left, in its rarest unknown
 * (Markowitz), which makes chains of gears fall out one by one without any fill-in.
 */
export function solveSystem(equations: readonly Equation[], unknowns: number): Solution {
  const rows = equations.map(({ terms, rhs }) => {
    const row = new Map(terms);
    if (!isZero(rhs)) row.set(RHS, neg(rhs));
    return row;
  });
  const usedIn: Set<number>[] = Array.from({ length: unknowns }, () => new Set());
  rows.forEach((row, index) => row.forEach((_, key) => key !== RHS && usedIn[key]!.add(index)));
  const open = new Set(rows.keys());
  const solved: { key: number; terms: Combination }[] = [];

  while (open.size > 0) {
    const index = shortest(rows, open);
    open.delete(index);
    const row = rows[index]!;
    const key = rarest(row, usedIn);
    if (key === null) {
      if (row.size > 0) return { consistent: false };
      continue;
    }
    row.forEach((_, other) => other !== RHS && usedIn[other]!.delete(index));
    const terms = solveFor(row, key);
    solved.push({ key, terms });
    for (const other of usedIn[key]!) {
      const target = rows[other]!;
      const factor = target.get(key)!;
      target.delete(key);
      accumulate(target, factor, terms);
      for (const touched of terms.keys()) {
        if (touched === RHS) continue;
        if (target.has(touched)) usedIn[touched]!.add(other);
        else usedIn[touched]!.delete(other);
      }
    }
    usedIn[key]!.clear();
  }
  return { consistent: true, values: readBack(solved, unknowns) };
}

function shortest(rows: readonly Map<number, Rational>[], open: ReadonlySet<number>): number {
  let best = -1;
  let length = Infinity;
  for (const index of open) {
    const row = rows[index]!;
    const size = row.has(RHS) ? row.size - 1 : row.size;
    if (size < length) {
      best = index;
      length = size;
      if (size <= 1) break;
    }
  }
  return best;
}

function rarest(row: Combination, usedIn: readonly Set<number>[]): number | null {
  let best: number | null = null;
  for (const key of row.keys()) {
    if (key !== RHS && (best === null || usedIn[key]!.size < usedIn[best]!.size)) best = key;
  }
  return best;
}

/** Last pivot first: a pivot depends only on unknowns that were solved after it, or on free ones. */
function readBack(solved: readonly { key: number; terms: Combination }[], unknowns: number): (Rational | null)[] {
  const values: Combination[] = Array.from({ length: unknowns }, (_, key) => new Map([[key, { n: 1, d: 1 }]]));
  for (let i = solved.length - 1; i >= 0; i--) {
    const { key, terms } = solved[i]!;
    const value = new Map<number, Rational>();
    for (const [other, factor] of terms) {
      if (other === RHS) accumulate(value, factor, CONSTANT);
      else accumulate(value, factor, values[other]!);
    }
    values[key] = value;
  }
  return values.map((value) => (value.size === 0 ? ZERO : value.size === 1 ? (value.get(RHS) ?? null) : null));
}

const CONSTANT: Combination = new Map([[RHS, { n: 1, d: 1 }]]);
