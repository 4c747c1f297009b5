import { toFraction } from '../rational';
import type { Train } from '../train';
import type { ChartRow } from './chart';
import { countEngaged, engagedIn, numberOf, ratioOfCombination, type CombinationTable } from './combination-table';
import { shiftBetween } from './shifts';
import { itemAt, lookUp } from '../required';

/**
 * A combination for each row, of the row's own ratio, so that few shifts between neighbours move more than one element
 * off and one on.
 */
export interface SingleChanges {
  readonly rows: readonly { readonly position: string; readonly engaged: readonly string[] }[];
  /** Shifts that are still double or blocked, by the row they start from; empty where all are single. */
  readonly hard: readonly string[];
}

/** Combinations of one ratio that are tried, fewest engaged first. */
const MOST_CANDIDATES = 24;

/**
 * Chooses among combinations of equal ratio. Between neighbouring rows a shift costs one where it is double or blocked;
 * among choices with as few of these as can be, the one that changes the fewest rows, then moves the fewest elements: a
 * shortest path from the first row to the last, one candidate of each row on the way.
 * @param rows that drive, in the chart's order.
 */
export function singleChanges(train: Train, rows: readonly ChartRow[], table: CombinationTable): SingleChanges | null {
  if (rows.length < 2) return null;
  const candidates = rows.map((row) => candidatesFor(row, table));
  const blocked = new Map<string, boolean>();
  const hard = (a: number, b: number) => {
    if (countEngaged(a & ~b) > 1 || countEngaged(b & ~a) > 1) return true;
    const key = `${a}>${b}`;
    if (!blocked.has(key)) blocked.set(key, isBlocked(train, table, a, b));
    return lookUp(blocked, key);
  };
  type Way = { readonly cost: number; readonly numbers: readonly number[] };
  let ways: readonly Way[] = itemAt(candidates, 0).map((number) => ({
    cost: changed(itemAt(rows, 0), number),
    numbers: [number],
  }));
  for (const [i, next] of candidates.entries()) {
    if (i === 0) continue;
    ways = next.map((number) =>
      ways
        .map(({ cost, numbers }): Way => {
          const before = itemAt(numbers, -1);
          const moved = countEngaged(before ^ number);
          return {
            cost: cost + (hard(before, number) ? HARD : 0) + changed(itemAt(rows, i), number) + moved,
            numbers: [...numbers, number],
          };
        })
        .reduce((best, way) => (way.cost < best.cost ? way : best)),
    );
  }
  const { numbers } = ways.reduce((best, way) => (way.cost < best.cost ? way : best));
  return {
    rows: rows.map(({ id }, i) => ({ position: id, engaged: engagedIn(table, itemAt(numbers, i)) })),
    hard: rows.slice(0, -1).flatMap(({ id }, i) => (hard(itemAt(numbers, i), itemAt(numbers, i + 1)) ? [id] : [])),
  };

  function changed(row: ChartRow, number: number): number {
    return numberOf(table, row.engaged) === number ? 0 : CHANGED;
  }
}

/** What outweighs what: 128 rows of 20 couplers move at most 2560 elements. */
const CHANGED = 10_000;
const HARD = CHANGED * 1000;

function candidatesFor(row: ChartRow, table: CombinationTable): readonly number[] {
  const own = numberOf(table, row.engaged);
  const ratio = row.solved.ratio && toFraction(row.solved.ratio);
  const equal: number[] = [];
  for (let number = 0; number < table.codes.length; number++)
    if (number !== own && ratio !== null && ratioOfCombination(table, number) === ratio) equal.push(number);
  equal.sort((a, b) => countEngaged(a) - countEngaged(b) || a - b);
  return [own, ...equal.slice(0, MOST_CANDIDATES - 1)];
}

function isBlocked(train: Train, table: CombinationTable, a: number, b: number): boolean {
  const position = (id: string, number: number) => ({ id, name: id, engaged: [...engagedIn(table, number)] });
  return shiftBetween(train, position('from', a), position('to', b)).verdict === 'blocked';
}
