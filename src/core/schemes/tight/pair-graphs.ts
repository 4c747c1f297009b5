/**
 * By choice of input and output, which two elements give which wish: a graph whose nodes are elements and whose edges
 * have wishes. An edge is packed into one word: first element, second element, bits by wish.
 */
export interface PairGraphs {
  /** The place of an input and an output is output × members + input. */
  readonly members: number;
  readonly counts: Int32Array;
  /** Bits of the wishes that are given at all, by place. */
  readonly wishes: Int32Array;
  /** The edges of a place begin at place × most. */
  readonly edges: Int32Array;
  readonly most: number;
}

export const FIELD = 5;
export const NODE = (1 << FIELD) - 1;

/** Graphs to be filled with one train after another; they are made once. @param elements how many there are */
export function emptyGraphs(members: number, elements: number): PairGraphs {
  const most = (elements * (elements - 1)) / 2;
  const places = members * members;
  return {
    members,
    counts: new Int32Array(places),
    wishes: new Int32Array(places),
    edges: new Int32Array(places * most),
    most,
  };
}

export function clearGraphs({ counts, wishes }: PairGraphs): void {
  counts.fill(0);
  wishes.fill(0);
}

/** Two elements in one word. */
export const pairOf = (one: number, other: number): number => one | (other << FIELD);

/** Between this input and output each of these pairs gives these wishes. */
export function addEdges(
  { members, counts, wishes, edges, most }: PairGraphs,
  input: number,
  output: number,
  pairs: Int32Array,
  given: number,
): void {
  const place = output * members + input;
  const from = place * most + (counts[place] as number);
  const bits = given << (2 * FIELD);
  for (let k = 0; k < pairs.length; k++) edges[from + k] = (pairs[k] as number) | bits;
  counts[place] = (counts[place] as number) + pairs.length;
  wishes[place] = (wishes[place] as number) | given;
}
