/** What is wished, and where a ratio is looked up before it is compared with any of it. */
export interface WishTable {
  readonly wishes: readonly number[];
  readonly tolerance: number;
  /** At the place of a ratio × step: 1 where the ratio, or one over it, may be wished. */
  readonly near: Uint8Array;
  readonly step: number;
  /** The wishes that the ratio 1 is meant by. */
  readonly direct: number;
}

const PLACES = 1 << 16;
/** So many of them reach to the largest ratio that matters; what is larger, or below 0, is at places that are empty. */
const USED = 2_048;

/** A ratio at the very edge of the tolerance is within it. */
export const ROUNDING = 1e-12;
/** A place is told a little more widely than it has to be, so that rounding puts no ratio beside it. */
const WIDER = 1e-9;

/** The place of a ratio × step. What is so large that it comes round to a place in use is found out by wishesOf. */
export const placeIn = (steps: number): number => steps & (PLACES - 1);

export function wishTable(wishes: readonly number[], tolerance: number): WishTable {
  const spans = wishes.map(
    (wish) => [wish * (1 - tolerance) * (1 - WIDER), wish * (1 + tolerance) * (1 + WIDER)] as const,
  );
  const step = USED / Math.max(...spans.flatMap(([least, most]) => [most, 1 / least]));
  const near = new Uint8Array(PLACES);
  for (const [least, most] of spans) {
    near.fill(1, placeIn(least * step), placeIn(most * step) + 1);
    near.fill(1, placeIn(step / most), placeIn(step / least) + 1);
  }
  return { wishes, tolerance, near, step, direct: wishesAt(wishes, tolerance, 1) };
}

/** The wishes that a ratio may be meant by, as bits. */
export const wishesOf = ({ wishes, tolerance }: WishTable, ratio: number): number => wishesAt(wishes, tolerance, ratio);

function wishesAt(wishes: readonly number[], tolerance: number, ratio: number): number {
  let found = 0;
  for (let i = 0; i < wishes.length; i++)
    if (Math.abs(ratio / (wishes[i] as number) - 1) <= tolerance + ROUNDING) found |= 1 << i;
  return found;
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
