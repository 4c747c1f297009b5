import { circleLoop, turned, type Loop } from './loop';
import { filled } from './filled';
import { helixOf } from './helix';
import { toothForm } from './tooth-form';
import { boreLoop, type ShapedGear } from './wheel';
import { USUAL_TOLERANCE_MM } from './wheel-schema';
import { itemAt } from '../required';

/** Corners of triangles in threes, x y z after one another, mm; seen from outside each runs counter-clockwise. */
export type Triangles = readonly number[];

/**
 * A slice of a solid between two heights: what is round it and what goes through it; some of these lines turn on the
 * way up.
 */
interface Slice {
  readonly outer: Wall;
  readonly holes: readonly Wall[];
  readonly from: number;
  readonly to: number;
}

/** A line that is drawn up along the axis. */
interface Wall {
  readonly loop: Loop;
  /** By how much it is turned at a height. */
  readonly twist: (z: number) => number;
  /** Heights at which it has corners, both ends included. */
  readonly heights: readonly number[];
}

/** Between the slices of a stepped wheel whose teeth would meet in the air. */
const NECK_MM = 1;

/** A wheel as a solid: its teeth straight, helical or herringbone, its hub on top. */
export const wheelSolid = (wheel: ShapedGear): Triangles => stackSolids([wheel]);

/**
 * Wheels one above the other as one piece, with the bore of the first; between two of which neither covers the other
 * there is a neck.
 */
export function stackSolids(wheels: readonly ShapedGear[]): Triangles {
  const slices: Slice[] = [];
  let z = 0;
  const [first] = wheels;
  const tolerance = first?.spec.toleranceMm ?? USUAL_TOLERANCE_MM;
  const bore = first && boreLoop(first.spec, tolerance);
  const straight = (loop: Loop, from: number, to: number): Wall => ({ loop, twist: () => 0, heights: [from, to] });
  const through = (from: number, to: number) => (bore ? [straight([...bore].reverse(), from, to)] : []);
  const roundOf = (wheel: ShapedGear) => toothForm(wheel.spec);
  wheels.forEach((wheel, i) => {
    const before = wheels[i - 1];
    if (before && !covers(before, wheel) && !covers(wheel, before)) {
      const neck = Math.min(roundOf(before).rootRadius, roundOf(wheel).rootRadius) - 0.25 * wheel.spec.moduleMm;
      slices.push({
        outer: straight(circleLoop(neck, tolerance), z, z + NECK_MM),
        holes: through(z, z + NECK_MM),
        from: z,
        to: z + NECK_MM,
      });
      z += NECK_MM;
    }
    const to = z + wheel.spec.widthMm;
    const toothed = toothedWall(wheel, z, to, tolerance);
    const others = wheel.holes.slice(
      wheel.spec.internal || wheel.holes.length === 0 || !boreLoop(wheel.spec, tolerance) ? 0 : 1,
    );
    slices.push(
      wheel.spec.internal
        ? { outer: straight(wheel.outer, z, to), holes: [toothed], from: z, to }
        : { outer: toothed, holes: [...through(z, to), ...others.map((loop) => straight(loop, z, to))], from: z, to },
    );
    z = to;
  });
  const hub = wheels.at(-1)?.spec.hub;
  if (hub) {
    const to = z + hub.longMm;
    slices.push({
      outer: straight(circleLoop(hub.outsideMm / 2, tolerance), z, to),
      holes: through(z, to),
      from: z,
      to,
    });
  }
  return trianglesOf(slices);
}

/** Whether the whole of one wheel stands on the body of the other, within its roots. */
const covers = (a: ShapedGear, b: ShapedGear): boolean => toothForm(a.spec).rootRadius > toothForm(b.spec).tipRadius;

/** The line of a wheel's teeth on its way up: straight, in a helix, or half the way one hand and back the other. */
function toothedWall({ spec, outer, holes }: ShapedGear, from: number, to: number, tolerance: number): Wall {
  const loop = spec.internal ? itemAt(holes, 0) : outer;
  const { twist, heights } = helixOf(spec, to - from, tolerance);
  return {
    loop,
    twist: (z) => twist(z - from),
    heights: heights.map((height, i) => (i === heights.length - 1 ? to : from + height)),
  };
}

function trianglesOf(slices: readonly Slice[]): Triangles {
  const triangles: number[] = [];
  for (const { outer, holes } of slices) for (const wall of [outer, ...holes]) addWall(triangles, wall);
  slices.forEach((slice, i) => {
    const [below, above] = [slices[i - 1], slices[i + 1]];
    if (!below) addCap(triangles, slice, null, slice.from, false);
    addCap(triangles, slice, above ?? null, slice.to, true);
  });
  return triangles;
}

/** The sides along one line, two triangles between each two corners and heights. */
function addWall(triangles: number[], { loop, twist, heights }: Wall): void {
  const rings = heights.map((z) => loop.map((point) => ({ ...turned(point, twist(z)), z })));
  for (let layer = 1; layer < rings.length; layer++) {
    const [low, high] = [itemAt(rings, layer - 1), itemAt(rings, layer)];
    for (let i = 0; i < loop.length; i++) {
      const next = (i + 1) % loop.length;
      const [a, b, c, d] = [itemAt(low, i), itemAt(low, next), itemAt(high, next), itemAt(high, i)];
      triangles.push(a.x, a.y, a.z, b.x, b.y, b.z, c.x, c.y, c.z, a.x, a.y, a.z, c.x, c.y, c.z, d.x, d.y, d.z);
    }
  }
}

/**
 * What closes a slice at its end: all of it, or what the next one does not cover; where the next one is the wider, what
 * that overhangs.
 */
function addCap(triangles: number[], slice: Slice, next: Slice | null, z: number, up: boolean): void {
  const at = ({ loop, twist }: Wall) => loop.map((point) => turned(point, twist(z)));
  const same = (a: Wall, b: Wall) =>
    a.loop.length === b.loop.length &&
    a.loop.every((p, i) => p.x === itemAt(b.loop, i).x && p.y === itemAt(b.loop, i).y);
  if (!next) return fill(triangles, at(slice.outer), slice.holes.map(at), z, up);
  const wider = reachOf(slice.outer.loop) > reachOf(next.outer.loop) ? slice : next;
  const narrower = wider === slice ? next : slice;
  const own = wider.holes.filter((hole) => !narrower.holes.some((other) => same(hole, other)));
  fill(triangles, at(wider.outer), [at(narrower.outer), ...own.map(at)], z, wider === slice);
}

const reachOf = (loop: Loop): number => Math.max(...loop.map(({ x, y }) => Math.hypot(x, y)));

/** Fills a line with holes by triangles, seen from above or from below. */
function fill(triangles: number[], outer: Loop, holes: readonly Loop[], z: number, up: boolean): void {
  const { points, corners } = filled(outer, holes);
  for (let i = 0; i < corners.length; i += 3) {
    const [a, b, c] = [itemAt(corners, i), itemAt(corners, i + 1), itemAt(corners, i + 2)];
    for (const corner of up ? [a, b, c] : [a, c, b]) {
      const { x, y } = itemAt(points, corner);
      triangles.push(x, y, z);
    }
  }
}
