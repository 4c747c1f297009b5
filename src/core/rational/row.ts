import type { Rational } from './rational';

/**
 * A coefficient of a row. Apart from other lists and short, so that the engine knows what it reads here and sets it in
 * place: these are the innermost loops of the solver. @throws RangeError where the row has no such place
 */
export function entryAt(row: readonly Rational[], at: number): Rational {
  const entry = row[at];
  return entry === undefined ? missing(row, at) : entry;
}

function missing(row: readonly Rational[], at: number): never {
  throw new RangeError(`There is no coefficient ${at} in a row of ${row.length}.`);
}
