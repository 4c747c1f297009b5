import { itemAt, lookUp } from '../../required';
import type { Effort } from '../effort';
import type { HalfPlane, Terminal } from '../half-plane';
import type { RoutingGrid } from './grid';
import { pieceOf, type LinePiece } from './piece';
import { spread, type CostField, type Prices, type Window } from './search';

/** A member's own lines: its terminals joined one after the other, each by the cheapest way from what lies already. */
export function layTree(
  grid: RoutingGrid,
  plane: HalfPlane,
  member: string,
  net: number,
  prices: Prices,
  effort: Effort,
): LinePiece | null {
  const terminals = plane.terminals
    .filter((terminal) => terminal.member === member)
    .sort((a, b) => a.cells.length - b.cells.length);
  const [first] = terminals;
  if (!first) return pieceOf([], [], 0);
  const open = new Set(terminals.slice(1));
  const cells: number[] = [];
  const links: (readonly [number, number])[] = [];
  let cost = 0;
  // All places of a terminal hang together through the part itself: either end of a pin will do, or both.
  const free = (terminal: Terminal) => terminal.cells.map(grid.at).filter((at) => grid.net[at] === -1);
  const joined = new Set([first]);
  let starts = free(first);
  while (open.size > 0) {
    const goals = new Map(
      [...open].flatMap((terminal) => terminal.cells.map((cell) => [grid.at(cell), terminal] as const)),
    );
    const met = starts.find((at) => goals.has(at));
    if (met !== undefined) {
      cells.push(met);
      reach(lookUp(goals, met));
      continue;
    }
    const look = (window: Window) => spread(grid, starts, net, prices, window, effort, (at) => goals.has(at));
    const near = look(windowOf(grid, [...starts, ...goals.keys()]));
    const field = near.reached >= 0 ? near : look(everywhere(grid));
    if (field.reached < 0) return null;
    const way = wayBack(field, field.reached);
    cells.push(...way.cells);
    links.push(...way.links);
    cost += way.cost;
    reach(lookUp(goals, field.reached >> 2));
  }
  return pieceOf(cells, links, cost);

  function reach(terminal: Terminal): void {
    open.delete(terminal);
    joined.add(terminal);
    starts = [...cells, ...[...joined].flatMap(free)];
  }
}

/** Columns on either side of what is to be joined, to go round what stands in between. */
const DETOUR = 16;

/** The columns in which the way between cells is looked for first. */
export function windowOf(grid: RoutingGrid, cells: readonly number[]): Window {
  let [from, to] = [grid.columns, 0];
  for (const at of cells) {
    from = Math.min(from, at % grid.columns);
    to = Math.max(to, at % grid.columns);
  }
  return { from: from - DETOUR, to: to + DETOUR };
}

const everywhere = (grid: RoutingGrid): Window => ({ from: 0, to: grid.columns - 1 });

/** The way by which a field reached a state. */
export function wayBack(field: CostField, last: number): LinePiece {
  const cells = [last >> 2];
  const links: [number, number][] = [];
  for (let at = last; itemAt(field.from, at) >= 0; at = itemAt(field.from, at)) {
    links.push([itemAt(field.from, at) >> 2, at >> 2]);
    cells.push(itemAt(field.from, at) >> 2);
  }
  return pieceOf(cells, links, itemAt(field.cost, last));
}
