const CELLS = 8_192;

/**
 * Which wishes a ratio may be meant by, looked up by its place between the least and the most that is wished instead of
 * compared with each: a cell knows every wish that reaches into it.
 */
export interface WishTable {
  readonly wishes: readonly number[];
  readonly tolerance: number;
  /** No wish is outside these. */
  readonly least: number;
  readonly most: number;
  /** The cell of a ratio is the whole part of (ratio − least) × scale. */
  readonly scale: number;
  /** Bits by wish. */
  readonly cells: Int32Array;
}

/** A cell is a little wider than it has to be, so that rounding puts no ratio into the wrong one. */
const WIDER = 1e-9;

export function wishTable(wishes: readonly number[], tolerance: number): WishTable {
  const least = Math.min(...wishes) * (1 - tolerance) * (1 - WIDER);
  const most = Math.max(...wishes) * (1 + tolerance) * (1 + WIDER);
  // With one wish and no tolerance there would be no width at all.
  const scale = (CELLS - 1) / Math.max(most - least, WIDER * most);
  const cells = new Int32Array(CELLS + 1);
  const cellOf = (ratio: number) => Math.min(CELLS, Math.max(0, Math.floor((ratio - least) * scale)));
  wishes.forEach((wish, i) => {
    const from = cellOf(wish * (1 - tolerance) * (1 - WIDER));
    const to = cellOf(wish * (1 + tolerance) * (1 + WIDER));
    for (let at = from; at <= to; at++) cells[at] = (cells[at] ?? 0) | (1 << i);
  });
  return { wishes, tolerance, least, most, scale, cells };
}

/** How many wishes are listed where their choices cannot leave much room for other elements. */
const LEADING = 3;

/**
 * The wishes whose choices are listed: those farthest from direct on the side that reaches farther, which few choices
 * give. Where more elements are allowed than these can bring together, all.
 * @param room elements allowed beyond those of one position
 */
export function leadingWishes(wishes: readonly number[], room: number): readonly number[] {
  if (room >= LEADING) return wishes;
  const far = (wish: number) => Math.abs(Math.log(wish));
  const sorted = [...wishes].sort((a, b) => a - b);
  const [slow, fast] = [sorted.slice(-LEADING), sorted.slice(0, LEADING)];
  return wishes.filter((wish) => (far(slow.at(-1) ?? 1) >= far(fast[0] ?? 1) ? slow : fast).includes(wish));
}
