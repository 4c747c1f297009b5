import { add, div, isZero, mul, neg, ONE, sign, sub, ZERO, type Rational, entryAt } from '../rational';
import { solveComplementarity } from './complementarity';
import { exchangePivot, type Dictionary } from './exchange';
import { itemAt, lookUp } from '../required';

/** A linear function of the free coordinates of a motion. */
export type QuadraticForm = readonly Rational[];

/**
 * The law of least motion as a convex quadratic programme over the coordinates x that the meshes and engaged
 * couplers leave free:
 *
 *     minimise  Σ_k (load_k · x)²   subject to   rate · x = 1,   lead_i · x ≥ 0
 *
 * With one load this is the end nearest to zero of the range of its speed, a linear programme's answer.
 */
export interface Programme {
  readonly rate: QuadraticForm;
  readonly loads: readonly QuadraticForm[];
  readonly leads: readonly QuadraticForm[];
}

export type LeastMotion =
  | {
      readonly possible: true;
      /** lead_i · x at a solution. */
      readonly leads: readonly Rational[];
      /** The multiplier of each lead: never negative, and zero where the lead is not. */
      readonly pushes: readonly Rational[];
      /** load_k · x, the same in every solution. */
      readonly loads: readonly Rational[];
    }
  /**
   * No motion: these multiples of leads, all positive, add up to −rate (Farkas). None where the rate itself is zero. Of
   * the leads named, none can be spared.
   */
  | { readonly possible: false; readonly against: ReadonlyMap<number, Rational> };

/** Solves the programme exactly. */
export function leastMotion(programme: Programme): LeastMotion {
  const reduced = reduce(programme);
  if (!reduced) return { possible: false, against: new Map() };
  const { basis, rows, loads } = reduced;
  const count = programme.leads.length;
  const solution = solveComplementarity(conditions(count, basis, rows, loads));
  if (!solution.solvable) return { possible: false, against: certificate(count, basis, rows) };
  const based = new Map(basis.map((lead, column) => [lead, column]));
  const leads = Array.from({ length: count }, (_, i) =>
    based.has(i) ? entryAt(solution.z, i) : entryAt(solution.w, i),
  );
  const pushes = Array.from({ length: count }, (_, i) =>
    based.has(i) ? entryAt(solution.w, i) : entryAt(solution.z, i),
  );
  return {
    possible: true,
    leads,
    pushes,
    loads: loads.map((row) =>
      valueAt(
        row,
        basis.map((lead) => entryAt(leads, lead)),
      ),
    ),
  };
}

/** The programme in as few variables as it has: independent leads, the basis, from which all others follow. */
interface Reduced {
  /** The leads that serve as variables, by column. */
  readonly basis: readonly number[];
  /** The other leads over the basis, and a constant. */
  readonly rows: ReadonlyMap<number, readonly Rational[]>;
  /** The loads over the basis, and a constant, at their least for what no lead limits. */
  readonly loads: readonly (readonly Rational[])[];
}

function reduce({ rate, loads, leads }: Programme): Reduced | null {
  const given = rate.findIndex((value) => !isZero(value));
  if (given < 0) return null;
  const columns = [...rate.keys()].filter((j) => j !== given);
  const affine = (form: QuadraticForm): Rational[] => {
    const share = div(entryAt(form, given), entryAt(rate, given));
    return [...columns.map((j) => sub(entryAt(form, j), mul(share, entryAt(rate, j)))), share];
  };
  const open: Dictionary = [...leads, ...loads].map(affine);
  const leadAt = new Map<number, number>();
  for (let i = 0; i < leads.length; i++) {
    const column = leastUsed(
      open,
      [...columns.keys()].filter((j) => !leadAt.has(j) && !isZero(itemAt(itemAt(open, i), j))),
    );
    if (column === null) continue;
    exchangePivot(open, i, column);
    open[i] = [];
    leadAt.set(column, i);
  }
  const unlimited = [...columns.keys()].filter((j) => !leadAt.has(j));
  const least = withoutUnlimited(open.slice(leads.length), unlimited);
  const places = [...leadAt.keys()];
  const kept = (row: readonly Rational[]) => [...places.map((j) => entryAt(row, j)), entryAt(row, columns.length)];
  const based = new Set(leadAt.values());
  return {
    basis: places.map((j) => lookUp(leadAt, j)),
    rows: new Map([...leads.keys()].filter((i) => !based.has(i)).map((i) => [i, kept(itemAt(open, i))])),
    loads: least.map(kept),
  };
}

