import { compare, parseRational } from '@/core/rational';
import { type ReadableEntry, type ShelfEntry } from '@/wire';
import { isReadable } from './entry';
import { required } from '@/core/required';
import { inOwnWords } from '@/core/words';

export const SORTS = { changed: 'Last change', name: 'Name', positions: 'Positions', spread: 'Spread' } as const;
export type Sort = keyof typeof SORTS;

/** The entries that match every word typed, in their name or notes, in the order asked for. */
export function arrange(entries: readonly ShelfEntry[], query: string, sort: Sort): readonly ShelfEntry[] {
  const wordsOf = (text: string) => text.toLowerCase().split(/\s+/).filter(Boolean);
  // A layshaft is found where it is called a countershaft, and the other way round.
  const [words, own] = [wordsOf(query), wordsOf(inOwnWords(query))];
  const matching = entries.filter((entry) => {
    const text = `${entry.name} ${isReadable(entry) ? entry.notes : ''}`.toLowerCase();
    if (words.every((word) => text.includes(word))) return true;
    const ownText = inOwnWords(text);
    return own.every((word) => ownText.includes(word));
  });
  return [...matching].sort((a, b) => ORDER[sort](a, b) || byName(a, b));
}

const byName = (a: ShelfEntry, b: ShelfEntry): number => a.name.localeCompare(b.name, 'en', { numeric: true });

/** What does not read has no figures to be sorted by, and comes last. */
function readableFirst(
  order: (a: ReadableEntry, b: ReadableEntry) => number,
): (a: ShelfEntry, b: ShelfEntry) => number {
  return (a, b) => (isReadable(a) && isReadable(b) ? order(a, b) : Number(isReadable(b)) - Number(isReadable(a)));
}

const ORDER: Record<Sort, (a: ShelfEntry, b: ShelfEntry) => number> = {
  name: byName,
  changed: (a, b) => b.updatedAt.localeCompare(a.updatedAt),
  positions: readableFirst((a, b) => b.positions - a.positions),
  spread: readableFirst((a, b) =>
    a.spread && b.spread
      ? compare(required(parseRational(b.spread)), required(parseRational(a.spread)))
      : Number(b.spread !== null) - Number(a.spread !== null),
  ),
};
