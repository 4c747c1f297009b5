import { isZero, sign, type Rational, entryAt } from '../rational';
import { exchangePivot, type Dictionary } from './exchange';
import { leadAmong } from './among';
import type { QuadraticForm, LeastMotion, Programme } from './least-motion';
import { itemAt } from '../required';

/**
 * Which leads push at the least motion, whichever of several equally good sets of multipliers is taken: those with a
 * positive multiplier, and those that stand at zero and could have one as well, because they work in parallel with
 * others or against each other in a closed ring.
 */
export function holding({ leads }: Programme, solution: Extract<LeastMotion, { possible: true }>): ReadonlySet<number> {
  const holds = new Set([...leads.keys()].filter((i) => sign(entryAt(solution.pushes, i)) > 0));
  const undecided = [...leads.keys()].filter(
    (i) => !holds.has(i) && isZero(entryAt(solution.leads, i)) && !itemAt(leads, i).every(isZero),
  );
  if (undecided.length === 0) return holds;
  const forms = modulo(
    [...holds].map((i) => itemAt(leads, i)),
    undecided.map((i) => itemAt(leads, i)),
  );
  const decided = new Set<number>();
  undecided.forEach((lead, at) => {
    if (decided.has(at)) return;
    // Can it lead, with those that push held and none of the undecided overtaken? If not, it pushes against what
    // hinders it.
    const tried = leadAmong(forms, at);
    for (const other of tried.leads ? tried.along : tried.against) decided.add(other);
    decided.add(at);
    if (tried.leads) return;
    for (const pushing of [lead, ...tried.against.map((other) => itemAt(undecided, other))]) holds.add(pushing);
  });
  return holds;
}

/** What is left of forms where the held ones, which are independent, are zero. */
function modulo(held: readonly QuadraticForm[], forms: readonly QuadraticForm[]): readonly QuadraticForm[] {
  const rows: Dictionary = [...held, ...forms].map((form) => [...form]);
  const columns = new Set<number>();
  held.forEach((_, i) => {
    const column = itemAt(rows, i).findIndex((value: Rational, j) => !columns.has(j) && !isZero(value));
    exchangePivot(rows, i, column);
    rows[i] = [];
    columns.add(column);
  });
  return rows.slice(held.length).map((row) => row.filter((_, j) => !columns.has(j)));
}
