import type { PlaneCell } from '../half-plane';

/**
 * A coupler's symbol: its middle cell, and the direction from joins[0] to joins[1]: 0 right, 1 inward, 2 left, 3
 * outward.
 */
export interface SymbolPlace {
  readonly coupler: string;
  readonly at: PlaneCell;
  readonly direction: number;
}

export interface Routed {
  /** Each member's lines: pairs of neighbouring cells. */
  readonly links: ReadonlyMap<string, readonly (readonly [PlaneCell, PlaneCell])[]>;
  /** Cells of each member's lines, as cellKey names them. */
  readonly cells: ReadonlyMap<string, ReadonlySet<string>>;
  readonly symbols: readonly SymbolPlace[];
  readonly crossings: readonly PlaneCell[];
  /** Parts that could not be kept apart or connected: 0 in a sound drawing. */
  readonly faults: number;
  readonly cost: number;
}

/** Is this cell part of the member's lines? */
export const reaches = ({ cells }: Routed, member: string, cell: PlaneCell): boolean =>
  cells.get(member)?.has(planeCellKey(cell)) ?? false;

export const planeCellKey = ({ x, row }: PlaneCell): string => `${x} ${row}`;
