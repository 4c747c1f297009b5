import { add, div, isZero, mul, neg, ONE, ZERO, type Rational } from './rational';
import { itemAt } from '../required';
import { entryAt } from './row';

/**
 * All solutions of a linear system: one of them, and the directions in which the unknowns can still move
 * without breaking it. An unknown is determined when no direction moves it.
 */
export interface Solutions {
  readonly particular: readonly Rational[];
  readonly directions: readonly (readonly Rational[])[];
}

/**
 * Solves matrix · x = rhs exactly by Gauss-Jordan elimination; meant for the few coordinates that are left when the
 * meshes have been factored out. The next pivot is taken where it disturbs least: in the equation with fewest unknowns,
 * the unknown in fewest equations (Markowitz), so that the fractions stay short.
 * @param matrix rows of equal length; a row more for every equation.
 * @returns null when the equations contradict each other.
 */
export function solveDense(matrix: readonly (readonly Rational[])[], rhs: readonly Rational[]): Solutions | null {
  const width = matrix[0]?.length ?? 0;
  const rows = matrix.map((row, i) => [...row, entryAt(rhs, i)]);
  const pivots: number[] = [];
  for (
    let next = leastDisturbing(rows, width, pivots.length);
    next !== null;
    next = leastDisturbing(rows, width, pivots.length)
  ) {
    const at = pivots.length;
    const pivot = itemAt(rows, next.row);
    rows[next.row] = itemAt(rows, at);
    rows[at] = scaled(pivot, next.column);
    for (let i = 0; i < rows.length; i++)
      if (i !== at && !isZero(itemAt(itemAt(rows, i), next.column)))
        subtract(itemAt(rows, i), itemAt(rows, at), next.column);
    pivots.push(next.column);
  }
  for (let i = pivots.length; i < rows.length; i++) if (!isZero(itemAt(itemAt(rows, i), width))) return null;

  const particular = new Array<Rational>(width).fill(ZERO);
  pivots.forEach((column, i) => (particular[column] = itemAt(itemAt(rows, i), width)));
  const pivotColumns = new Set(pivots);
  const directions: Rational[][] = [];
  for (let free = 0; free < width; free++) {
    if (pivotColumns.has(free)) continue;
    const direction = new Array<Rational>(width).fill(ZERO);
    direction[free] = ONE;
    pivots.forEach((column, i) => (direction[column] = neg(itemAt(itemAt(rows, i), free))));
    directions.push(direction);
  }
  return { particular, directions };
}

/** Where to pivot among the rows from `start` on; null when they are all zero. */
function leastDisturbing(
  rows: readonly (readonly Rational[])[],
  width: number,
  start: number,
): { readonly row: number; readonly column: number } | null {
  let row = -1;
  let fewest = Infinity;
  for (let i = start; i < rows.length && fewest > 1; i++) {
    let unknowns = 0;
    for (let j = 0; j < width; j++) if (!isZero(itemAt(itemAt(rows, i), j))) unknowns++;
    if (unknowns > 0 && unknowns < fewest) [row, fewest] = [i, unknowns];
  }
  if (row < 0) return null;
  let column = -1;
  let least = Infinity;
  for (let j = 0; j < width; j++) {
    if (isZero(itemAt(itemAt(rows, row), j))) continue;
    let uses = 0;
    for (let i = start; i < rows.length; i++) if (!isZero(itemAt(itemAt(rows, i), j))) uses++;
    if (uses < least) [column, least] = [j, uses];
  }
  return { row, column };
}

const scaled = (row: readonly Rational[], column: number): Rational[] => {
  const pivot = entryAt(row, column);
  return row.map((value, j) => (isZero(value) ? value : j === column ? ONE : div(value, pivot)));
};

/** target −= target[column] · pivotRow, in place. */
function subtract(target: Rational[], pivotRow: readonly Rational[], column: number): void {
  const factor = neg(entryAt(target, column));
  for (let j = 0; j < target.length; j++) {
    const value = entryAt(pivotRow, j);
    if (!isZero(value)) target[j] = add(entryAt(target, j), mul(factor, value));
  }
}
