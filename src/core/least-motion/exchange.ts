import { add, inverse, isZero, mul, neg, type Rational, entryAt } from '../rational';
import { itemAt } from '../required';

/**
 * A dictionary in the sense of Chvátal: every row states a dependent variable as a sum over the independent ones,
 * the last column being the constant. Changed in place by exchanges.
 */
export type Dictionary = Rational[][];

/**
 * Exchanges the dependent variable of a row with the independent one of a column: the row is solved for that variable,
 * which is then replaced in every other row. The entry exchanged on must not be zero; rows emptied by the caller are
 * left alone.
 */
export function exchangePivot(rows: Dictionary, at: number, column: number): void {
  const pivotRow = itemAt(rows, at);
  const scale = inverse(entryAt(pivotRow, column));
  const solved = pivotRow.map((value, j) => (j === column ? scale : isZero(value) ? value : neg(mul(value, scale))));
  rows[at] = solved;
  for (let i = 0; i < rows.length; i++) {
    const row = itemAt(rows, i);
    const factor = row[column];
    if (i === at || factor === undefined || isZero(factor)) continue;
    for (let j = 0; j < row.length; j++) {
      if (j === column) row[j] = mul(factor, scale);
      else if (!isZero(entryAt(solved, j))) row[j] = add(entryAt(row, j), mul(factor, entryAt(solved, j)));
    }
  }
}
