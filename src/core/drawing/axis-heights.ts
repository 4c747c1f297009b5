import { itemAt, required } from '../required';
/** A gear as the placing of axes sees it: which axis, which plane, how large. */
export interface PlacedGear {
  readonly axis: number;
  readonly plane: number;
  readonly radius: number;
  /** A set in half section reaches outward (up) only. */
  readonly half?: boolean;
}

export interface AxisContact {
  readonly a: PlacedGear;
  readonly b: PlacedGear;
  /** From centre to centre. */
  readonly distance: number;
}

/** In pixels of height, what things in each other's way weigh. */
const CLASH = 1e6;
const MAX_TRIES = 4096;
/** Comparisons of gears that all tries together may make. */
const MOST_WORK = 5e5;
/** Pixels between a shaft and a gear it passes. */
export const CLEARANCE = 12;

/**
 * The height of every axis, the first at 0, down positive. Real trains fold back on themselves; the side view unfolds
 * them into one plane: each axis is put above or below the one it meshes with, so that the gears touch. Of all
 * ways of folding, the one with the fewest parts on top of each other, then the lowest drawing, is kept.
 */
export function axisHeights(
  axes: number,
  gears: readonly PlacedGear[],
  contacts: readonly AxisContact[],
): readonly number[] {
  const order = walk(axes, contacts);
  const neighbours = neighboursAmong(gears);
  const best = { heights: [] as readonly number[], cost: Infinity };
  const affordable = Math.max(1, Math.min(MAX_TRIES, MOST_WORK / gears.length ** 2));
  let tries = 0;
  const place = (step: number, heights: number[]) => {
    if (tries >= affordable) return;
    if (step === order.length) {
      tries++;
      const cost = costOf(heights, gears, neighbours, best.cost);
      if (cost < best.cost - 1e-9) Object.assign(best, { heights: [...heights], cost });
      return;
    }
    const { axis, from, distance } = itemAt(order, step);
    const candidates =
      from === null
        ? [below(heights, gears, axis)]
        : [itemAt(heights, from) + distance, itemAt(heights, from) - distance];
    for (const height of candidates) {
      heights[axis] = height;
      place(step + 1, heights);
    }
    delete heights[axis];
  };
  place(0, []);
  return best.heights;
}

/** Axes in the order of their meshes, each with the axis it is placed from; an unconnected one has none. */
function walk(
  axes: number,
  contacts: readonly AxisContact[],
): { axis: number; from: number | null; distance: number }[] {
  const order: { axis: number; from: number | null; distance: number }[] = [];
  const placed = new Set<number>();
  const ways = contacts.flatMap(
    ({ a, b, distance }) =>
      [
        [a, b, distance],
        [b, a, distance],
      ] as const,
  );
  while (placed.size < axes) {
    const next = ways.find(([near, far]) => placed.has(near.axis) && !placed.has(far.axis));
    const step = next
      ? { axis: next[1].axis, from: next[0].axis, distance: next[2] }
      : {
          axis: required(Array.from({ length: axes }, (_, i) => i).find((i) => !placed.has(i))),
          from: null,
          distance: 0,
        };
    placed.add(step.axis);
    order.push(step);
  }
  return order;
}

function below(heights: readonly number[], gears: readonly PlacedGear[], axis: number): number {
  const lowest = Math.max(
    -Infinity,
    ...gears.filter((gear) => heights[gear.axis] !== undefined).map((gear) => itemAt(heights, gear.axis) + gear.radius),
  );
  const own = Math.max(0, ...gears.filter((gear) => gear.axis === axis).map((gear) => gear.radius));
  return Number.isFinite(lowest) ? lowest + own + 2 * CLEARANCE : 0;
}

/** What may get in each other's way, wherever the axes are put. */
interface Neighbours {
  /** Gears of one plane on different axes. */
  readonly pairs: readonly (readonly [PlacedGear, PlacedGear])[];
  /** Gears, each with another axis whose shaft goes through its plane. */
  readonly passes: readonly (readonly [PlacedGear, number])[];
}

function neighboursAmong(gears: readonly PlacedGear[]): Neighbours {
  const reach = [...shaftReach(gears)];
  return {
    pairs: gears.flatMap((gear, i) =>
      gears
        .slice(i + 1)
        .filter((other) => other.plane === gear.plane && other.axis !== gear.axis)
        .map((other) => [gear, other] as const),
    ),
    passes: gears.flatMap((gear) =>
      reach
        .filter(([axis, [from, to]]) => axis !== gear.axis && gear.plane >= from && gear.plane <= to)
        .map(([axis]) => [gear, axis] as const),
    ),
  };
}

/** Overlapping gears weigh most, then shafts through gears, then height; infinite where it is more than the least. */
function costOf(
  heights: readonly number[],
  gears: readonly PlacedGear[],
  { pairs, passes }: Neighbours,
  least: number,
): number {
  let clashes = 0;
  for (const [gear, other] of pairs) {
    const below = itemAt(heights, gear.axis) - itemAt(heights, other.axis);
    const upper = below > 0 ? other : gear;
    const lower = upper === gear ? other : gear;
    if (Math.abs(below) < (upper.half ? 0 : upper.radius) + lower.radius - 1e-6) clashes += 10;
  }
  if (clashes * CLASH > least) return Infinity;
  for (const [gear, axis] of passes) {
    const below = itemAt(heights, gear.axis) - itemAt(heights, axis);
    if (below < gear.radius + CLEARANCE && -below < (gear.half ? 0 : gear.radius) + CLEARANCE) clashes += 3;
  }
  const top = Math.min(...gears.map((gear) => itemAt(heights, gear.axis) - gear.radius));
  const bottom = Math.max(...gears.map((gear) => itemAt(heights, gear.axis) + (gear.half ? 0 : gear.radius)));
  return clashes * CLASH + (bottom - top);
}

function shaftReach(gears: readonly PlacedGear[]): ReadonlyMap<number, readonly [number, number]> {
  const reach = new Map<number, readonly [number, number]>();
  for (const { axis, plane } of gears) {
    const [from, to] = reach.get(axis) ?? [plane, plane];
    reach.set(axis, [Math.min(from, plane), Math.max(to, plane)]);
  }
  return reach;
}
