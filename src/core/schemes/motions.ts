import { willis } from './standing-ratio';

/** What is smaller beside 1 is rounding. */
const NOTHING = 1e-9;

/**
 * All motions of the open train, as a basis: so many vectors of the speeds of the members one after the other. Null
 * where the sets say the same of the same members, so that more is free.
 * @param memberOf of each central member the member it is joined in, −1 on the frame
 */
export function openMotions(
  memberOf: readonly number[],
  standings: readonly number[],
  members: number,
): Float64Array | null {
  const sets = standings.length;
  const rows = new Float64Array(sets * members);
  const pivots = new Int32Array(sets);
  const isFree = new Uint8Array(members).fill(1);
  for (let set = 0; set < sets; set++) {
    const factors = willis(standings[set] as number);
    for (let i = 0; i < 3; i++) {
      const member = memberOf[3 * set + i] as number;
      if (member >= 0) rows[set * members + member] = (rows[set * members + member] as number) + (factors[i] as number);
    }
  }
  for (let set = 0; set < sets; set++) {
    const pivot = largest(rows, set * members, members);
    if (pivot < 0) return null;
    const scale = rows[set * members + pivot] as number;
    for (let m = 0; m < members; m++) rows[set * members + m] = (rows[set * members + m] as number) / scale;
    for (let other = 0; other < sets; other++) if (other !== set) takeOff(rows, other, set, pivot, members);
    pivots[set] = pivot;
    isFree[pivot] = 0;
  }
  const basis = new Float64Array((members - sets) * members);
  for (let m = 0, at = 0; m < members; m++) {
    if (isFree[m] === 0) continue;
    basis[at + m] = 1;
    for (let set = 0; set < sets; set++) basis[at + (pivots[set] as number)] = -(rows[set * members + m] as number);
    at += members;
  }
  return basis;
}

/** The place of the largest entry of a row; −1 where all are nothing. */
function largest(rows: Float64Array, from: number, members: number): number {
  let [best, size] = [-1, NOTHING];
  for (let m = 0; m < members; m++) {
    const value = Math.abs(rows[from + m] as number);
    if (value > size) [best, size] = [m, value];
  }
  return best;
}

/** Takes so much of a row off another that nothing is left at the pivot, where the row is 1. */
function takeOff(rows: Float64Array, other: number, row: number, pivot: number, members: number): void {
  const factor = rows[other * members + pivot] as number;
  if (factor === 0) return;
  for (let m = 0; m < members; m++)
    rows[other * members + m] = (rows[other * members + m] as number) - factor * (rows[row * members + m] as number);
}

/** The elements that a walk can engage: a brake on one member (the second is −1), a clutch between two. */
export interface Elements {
  readonly count: number;
  readonly first: Int8Array;
  readonly second: Int8Array;
  /** Bits: which of the bare shafts an element takes hold of. Each must be, or it turns nothing. */
  readonly onBare: Int8Array;
}

/** Every brake and clutch there can be; none holds a bare shaft. @param bare how many of the last members are bare */
export function allElements(members: number, bare: number): Elements {
  const pairs: [number, number][] = [];
  for (let m = 0; m < members - bare; m++) pairs.push([m, -1]);
  for (let a = 0; a < members; a++) for (let b = a + 1; b < members; b++) pairs.push([a, b]);
  const bit = (m: number) => (m >= members - bare ? 1 << (members - 1 - m) : 0);
  return {
    count: pairs.length,
    first: Int8Array.from(pairs, ([a]) => a),
    second: Int8Array.from(pairs, ([, b]) => b),
    onBare: Int8Array.from(pairs, ([a, b]) => bit(a) | (b < 0 ? 0 : bit(b))),
  };
}

/** Takes the motions in which an element turns out of the others; false where it is at rest already. */
export function engageElement(
  motions: Float64Array,
  vectors: number,
  members: number,
  a: number,
  b: number,
  values: Float64Array,
  next: Float64Array,
): boolean {
  let [pivot, size] = [-1, NOTHING];
  for (let j = 0; j < vectors; j++) {
    const value = (motions[j * members + a] as number) - (b < 0 ? 0 : (motions[j * members + b] as number));
    values[j] = value;
    if (Math.abs(value) > size) {
      pivot = j;
      size = Math.abs(value);
    }
  }
  if (pivot < 0) return false;
  const from = pivot * members;
  for (let j = 0, to = 0; j < vectors; j++) {
    if (j === pivot) continue;
    const factor = (values[j] as number) / (values[pivot] as number);
    for (let m = 0; m < members; m++)
      next[to + m] = (motions[j * members + m] as number) - factor * (motions[from + m] as number);
    to += members;
  }
  return true;
}

/** The one motion that these elements leave; null where they leave none or more. */
export function motionWith(
  basis: Float64Array,
  members: number,
  { first, second }: Elements,
  engaged: readonly number[],
): Float64Array | null {
  let [motions, vectors] = [basis, basis.length / members];
  const values = new Float64Array(vectors);
  for (const element of engaged) {
    const next = new Float64Array(Math.max(0, vectors - 1) * members);
    if (!engageElement(motions, vectors, members, first[element] as number, second[element] as number, values, next))
      return null;
    [motions, vectors] = [next, vectors - 1];
  }
  return vectors === 1 ? motions : null;
}
