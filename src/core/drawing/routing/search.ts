import type { Effort } from '../effort';
import type { RoutingGrid } from './grid';
import { opposite } from './piece';

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
export interface CostField {
  readonly cost: Float64Array;
  readonly from: Int32Array;
}

/** The columns within which a way is looked for. */
export interface Window {
  readonly from: number;
  readonly to: number;
}

/**
 * Dijkstra over (cell, direction of arrival): bends cost, and so does what is in the way. States wait in buckets as
 * wide as the cheapest step (Denardo and Fox 1979), so none in a bucket can shorten the way to another in it. With
 * `stop`, ends at the nearest such cell.
 */
export function spread(
  grid: RoutingGrid,
  starts: Iterable<number>,
  net: number,
  prices: Prices,
  window: Window,
  effort: Effort,
  stop?: (at: number) => boolean,
): CostField & { readonly reached: number } {
  const { columns, neighbours, column, row, blocked, reserved, history, net: owners } = grid;
  const size = grid.size * 4;
  const cost = new Float64Array(size).fill(Infinity);
  const from = new Int32Array(size).fill(-1);
  const done = new Uint8Array(size);
  const buckets: number[][] = [[]];
  for (const start of starts) {
    for (let direction = 0; direction < 4; direction++) {
      cost[start * 4 + direction] = 0;
      buckets[0]!.push(start * 4 + direction);
    }
  }
  let looked = 0;
  for (let reach = 0; reach < buckets.length; reach++) {
    const bucket = buckets[reach];
    if (bucket === undefined) continue;
    let reached = -1;
    for (const state of bucket) {
      if (done[state]) continue;
      done[state] = 1;
      looked++;
      const at = state >> 2;
      const arriving = state & 3;
      const sofar = cost[state]!;
      const started = from[state]! < 0;
      if (stop && !started && stop(at) && !(reached >= 0 && cost[reached]! <= sofar)) reached = state;
      const foreign = owners[at] !== -1 && owners[at] !== net;
      const bend = BEND + (foreign ? prices.share : 0);
      for (let direction = 0; direction < 4; direction++) {
        const turn = direction !== arriving;
        if (turn && !started && direction === opposite(arriving)) continue;
        const next = neighbours[at * 4 + direction]!;
        if (next < 0 || blocked[next] || (reserved[next]! >= 0 && reserved[next] !== net)) continue;
        if (column[next]! < window.from || column[next]! > window.to) continue;
        const owner = owners[next]!;
        const price =
          sofar +
          STEP +
          history[next]! +
          (turn && !started ? bend : 0) +
          (next < columns ? prices.centre : 0) +
          OUTWARD_ROW * row[next]! +
          (owner === -1 || owner === net ? 0 : grid.crossable(next, direction) ? prices.crossing : prices.share);
        const target = next * 4 + direction;
        if (price < cost[target]! - 1e-9) {
          cost[target] = price;
          from[target] = state;
          (buckets[Math.floor(price / STEP)] ??= []).push(target);
        }
      }
    }
    if (reached >= 0) {
      effort.spend(looked);
      return { cost, from, reached };
    }
    buckets[reach] = [];
  }
  effort.spend(looked);
  return { cost, from, reached: -1 };
}
