import earcut from 'earcut';
import { itemAt } from '../required';
import type { Loop, LoopPoint } from './loop';

/** A flat face: corners of triangles, three by three, each counter-clockwise. */
export interface Filled {
  readonly points: Loop;
  readonly corners: readonly number[];
}

/** The area within a line and outside its holes, as triangles between their places. */
export function filled(outer: Loop, holes: readonly Loop[]): Filled {
  const points = [...outer, ...holes.flat()];
  const starts = holes.map((_, i) => outer.length + holes.slice(0, i).reduce((sum, hole) => sum + hole.length, 0));
  const found = earcut(
    points.flatMap(({ x, y }) => [x, y]),
    starts,
  );
  const corners: number[] = [];
  for (let i = 0; i < found.length; i += 3) {
    const [a, b, c] = [itemAt(found, i), itemAt(found, i + 1), itemAt(found, i + 2)];
    const isTurned = twiceArea(itemAt(points, a), itemAt(points, b), itemAt(points, c)) <= 0;
    corners.push(a, ...(isTurned ? [c, b] : [b, c]));
  }
  return { points, corners };
}

const twiceArea = (a: LoopPoint, b: LoopPoint, c: LoopPoint): number =>
  (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
