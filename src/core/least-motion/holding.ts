import { add, isZero, mul, sign, ZERO, type Rational } from '../rational';
import { exchange, type Dictionary } from './exchange';
import { leastMotion, type Form, type LeastMotion, type Programme } from './least-motion';

/**
 * Which leads push at the least motion, whichever of several equally good sets of multipliers is taken: those with a
 * positive multiplier, and those that stand at zero and could have one as well, because they work in parallel with
 * others. A lead that could only push against other leads in a closed ring (a preload that nothing puts in) does not.
 */
export function holding({ leads }: Programme, solution: Extract<LeastMotion, { possible: true }>): ReadonlySet<number> {
  const holds = new Set([...leads.keys()].filter((i) => sign(solution.pushes[i]!) > 0));
  const undecided = [...leads.keys()].filter((i) => !holds.has(i) && isZero(solution.leads[i]!) && !leads[i]!.every(isZero));
  if (undecided.length === 0) return holds;
  const over = modulo([...holds].map((i) => leads[i]!), undecided.map((i) => leads[i]!));
  const settled = new Set<number>();
  undecided.forEach((lead, at) => {
    if (settled.has(at)) return;
    // Can it lead, with those that push held and the rest of the undecided not overtaken? If not, what is against it says why.
    const others = [...undecided.keys()].filter((other) => other !== at);
    const tried = leastMotion({ rate: over[at]!.rest, loads: [], leads: others.map((other) => over[other]!.rest) });
    settled.add(at);
    if (tried.possible) {
      others.forEach((other, i) => sign(tried.leads[i]!) > 0 && settled.add(other));
      return;
    }
    const ring = [...tried.against].reduce((total, [i, weight]) => addScaled(total, weight, over[others[i]!]!.held), over[at]!.held);
    if (!ring.some((value) => sign(value) > 0)) return;
    holds.add(lead);
    for (const i of tried.against.keys()) {
      settled.add(others[i]!);
      holds.add(undecided[others[i]!]!);
    }
  });
  return holds;
}

/** A form as multiples of the held ones and what is left beside them. */
interface Split {
  readonly held: Form;
  readonly rest: Form;
}

/** @param held independent forms. */
function modulo(held: readonly Form[], forms: readonly Form[]): readonly Split[] {
  const rows: Dictionary = [...held, ...forms].map((form) => [...form]);
  const columns: number[] = [];
  held.forEach((_, i) => {
    const column = rows[i]!.findIndex((value, j) => !columns.includes(j) && !isZero(value));
    exchange(rows, i, column);
    rows[i] = [];
    columns.push(column);
  });
  const left = [...(forms[0] ?? []).keys()].filter((j) => !columns.includes(j));
  return rows.slice(held.length).map((row) => ({ held: columns.map((j) => row[j]!), rest: left.map((j) => row[j]!) }));
}

const addScaled = (a: Form, factor: Rational, b: Form): Form => a.map((value, i) => add(value, mul(factor, b[i] ?? ZERO)));
