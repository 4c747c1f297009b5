import { itemAt } from '../../required';
import type { Effort } from '../effort';
import type { PlaneCell } from '../half-plane';
import type { RoutingGrid } from './grid';
import { wayBack, windowOf } from './lay-tree';
import { opposite, pieceOf, type LinePiece } from './piece';
import type { PlaneJoint } from './plane-grid';
import type { SymbolPlace } from './routed';
import { spread, type CostField, type Prices } from './search';

/** A coupler in its place: the symbol's cells, and the line it adds to either member. */
export interface Link {
  readonly symbol: SymbolPlace;
  readonly middle: LinePiece;
  readonly a: LinePiece;
  readonly b: LinePiece;
}

/** What it costs to stand so near a gear or another coupler that their symbols touch. */
const CROWDING = 12;

/**
 * Puts a coupler on the cheapest way between two members' lines, where three free cells stand in a row. A member −1 is
 * the frame, a member without cells starts anywhere.
 */
export function layLink(
  grid: RoutingGrid,
  { id, a, b }: PlaneJoint,
  cellsOf: (net: number) => number[],
  prices: Prices,
  crowd: readonly PlaneCell[],
  effort: Effort,
): Link | null {
  const startsA = a < 0 ? [] : cellsOf(a);
  const startsB = b < 0 ? [] : cellsOf(b);
  const window = windowOf(grid, [...startsA, ...startsB]);
  const fieldA = startsA.length > 0 ? spread(grid, startsA, a, prices, window, effort) : null;
  const fieldB = startsB.length > 0 ? spread(grid, startsB, b, prices, window, effort) : null;
  let best: { cost: number; middle: number; direction: number; endA: number; endB: number } | null = null;
  for (let middle = 0; middle < grid.size; middle++) {
    if (grid.blocked[middle] || itemAt(grid.reserved, middle) >= 0 || grid.net[middle] !== -1) continue;
    const x = itemAt(grid.column, middle);
    const row = itemAt(grid.row, middle);
    if (x < window.from || x > window.to) continue;
    const beside =
      grid.beside[middle] === 1 || crowd.some((other) => Math.abs(other.x - x) < 2 && Math.abs(other.row - row) < 3);
    const crowding = beside ? CROWDING : 0;
    for (let direction = 0; direction < 4; direction++) {
      const towardsB = grid.step(middle, direction);
      const towardsA = grid.step(middle, opposite(direction));
      if (towardsA < 0 || towardsB < 0 || !grid.open(towardsA, a) || !grid.open(towardsB, b)) continue;
      const endA = arrival(grid, fieldA, towardsA, direction, a);
      const endB = arrival(grid, fieldB, towardsB, opposite(direction), b);
      const cost = endA.cost + endB.cost + itemAt(grid.history, middle) + crowding;
      if (cost < (best?.cost ?? Infinity)) best = { cost, middle, direction, endA: endA.state, endB: endB.state };
    }
  }
  if (!best) return null;
  const { middle, direction } = best;
  const side = (field: CostField | null, end: number, beside: number): LinePiece =>
    field ? wayBack(field, end) : pieceOf([beside], [], 0);
  return {
    symbol: { coupler: id, at: grid.cell(middle), direction },
    middle: pieceOf([middle], [], 0),
    a: side(fieldA, best.endA, grid.step(middle, opposite(direction))),
    b: side(fieldB, best.endB, grid.step(middle, direction)),
  };
}

/**
 * Cheapest way for one side of a coupler to stand on a cell. The frame is all round: it wants to be reached outward,
 * with nothing in between.
 */
function arrival(
  grid: RoutingGrid,
  field: CostField | null,
  at: number,
  direction: number,
  net: number,
): { cost: number; state: number } {
  if (!field) {
    if (net >= 0) return { cost: 0, state: -1 };
    let cost = direction === 1 ? 0 : Infinity;
    for (let out = grid.step(at, 3); out >= 0; out = grid.step(out, 3))
      cost += 3 + (grid.net[out] === -1 && !grid.blocked[out] ? 0 : 25);
    return { cost, state: -1 };
  }
  let best = { cost: Infinity, state: -1 };
  for (let d = 0; d < 4; d++) {
    if (d === opposite(direction)) continue;
    const state = at * 4 + d;
    const cost = itemAt(field.cost, state) + (d === direction || itemAt(field.from, state) < 0 ? 0 : 3);
    if (cost < best.cost) best = { cost, state };
  }
  return best;
}