/** Of these columns the one that fewest rows use: exchanging there disturbs least. */
function leastUsed(rows: Dictionary, columns: readonly number[]): number | null {
  const uses = columns.map((j) =>
    rows.reduce((count, row) => (row[j] === undefined || isZero(row[j]) ? count : count + 1), 0),
  );
  return columns[uses.indexOf(Math.min(...uses))] ?? null;
}

/**
 * The loads with every unlimited variable where it makes them least: projected at right angles to what it moves (Gram
 * and Schmidt).
 */
function withoutUnlimited(
  loads: readonly (readonly Rational[])[],
  unlimited: readonly number[],
): readonly (readonly Rational[])[] {
  let at = loads;
  for (const column of unlimited) {
    const moved = at.map((row) => entryAt(row, column));
    if (moved.every(isZero)) continue;
    const shares = (at[0] ?? []).map((_, j) =>
      div(
        dot(
          moved,
          at.map((row) => entryAt(row, j)),
        ),
        dot(moved, moved),
      ),
    );
    at = at.map((row, k) => row.map((value, j) => sub(value, mul(entryAt(shares, j), entryAt(moved, k)))));
  }
  return at;
}

/**
 * The conditions of Karush, Kuhn and Tucker as a complementarity problem with one pair for each lead: its value and
 * its multiplier. With loads ω = Q s + c over the basis s and the other leads A s + b:
 *
 *     pushes of the basis = QᵀQ s − Aᵀ μ + Qᵀc,     other leads = A s + b
 */
function conditions(
  count: number,
  basis: readonly number[],
  rows: Reduced['rows'],
  loads: Reduced['loads'],
): Dictionary {
  const columnOf = (j: number) => loads.map((row) => entryAt(row, j));
  const constant = columnOf(basis.length);
  const dictionary: Dictionary = Array.from({ length: count }, () => new Array<Rational>(count + 1).fill(ZERO));
  basis.forEach((lead, i) => {
    const own = columnOf(i);
    basis.forEach((other, j) => (itemAt(dictionary, lead)[other] = dot(own, columnOf(j))));
    rows.forEach((row, other) => (itemAt(dictionary, lead)[other] = neg(entryAt(row, i))));
    itemAt(dictionary, lead)[count] = dot(own, constant);
  });
  rows.forEach((row, lead) => {
    basis.forEach((other, j) => (itemAt(dictionary, lead)[other] = entryAt(row, j)));
    itemAt(dictionary, lead)[count] = entryAt(row, basis.length);
  });
  return dictionary;
}

/**
 * The leads that exclude each other, found with no loads at all: then the row that cannot be mended is a relation
 * between leads alone.
 */
function certificate(count: number, basis: readonly number[], rows: Reduced['rows']): ReadonlyMap<number, Rational> {
  const unloaded = solveComplementarity(conditions(count, basis, rows, []));
  if (unloaded.solvable) throw new Error('A programme with loads has no solution although it has one without.');
  const { pair, row } = unloaded;
  const against = new Map([[pair, ONE]]);
  row.forEach((value, j) => j < count && sign(value) < 0 && against.set(j, neg(value)));
  const scale = neg(entryAt(row, count));
  return new Map([...against].map(([lead, weight]) => [lead, div(weight, scale)]));
}

const valueAt = (row: readonly Rational[], at: readonly Rational[]): Rational =>
  at.reduce((total, value, j) => add(total, mul(entryAt(row, j), value)), entryAt(row, at.length));

function dot(a: readonly Rational[], b: readonly Rational[]): Rational {
  let total = ZERO;
  for (let i = 0; i < a.length; i++)
    if (!isZero(entryAt(a, i)) && !isZero(entryAt(b, i))) total = add(total, mul(entryAt(a, i), entryAt(b, i)));
  return total;
}
