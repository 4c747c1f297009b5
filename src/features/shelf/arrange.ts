import { compare, parseRational } from '@/core/rational';
import type { ShelfEntry } from './entry';

export const SORTS = { changed: 'Last change', name: 'Name', positions: 'Positions', spread: 'Spread' } as const;
export type Sort = keyof typeof SORTS;

/** The entries that match every word typed, in their name or notes, in the order asked for. */
export function arrange(entries: readonly ShelfEntry[], query: string, sort: Sort): readonly ShelfEntry[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  const matching = entries.filter(({ name, notes }) => words.every((word) => `${name} ${notes}`.toLowerCase().includes(word)));
  return [...matching].sort((a, b) => ORDER[sort](a, b) || byName(a, b));
}

const byName = (a: ShelfEntry, b: ShelfEntry): number => a.name.localeCompare(b.name, 'en', { numeric: true });

const ORDER: Record<Sort, (a: ShelfEntry, b: ShelfEntry) => number> = {
  name: byName,
  changed: (a, b) => b.updatedAt.localeCompare(a.updatedAt),
  positions: (a, b) => b.positions - a.positions,
  spread: (a, b) => (a.spread && b.spread ? compare(parseRational(b.spread)!, parseRational(a.spread)!) : Number(b.spread !== null) - Number(a.spread !== null)),
};
