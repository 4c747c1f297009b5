import { abs, compare, toNumber, type Rational } from '../rational';
import type { Train } from '../train';
import { chartOf, type ChartRow } from './chart';
import { itemAt, lookUp, required } from '../required';

/** A shift chart as a grid: couplers in groups, of each of which every position that drives engages exactly one. */
export interface CouplerGrid {
  /**
   * Couplers by group, in the document's order; the group that changes the ratio most comes first, so that its members
   * are the ranges.
   */
  readonly groups: readonly (readonly string[])[];
  /** Couplers that every driving position engages. */
  readonly always: readonly string[];
  readonly cells: readonly GridCell[];
  /** Positions that do not drive, and so have no cell. */
  readonly outside: readonly string[];
}

export interface GridCell {
  readonly position: string;
  /** What is engaged of each group, in the groups' order. */
  readonly at: readonly string[];
  readonly ratio: Rational;
  /** Its place among all cells by the size of the ratio, largest first, from 0 to 1: for shading. */
  readonly rank: number;
  /** Its ratio lies among those of another range. */
  readonly overlaps: boolean;
}

/** Sets of couplers looked at before the search gives up: real boxes need a few hundred. */
const MAX_STEPS = 100_000;

/**
 * The grid of a train's chart, found from its positions. A position is a row of marks, and a group is a set of couplers
 * whose marks cover every row exactly once: an exact cover of the rows (Knuth, Dancing Links), asked for until no
 * coupler is left over. Null where there is none, where it has fewer than two groups of at least two, or where two rows
 * fall into one cell.
 */
export function gridOf(train: Train): CouplerGrid | null {
  const chart = chartOf(train);
  const rows = chart.rows.filter(({ solved }) => solved.ratio !== null);
  if (rows.length < 4) return null;
  const used = train.couplers.map(({ id }) => id).filter((id) => rows.some(({ engaged }) => engaged.includes(id)));
  const always = used.filter((id) => rows.every(({ engaged }) => engaged.includes(id)));
  const groups = groupsOf(
    rows,
    used.filter((id) => !always.includes(id)),
  );
  if (!groups || groups.length < 2) return null;
  const ordered = byEffect(rows, groups);
  const cells = cellsOf(rows, ordered);
  if (new Set(cells.map(({ at }) => at.join(' '))).size < cells.length) return null;
  return {
    groups: ordered,
    always,
    cells,
    outside: chart.rows.filter(({ solved }) => solved.ratio === null).map(({ id }) => id),
  };
}

/** Shares the couplers out among groups that each cover every row exactly once; null where they cannot be. */
function groupsOf(rows: readonly ChartRow[], couplers: readonly string[]): readonly (readonly string[])[] | null {
  const marks = new Map(
    couplers.map((id) => [id, rows.flatMap(({ engaged }, i) => (engaged.includes(id) ? [i] : []))]),
  );
  let steps = 0;
  const share = (left: readonly string[]): (readonly string[])[] | null => {
    const [first] = left;
    if (first === undefined) return [];
    for (const group of covers([first], new Set(lookUp(marks, first)), left.slice(1))) {
      const rest = share(left.filter((id) => !group.includes(id)));
      if (rest) return [group, ...rest];
      if (steps > MAX_STEPS) return null;
    }
    return null;
  };
  return share(couplers);

  /** Every way to complete a group so that each row is covered once. */
  function* covers(
    group: readonly string[],
    covered: ReadonlySet<number>,
    from: readonly string[],
  ): Generator<readonly string[], void> {
    if (covered.size === rows.length) return yield group;
    const missing = rows.findIndex((_, i) => !covered.has(i));
    for (const id of from) {
      const own = lookUp(marks, id);
      if (++steps > MAX_STEPS) return;
      if (!own.includes(missing) || own.some((row) => covered.has(row))) continue;
      yield* covers(
        [...group, id],
        new Set([...covered, ...own]),
        from.filter((other) => other !== id),
      );
    }
  }
}

const size = ({ solved: { ratio } }: ChartRow): Rational => abs(required(ratio));
const engagedOf = (row: ChartRow, group: readonly string[]): string =>
  required(group.find((id) => row.engaged.includes(id)));

/** Groups in the order of what they change: the widest span between the mean ln(ratio) of their members first. */
function byEffect(rows: readonly ChartRow[], groups: readonly (readonly string[])[]): readonly (readonly string[])[] {
  const effect = (group: readonly string[]) => {
    const means = group.map((id) => {
      const own = rows.filter(({ engaged }) => engaged.includes(id)).map((row) => Math.log(toNumber(size(row))));
      return own.reduce((total, value) => total + value, 0) / own.length;
    });
    return Math.max(...means) - Math.min(...means);
  };
  return [...groups].sort((a, b) => effect(b) - effect(a));
}

function cellsOf(rows: readonly ChartRow[], groups: readonly (readonly string[])[]): readonly GridCell[] {
  const sorted = [...rows].sort((a, b) => compare(size(b), size(a)));
  const [ranges = []] = groups;
  const spans = ranges.map((id) => {
    const own = sorted.filter(({ engaged }) => engaged.includes(id));
    return { id, most: size(itemAt(own, 0)), least: size(itemAt(own, -1)) };
  });
  return rows.map((row) => {
    const at = groups.map((group) => engagedOf(row, group));
    const ratio = size(row);
    return {
      position: row.id,
      at,
      ratio: required(row.solved.ratio),
      rank: rows.length > 1 ? sorted.indexOf(row) / (rows.length - 1) : 0,
      overlaps: spans.some(
        ({ id, most, least }) => id !== at[0] && compare(ratio, least) >= 0 && compare(ratio, most) <= 0,
      ),
    };
  });
}
