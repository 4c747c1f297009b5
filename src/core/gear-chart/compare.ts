import { sign, toNumber, type Rational } from '../rational';
import type { Chart, ChartRow } from './chart';
import { required } from '../required';

/** Rows of two charts side by side. */
export interface Pairing {
  readonly mine: ChartRow | null;
  readonly theirs: ChartRow | null;
  /** How far their ratio is from mine in size, in per cent of mine; null unless both drive the same way. */
  readonly difference: number | null;
}

/** What makes two rows each other's match. */
export type MatchBy = 'name' | 'ratio';

/**
 * Pairs the rows of two charts: in the order of mine, then what is left of theirs.
 * @param by name first and nearest ratio for what is left, or nearest ratio throughout; ratios that go opposite ways
 *   never match.
 */
export function compareCharts(mine: Chart, theirs: Chart, by: MatchBy): readonly Pairing[] {
  const matches = new Map<string, ChartRow>();
  const free = new Set(theirs.rows);
  const match = (own: ChartRow, other: ChartRow) => {
    matches.set(own.id, other);
    free.delete(other);
  };
  if (by === 'name')
    for (const own of mine.rows) {
      const other = [...free].find(({ name }) => name.toLowerCase() === own.name.toLowerCase());
      if (other) match(own, other);
    }
  const unmatched = mine.rows.filter(({ id }) => !matches.has(id));
  const near = unmatched
    .flatMap((own) => [...free].map((other) => ({ own, other, away: away(own, other) })))
    .filter(({ away: distance }) => distance !== null)
    .sort((a, b) => Math.abs(required(a.away)) - Math.abs(required(b.away)));
  for (const { own, other } of near) if (!matches.has(own.id) && free.has(other)) match(own, other);
  return [
    ...mine.rows.map((own): Pairing => {
      const other = matches.get(own.id) ?? null;
      const distance = other && away(own, other);
      return { mine: own, theirs: other, difference: distance === null ? null : 100 * Math.expm1(distance) };
    }),
    ...[...free].map((other): Pairing => ({ mine: null, theirs: other, difference: null })),
  ];
}

/** ln of their ratio over mine; null unless both drive, and the same way. */
function away(mine: ChartRow, theirs: ChartRow): number | null {
  const [a, b] = [mine.solved.ratio, theirs.solved.ratio];
  return a && b && sign(a) === sign(b) ? lnSize(b) - lnSize(a) : null;
}

const lnSize = (ratio: Rational): number => Math.log(Math.abs(toNumber(ratio)));
