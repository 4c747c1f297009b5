import type { Rational } from './rational';

/**
 * A coefficient of a row. Apart from other lists, so that the engine knows what it reads here: these are the innermost
 * loops of the solver. @throws RangeError where the row has no such place
 */
export function entryAt(row: readonly Rational[], at: number): Rational {
  const entry = row[at];
  if (entry === undefined) throw new RangeError(`There is no coefficient ${at} in a row of ${row.length}.`);
  return entry;
}
