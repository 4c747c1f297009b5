import type { Grid } from './grid';

const STEP = 2;
const BEND = 3;
const OUTWARD_ROW = 0.02;

/** What conflicts cost in this round. */
export interface Prices {
  /** Running straight across another member's straight line. */
  readonly crossing: number;
  /** Sharing a cell with another member in any other way. */
  readonly share: number;
  /** Each cell on the centre line, which belongs to input and output first. */
  readonly centre: number;
}

/** Cheapest costs from a set of cells to every state (cell, direction of arrival), with the way back. */
export interface Field {
  readonly cost: Float64Array;
  readonly from: Int32Array;
}

const heapLess = (cost: Float64Array, a: number, b: number): boolean => cost[a]! < cost[b]!;

/** The columns within which a way is looked for. */
export interface Window {
  readonly from: number;
  readonly to: number;
}

/** Dijkstra over (cell, direction of arrival): bends cost, and so does what is in the way. With `stop`, ends at the first such cell. */
export function spread(grid: Grid, starts: Iterable<number>, net: number, prices: Prices, window: Window, stop?: (at: number) => boolean): Field & { readonly reached: number } {
  const size = grid.columns * grid.rows * 4;
  const cost = new Float64Array(size).fill(Infinity);
  const from = new Int32Array(size).fill(-1);
  const heap: number[] = [];
  for (const start of starts) {
    for (let direction = 0; direction < 4; direction++) {
      cost[start * 4 + direction] = 0;
      push(heap, cost, start * 4 + direction);
    }
  }
  while (heap.length > 0) {
    const state = pop(heap, cost);
    const at = state >> 2;
    const arriving = state & 3;
    const sofar = cost[state]!;
    if (stop?.(at) && from[state]! >= 0) return { cost, from, reached: state };
    for (let direction = 0; direction < 4; direction++) {
      const turn = direction !== arriving;
      if (turn && direction === (arriving + 2) % 4 && from[state]! >= 0) continue;
      const next = grid.step(at, direction);
      if (next < 0 || grid.blocked[next] || next % grid.columns < window.from || next % grid.columns > window.to || (grid.reserved[next]! >= 0 && grid.reserved[next] !== net)) continue;
      const started = from[state]! < 0;
      const foreign = grid.net[at] !== -1 && grid.net[at] !== net;
      const price = sofar + STEP + (turn && !started ? BEND + (foreign ? prices.share : 0) : 0) + enter(grid, next, direction, net, prices) + (next < grid.columns ? prices.centre : 0) + OUTWARD_ROW * Math.floor(next / grid.columns);
      const target = next * 4 + direction;
      if (price < cost[target]! - 1e-9) {
        cost[target] = price;
        from[target] = state;
        push(heap, cost, target);
      }
    }
  }
  return { cost, from, reached: -1 };
}

/** What it costs to come onto a cell: nothing if it is free or one's own. */
function enter(grid: Grid, at: number, direction: number, net: number, { crossing, share }: Prices): number {
  const owner = grid.net[at]!;
  if (owner === -1 || owner === net) return grid.history[at]!;
  return grid.history[at]! + (grid.crossable(at, direction) ? crossing : share);
}

function push(heap: number[], cost: Float64Array, state: number): void {
  let at = heap.push(state) - 1;
  while (at > 0) {
    const parent = (at - 1) >> 1;
    if (!heapLess(cost, heap[at]!, heap[parent]!)) break;
    [heap[at], heap[parent]] = [heap[parent]!, heap[at]!];
    at = parent;
  }
}

function pop(heap: number[], cost: Float64Array): number {
  const top = heap[0]!;
  const last = heap.pop()!;
  if (heap.length === 0) return top;
  heap[0] = last;
  let at = 0;
  for (;;) {
    const left = 2 * at + 1;
    if (left >= heap.length) return top;
    const child = left + 1 < heap.length && heapLess(cost, heap[left + 1]!, heap[left]!) ? left + 1 : left;
    if (!heapLess(cost, heap[child]!, heap[at]!)) return top;
    [heap[at], heap[child]] = [heap[child]!, heap[at]!];
    at = child;
  }
}
