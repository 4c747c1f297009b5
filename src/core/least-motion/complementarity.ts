import { isZero, sign, ZERO, type Rational, entryAt } from '../rational';
import { exchangePivot, type Dictionary } from './exchange';
import { itemAt } from '../required';

export type Complementary =
  /** w = M z + q with both not negative, and of every pair one zero. */
  | { readonly solvable: true; readonly w: readonly Rational[]; readonly z: readonly Rational[] }
  /**
   * A row that cannot be made positive: its variable is the constant, which is negative, plus non-positive multiples of
   * others that must not be negative.
   */
  | { readonly solvable: false; readonly pair: number; readonly row: readonly Rational[] };

/**
 * Solves a linear complementarity problem by the criss-cross method: the pair of least index whose dependent variable
 * is negative is exchanged with itself where the diagonal allows, else crosswise with the first pair that can raise it.
 * Least indices keep it from cycling, so it ends for every sufficient matrix, those of convex quadratic programmes
 * among them (den Hertog, Roos and Terlaky, "The linear complementarity problem, sufficient matrices, and the
 * criss-cross method", 1993). Needs no feasible start.
 *
 * @param rows w over z and the constant; used up.
 */
export function solveComplementarity(rows: Dictionary): Complementary {
  const size = rows.length;
  /** Which pairs have z as the dependent variable by now. */
  const swapped = new Array<boolean>(size).fill(false);
  for (;;) {
    const at = rows.findIndex((row) => sign(entryAt(row, size)) < 0);
    if (at < 0) break;
    const row = itemAt(rows, at);
    if (!isZero(entryAt(row, at))) {
      exchangePivot(rows, at, at);
      swapped[at] = !swapped[at];
      continue;
    }
    const other = row.findIndex((value, j) => j < size && sign(value) > 0);
    if (other < 0) return { solvable: false, pair: at, row };
    exchangePivot(rows, at, other);
    exchangePivot(rows, other, at);
    // Each variable now stands in the other pair's place.
    [rows[at], rows[other]] = [itemAt(rows, other), itemAt(rows, at)];
    for (const each of rows) [each[at], each[other]] = [entryAt(each, other), entryAt(each, at)];
    swapped[at] = !swapped[at];
    swapped[other] = !swapped[other];
  }
  const value = (i: number) => itemAt(itemAt(rows, i), size);
  return {
    solvable: true,
    w: rows.map((_, i) => (swapped[i] ? ZERO : value(i))),
    z: rows.map((_, i) => (swapped[i] ? value(i) : ZERO)),
  };
}
