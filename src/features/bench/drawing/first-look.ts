import type { PowerLine, SideView } from '@/core/drawing';

/** Nothing on a drawing is written smaller than this, px. */
const LEAST_TEXT_PX = 9;
/** The smallest text of a side view in its own units. */
const SMALLEST_TEXT = 13.5;

/** A transform of the drawing in its own units: it is made larger, then moved. */
export interface Look {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

export const WHOLE: Look = { scale: 1, x: 0, y: 0 };

/**
 * How a drawing is first looked at in a narrow pane: as large as its texts need to be read, at the middle of the power
 * path, or at its input where the path is longer than what is in sight. The whole where that can be read.
 * @param pane width and height, px
 */
export function firstLook(
  { width, height }: Pick<SideView, 'width' | 'height'>,
  path: readonly PowerLine[],
  pane: { readonly width: number; readonly height: number },
): Look {
  const fitted = Math.min(pane.width / width, pane.height / height);
  const scale = LEAST_TEXT_PX / (SMALLEST_TEXT * fitted);
  if (!(scale > 1) || !Number.isFinite(scale)) return WHOLE;
  const ends = path.flatMap(({ from, to }) => [from, to]);
  const between = (values: readonly number[], all: number) =>
    values.length === 0 ? ([0, all] as const) : ([Math.min(...values), Math.max(...values)] as const);
  // What the pane shows of the drawing, in the drawing's units: more than its box where the pane is less wide or high.
  const sight = { across: pane.width / fitted / scale, up: pane.height / fitted / scale };
  const place = ([least, most]: readonly [number, number], all: number, seen: number) => {
    if (seen >= all) return (all - scale * all) / 2;
    const middle = most - least > seen ? seen / 2 : (least + most) / 2;
    const start = Math.max(0, Math.min(all - seen, middle - seen / 2));
    return -scale * start - (seen * scale - all) / 2;
  };
  return {
    scale,
    x: place(
      between(
        ends.map(({ x }) => x),
        width,
      ),
      width,
      sight.across,
    ),
    y: place(
      between(
        ends.map(({ y }) => y),
        height,
      ),
      height,
      sight.up,
    ),
  };
}
