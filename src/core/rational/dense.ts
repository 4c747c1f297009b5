import { add, div, isZero, mul, neg, ONE, ZERO, type Rational } from './rational';

/**
 * All solutions of a linear system: one of them, and the directions in which the unknowns can still move
 * without breaking it. An unknown is determined when no direction moves it.
 */
export interface Solutions {
  readonly particular: readonly Rational[];
  readonly directions: readonly (readonly Rational[])[];
}

/**
 * Solves matrix · x = rhs exactly by Gauss-Jordan elimination; meant for the few coordinates that are left when the meshes
 * have been factored out.
 * @param matrix rows of equal length; a row more for every equation.
 * @returns null when the equations contradict each other.
 */
export function solveDense(matrix: readonly (readonly Rational[])[], rhs: readonly Rational[]): Solutions | null {
  const width = matrix[0]?.length ?? 0;
  const rows = matrix.map((row, i) => [...row, rhs[i]!]);
  const pivots: number[] = [];
  for (let column = 0; column < width && pivots.length < rows.length; column++) {
    const at = pivots.length;
    const found = rows.findIndex((row, i) => i >= at && !isZero(row[column]!));
    if (found < 0) continue;
    const pivot = rows[found]!;
    rows[found] = rows[at]!;
    rows[at] = scaleFrom(pivot, column);
    for (let i = 0; i < rows.length; i++) if (i !== at && !isZero(rows[i]![column]!)) subtract(rows[i]!, rows[at]!, column);
    pivots.push(column);
  }
  for (let i = pivots.length; i < rows.length; i++) if (!isZero(rows[i]![width]!)) return null;

  const particular = new Array<Rational>(width).fill(ZERO);
  pivots.forEach((column, i) => (particular[column] = rows[i]![width]!));
  const pivotColumns = new Set(pivots);
  const directions: Rational[][] = [];
  for (let free = 0; free < width; free++) {
    if (pivotColumns.has(free)) continue;
    const direction = new Array<Rational>(width).fill(ZERO);
    direction[free] = ONE;
    pivots.forEach((column, i) => (direction[column] = neg(rows[i]![free]!)));
    directions.push(direction);
  }
  return { particular, directions };
}

function scaleFrom(row: readonly Rational[], column: number): Rational[] {
  const pivot = row[column]!;
  return row.map((value, i) => (i < column || isZero(value) ? value : i === column ? ONE : div(value, pivot)));
}

/** target −= target[column] · pivotRow, in place. */
function subtract(target: Rational[], pivotRow: readonly Rational[], column: number): void {
  const factor = neg(target[column]!);
  for (let i = column; i < target.length; i++) {
    const value = pivotRow[i]!;
    if (!isZero(value)) target[i] = add(target[i]!, mul(factor, value));
  }
}
