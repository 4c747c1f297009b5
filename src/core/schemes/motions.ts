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
  const rows = standings.map((standing, set) => {
    const row = new Float64Array(members);
    willis(standing).forEach((factor, i) => {
      const member = memberOf[3 * set + i] ?? -1;
      if (member >= 0) row[member] = (row[member] ?? 0) + factor;
    });
    return row;
  });
  const pivots: number[] = [];
  rows.forEach((row, at) => {
    const pivot = largest(row, pivots);
    if (pivot < 0) return;
    const scale = row[pivot] ?? 1;
    for (let m = 0; m < members; m++) row[m] = (row[m] ?? 0) / scale;
    rows.forEach((other, i) => {
      if (i !== at) takeOff(other, row, other[pivot] ?? 0);
    });
    pivots.push(pivot);
  });
  if (pivots.length < rows.length) return null;
  const free = Array.from({ length: members }, (_, m) => m).filter((m) => !pivots.includes(m));
  const basis = new Float64Array(free.length * members);
  free.forEach((m, k) => {
    basis[k * members + m] = 1;
    pivots.forEach((pivot, i) => (basis[k * members + pivot] = -(rows[i]?.[m] ?? 0)));
  });
  return basis;
}

/** The place of the largest entry that is none of these; −1 where all are nothing. */
function largest(row: Float64Array, without: readonly number[]): number {
  let [best, size] = [-1, NOTHING];
  row.forEach((value, m) => {
    if (Math.abs(value) > size && !without.includes(m)) [best, size] = [m, Math.abs(value)];
  });
  return best;
}

function takeOff(row: Float64Array, other: Float64Array, factor: number): void {
  if (factor !== 0) for (let m = 0; m < row.length; m++) row[m] = (row[m] ?? 0) - factor * (other[m] ?? 0);
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

/**
 * Engages every choice of so many elements that leaves one motion, in order. An element is a row of the basis; with it
 * at rest one vector is taken out of all others, the one in which it turns fastest.
 * @param seen is given the chosen elements and the speeds of the members; both are overwritten afterwards
 */
export function walkMotions(
  basis: Float64Array,
  members: number,
  engaged: number,
  { count, first, second, onBare }: Elements,
  seen: (chosen: Int32Array, speeds: Float64Array) => void,
): void {
  const levels = Array.from({ length: engaged + 1 }, (_, i) => new Float64Array((engaged + 1 - i) * members));
  levels[0]?.set(basis);
  const chosen = new Int32Array(engaged);
  const values = new Float64Array(engaged + 1);
  const visit = (level: number, from: number, bare: number): void => {
    const motions = levels[level] as Float64Array;
    if (level === engaged) return seen(chosen, motions);
    const next = levels[level + 1] as Float64Array;
    const left = engaged - level;
    for (let element = from; element <= count - left; element++) {
      const free = bare & ~(onBare[element] as number);
      // One element takes hold of one bare shaft or of both.
      if (left === 1 && free !== 0) continue;
      const [a, b] = [first[element] as number, second[element] as number];
      if (!engage(motions, left + 1, members, a, b, values, next)) continue;
      chosen[level] = element;
      visit(level + 1, element + 1, free);
    }
  };
  visit(
    0,
    0,
    onBare.reduce((all, one) => all | one, 0),
  );
}

/** Takes the motions in which an element turns out of the others; false where it is at rest already. */
function engage(
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
    if (!engage(motions, vectors, members, first[element] as number, second[element] as number, values, next))
      return null;
    [motions, vectors] = [next, vectors - 1];
  }
  return vectors === 1 ? motions : null;
}
