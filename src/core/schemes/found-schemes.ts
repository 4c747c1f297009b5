import type { SchemeQuestion } from './question';
import type { FoundScheme, Scheme } from './scheme';

/** Kept before the list is cut back to what is told. */
const SPARE = 4;

/**
 * The best of what was found, and how many there are; of schemes that differ only in which of equal sets is which, one.
 */
export class FoundSchemes {
  private kept: FoundScheme[] = [];
  private readonly seen = new Set<string>();
  private sorted = true;
  count = 0;

  constructor(private readonly question: Pick<SchemeQuestion, 'single' | 'limit'>) {}

  /** @param orders of the sets that change nothing */
  add(found: FoundScheme, orders: readonly (readonly number[])[]): void {
    if (orders.length > 0) {
      const key = classKey(found.scheme, orders);
      if (this.seen.has(key)) return;
      this.seen.add(key);
    }
    this.count++;
    this.kept.push(found);
    this.sorted = false;
    if (this.kept.length > SPARE * this.question.limit + 100) this.best();
  }

  /** Best first: single changes where they are asked for, the smallest worst deviation, the fewest elements. */
  best(): readonly FoundScheme[] {
    if (!this.sorted) {
      this.kept.sort((a, b) => compareFound(this.question, a, b));
      this.kept.length = Math.min(this.kept.length, this.question.limit);
      this.sorted = true;
    }
    return this.kept;
  }
}

/** So near, two deviations are one. */
const SAME = 1e-12;

export function compareFound({ single }: Pick<SchemeQuestion, 'single'>, a: FoundScheme, b: FoundScheme): number {
  const [one, two] = [a.selection, b.selection];
  if (single !== 'any' && one.single !== two.single) return one.single ? -1 : 1;
  if (Math.abs(one.worst - two.worst) > SAME) return one.worst - two.worst;
  return one.elements.length - two.elements.length;
}

/** The same for all schemes that another order of equal sets makes of one. */
const classKey = (scheme: Scheme, orders: readonly (readonly number[])[]): string =>
  [null, ...orders].map((order) => keyOf(scheme, order)).sort()[0] ?? '';

function keyOf({ members, frame, input, output }: Scheme, order: readonly number[] | null): string {
  const central = (one: number) => (order ? 3 * (order[Math.floor(one / 3)] ?? 0) + (one % 3) : one);
  const named = (joined: readonly number[]) => joined.map(central).sort((a, b) => a - b);
  const all = members.map(named).sort((a, b) => (a[0] ?? -1) - (b[0] ?? -1));
  const end = (at: number) => JSON.stringify(named(members[at] ?? []));
  return JSON.stringify([all, named(frame), end(input), end(output)]);
}
