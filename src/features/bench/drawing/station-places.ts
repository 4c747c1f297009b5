import type { GearShape } from '@/core/drawing';
import type { Station } from '@/core/end-view';

/**
 * Where along the axis each station cuts the drawing: where most of its gears stand, for a gear may stand in several
 * places (a long one, a planet in several planes of its set). Null for a station that is not drawn. Two stations share
 * a place only where they have no other.
 */
export function stationPlaces(
  shapes: readonly GearShape[],
  stations: readonly Pick<Station, 'wheels'>[],
): (number | null)[] {
  const taken = new Set<number>();
  return stations.map(({ wheels }) => {
    const gears = new Set(wheels.map(({ gear }) => gear));
    const own = shapes.filter(({ gear }) => gears.has(gear));
    const narrow = Math.min(...own.map(({ halfWidth }) => halfWidth));
    const standing = (x: number) =>
      new Set(own.filter((shape) => Math.abs(shape.x - x) < shape.halfWidth).map(({ gear }) => gear)).size;
    const places = [...new Set(own.map(({ x }) => x))].map((x) => ({
      x,
      gears: standing(x),
      narrow: own.some((shape) => shape.x === x && shape.halfWidth === narrow),
    }));
    const [best] = places.sort(
      (a, b) =>
        b.gears - a.gears ||
        Number(taken.has(a.x)) - Number(taken.has(b.x)) ||
        Number(b.narrow) - Number(a.narrow) ||
        a.x - b.x,
    );
    if (!best) return null;
    taken.add(best.x);
    return best.x;
  });
}
