import type { Cell } from '../half-plane';

/**
 * A coupler's symbol: its middle cell, and the direction from joins[0] to joins[1]: 0 right, 1 inward, 2 left, 3
 * outward.
 */
export interface SymbolPlace {
  readonly coupler: string;
  readonly at: Cell;
  readonly direction: number;
}

export interface Routed {
  /** Each member's lines: pairs of neighbouring cells. */
  readonly links: ReadonlyMap<string, readonly (readonly [Cell, Cell])[]>;
  /** Cells of each member's lines, as cellKey names them. */
  readonly cells: ReadonlyMap<string, ReadonlySet<string>>;
  readonly symbols: readonly SymbolPlace[];
  readonly crossings: readonly Cell[];
  /** Parts that could not be kept apart or connected: 0 in a sound drawing. */
  readonly faults: number;
  readonly cost: number;
}

/** Is this cell part of the member's lines? */
export const reaches = ({ cells }: Routed, member: string, cell: Cell): boolean =>
  cells.get(member)?.has(cellKey(cell)) ?? false;

export const cellKey = ({ x, row }: Cell): string => `${x} ${row}`;
