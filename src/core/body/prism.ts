import { itemAt } from '../required';
import { filled, type Loop } from '../shapes';
import type { SurfaceBuilder } from './surface';

/** A flat shape drawn along its axis: what is round it, what goes through it, how it turns and shrinks on the way. */
export interface Prism {
  /** Counter-clockwise about the axis, x to y. */
  readonly outer: Loop;
  /** Clockwise. */
  readonly hole: Loop | null;
  /** Places along the axis, mm, both ends included. */
  readonly heights: readonly number[];
  /** By how much it is turned at a place, radians. */
  readonly twist: (z: number) => number;
  /** By how much it is larger or smaller at a place; as it is where nothing is given. */
  readonly scale?: (z: number) => number;
}

/** Corners sharper than this are seen as edges; flatter ones as round. */
const EDGE = Math.cos((32 * Math.PI) / 180);

/** A prism as a closed surface. */
export function addPrism(surface: SurfaceBuilder, { outer, hole, heights, twist, scale = () => 1 }: Prism): void {
  for (const loop of hole ? [outer, hole] : [outer]) addWall(surface, loop, heights, twist, scale);
  const { points, corners } = filled(outer, hole ? [hole] : []);
  for (const [z, up] of [
    [itemAt(heights, 0), false],
    [itemAt(heights, -1), true],
  ] as const) {
    const [angle, size] = [twist(z), scale(z)];
    const [c, s] = [Math.cos(angle) * size, Math.sin(angle) * size];
    const first = points.map(({ x, y }) => surface.vertex(c * x - s * y, s * x + c * y, z, 0, 0, up ? 1 : -1))[0] ?? 0;
    for (let i = 0; i < corners.length; i += 3) {
      const [p, q, r] = [itemAt(corners, i), itemAt(corners, i + 1), itemAt(corners, i + 2)];
      if (up) surface.triangle(first + p, first + q, first + r);
      else surface.triangle(first + p, first + r, first + q);
    }
  }
}

/** The sides along one line: at each corner one direction where the line is round there, two where it has an edge. */
function addWall(
  surface: SurfaceBuilder,
  loop: Loop,
  heights: readonly number[],
  twist: Prism['twist'],
  scale: (z: number) => number,
): void {
  const outward = loop.map((from, i) => {
    const to = itemAt(loop, (i + 1) % loop.length);
    const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
    return { x: (to.y - from.y) / length, y: (from.x - to.x) / length };
  });
  // At both ends of a side.
  const at = loop.map((_, i) => {
    const [before, own, after] = [itemAt(outward, i - 1), itemAt(outward, i), itemAt(outward, (i + 1) % loop.length)];
    return [smooth(own, before), smooth(own, after)] as const;
  });
  const layers = heights.map((z) => {
    const [angle, size] = [twist(z), scale(z)];
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const put = ({ x, y }: Loop[number], n: Loop[number]) =>
      surface.vertex((c * x - s * y) * size, (s * x + c * y) * size, z, c * n.x - s * n.y, s * n.x + c * n.y, 0);
    return loop.map((from, i) => {
      const [begin, end] = itemAt(at, i);
      return [put(from, begin), put(itemAt(loop, (i + 1) % loop.length), end)] as const;
    });
  });
  for (let k = 1; k < layers.length; k++) {
    const [low, high] = [itemAt(layers, k - 1), itemAt(layers, k)];
    for (let i = 0; i < loop.length; i++) {
      const [[a, b], [d, c]] = [itemAt(low, i), itemAt(high, i)];
      surface.triangle(a, b, c);
      surface.triangle(a, c, d);
    }
  }
}

/** Midway between two directions where they are near each other. */
function smooth(own: Loop[number], other: Loop[number]): Loop[number] {
  if (own.x * other.x + own.y * other.y < EDGE) return own;
  const [x, y] = [own.x + other.x, own.y + other.y];
  const length = Math.hypot(x, y);
  return { x: x / length, y: y / length };
}
