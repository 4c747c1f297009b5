import { itemAt } from '../required';
/** A place in a plane, mm. */
export interface LoopPoint {
  readonly x: number;
  readonly y: number;
}

/**
 * A closed line through these places, the last joined to the first; counter-clockwise round material, clockwise round a
 * hole.
 */
export type Loop = readonly LoopPoint[];

/** Twice-signed area over two: above 0 where it runs counter-clockwise. */
export const loopArea = (loop: Loop): number =>
  loop.reduce((sum, { x, y }, i) => {
    const next = itemAt(loop, (i + 1) % loop.length);
    return sum + x * next.y - next.x * y;
  }, 0) / 2;

export const reversed = (loop: Loop): Loop => [...loop].reverse();

export const turned = ({ x, y }: LoopPoint, angle: number): LoopPoint => {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return { x: c * x - s * y, y: s * x + c * y };
};

export const polar = (radius: number, angle: number): LoopPoint => ({
  x: radius * Math.cos(angle),
  y: radius * Math.sin(angle),
});

/** Halvings of a curve: 2^12 pieces are more than any tolerance needs. */
const MOST_HALVINGS = 12;

/** Places along a curve from a to b, both included, so close that no chord is farther from it than the tolerance. */
export function flatten(curve: (t: number) => LoopPoint, a: number, b: number, tolerance: number): LoopPoint[] {
  const halve = (ta: number, pa: LoopPoint, tb: number, pb: LoopPoint, left: number): LoopPoint[] => {
    const tm = (ta + tb) / 2;
    const pm = curve(tm);
    // Looked at in three places: a curve that bends both ways meets its chord in the middle.
    const near = [curve((3 * ta + tb) / 4), pm, curve((ta + 3 * tb) / 4)].every(
      (p) => distance(pa, pb, p) <= tolerance,
    );
    if (left === 0 || near) return [pb];
    return [...halve(ta, pa, tm, pm, left - 1), ...halve(tm, pm, tb, pb, left - 1)];
  };
  const start = curve(a);
  return [start, ...halve(a, start, b, curve(b), MOST_HALVINGS)];
}

/** How far a place is from the line through two others. */
function distance(a: LoopPoint, b: LoopPoint, p: LoopPoint): number {
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  if (length === 0) return Math.hypot(p.x - a.x, p.y - a.y);
  return Math.abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / length;
}

/** A whole circle, counter-clockwise, its chords no farther from it than the tolerance. */
export function circleLoop(radius: number, tolerance: number, centre: LoopPoint = { x: 0, y: 0 }): Loop {
  const step = 2 * Math.acos(Math.max(0, 1 - tolerance / radius));
  const count = Math.max(12, Math.ceil((2 * Math.PI) / step));
  return Array.from({ length: count }, (_, i) => {
    const { x, y } = polar(radius, (2 * Math.PI * i) / count);
    return { x: x + centre.x, y: y + centre.y };
  });
}
