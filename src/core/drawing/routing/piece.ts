import { lookUp } from '../../required';
/** A stretch of line: its cells, and the pairs of neighbours among them. */
export interface LinePiece {
  readonly cells: readonly number[];
  readonly links: readonly (readonly [number, number])[];
  readonly cost: number;
  /** Each cell once, with the directions in which the line leaves it, as bits. */
  readonly marks: readonly (readonly [number, number])[];
}

/** Bit of a direction (0 right, 1 inward, 2 left, 3 outward) among a cell's links. */
export const bit = (direction: number): number => 1 << direction;
export const opposite = (direction: number): number => (direction + 2) % 4;

export function pieceOf(
  cells: readonly number[],
  links: readonly (readonly [number, number])[],
  cost: number,
): LinePiece {
  const marks = new Map<number, number>(cells.map((cell) => [cell, 0]));
  for (const [a, b] of links) {
    const direction = b === a + 1 ? 0 : b === a - 1 ? 2 : b < a ? 1 : 3;
    marks.set(a, lookUp(marks, a) | bit(direction));
    marks.set(b, lookUp(marks, b) | bit(opposite(direction)));
  }
  return { cells, links, cost, marks: [...marks] };
}
