import type { GearShape, Point, SideView } from '@/core/drawing';
import type { MemberForces, MeshForces } from '@/core/forces';
import { itemAt } from '@/core/required';
import type { Train } from '@/core/train';

/** A force on its place in the drawing, N: into the picture or out of it, down and to the right. */
export interface DrawnForce extends Point {
  readonly key: string;
  /** The size that is written beside it. */
  readonly n: number;
  readonly through: number;
  readonly down: number;
  readonly right: number;
}

/** What the teeth of each mesh do to its first gear, where they meet in the drawing. */
export function meshPlaces(
  train: Train,
  view: SideView,
  forces: ReadonlyMap<string, MeshForces | null>,
): readonly DrawnForce[] {
  const shapes = new Map<string, GearShape[]>();
  for (const shape of view.gears) shapes.set(shape.gear, [...(shapes.get(shape.gear) ?? []), shape]);
  return train.meshes.flatMap(({ id, gears: [a, b] }): DrawnForce[] => {
    const found = forces.get(id);
    const pairs = (shapes.get(a) ?? []).flatMap((one) => (shapes.get(b) ?? []).map((two) => nearest(one, two)));
    const [first, ...others] = pairs;
    if (!found || !first || found.tangentialN === 0) return [];
    const { x, y, away } = others.reduce((best, one) => (one.apart < best.apart ? one : best), first);
    const { tangentialN, radialN, axialN } = found;
    return [{ key: id, x, y, n: tangentialN, through: tangentialN, down: away * radialN, right: axialN }];
  });
}

/** The pitch lines of two gears that come nearest to each other. */
function nearest(one: GearShape, two: GearShape) {
  const lines = ({ shape, y, radius }: GearShape) =>
    shape === 'sun' || shape === 'ring' ? [y] : [y - radius, y + radius];
  const found = lines(one).flatMap((p) => lines(two).map((q) => ({ p, q })));
  const best = found.reduce((least, pair) => (Math.abs(pair.p - pair.q) < Math.abs(least.p - least.q) ? pair : least));
  // A sun is pushed towards its axis, which lies below in the upper half that is drawn; a ring outward.
  const away = one.shape === 'sun' ? 1 : one.shape === 'ring' || best.p > one.y ? -1 : 1;
  return {
    x: (one.x + two.x) / 2,
    y: (best.p + best.q) / 2,
    away,
    apart: Math.abs(best.p - best.q) + Math.abs(one.x - two.x),
  };
}

/**
 * What bearings do to their members, at the ends of what is drawn of them on their axis: the drawing is a scheme, in
 * which places along the axis in mm have none.
 */
export function bearingPlaces(view: SideView, members: ReadonlyMap<string, MemberForces>): readonly DrawnForce[] {
  return [...members].flatMap(([member, { shaft }]) => {
    const ends = shaft && shaftEnds(view, member);
    if (!shaft || !ends) return [];
    return [...shaft.bearings]
      .sort((a, b) => a.atMm - b.atMm)
      .flatMap((bearing, i) =>
        bearing.angleDeg === null
          ? []
          : [{ key: `${member} ${i}`, ...itemAt(ends, i), ...across(bearing.n, bearing.angleDeg) }],
      );
  });
}

function across(n: number, angleDeg: number) {
  const angle = (angleDeg * Math.PI) / 180;
  return { n, through: n * Math.cos(angle), down: n * Math.sin(angle), right: 0 };
}

/** Where a member's shaft is held, left and right: at the bearings that are drawn on it, else at its ends. */
function shaftEnds({ axes, lines, bearings }: SideView, member: string): readonly [Point, Point] | null {
  const own = lines.flatMap((one) => (one.member === member ? one.segments : []));
  const found = axes.flatMap(({ y1: y }) => {
    const along = own.filter((line) => line.y1 === y && line.y2 === y).flatMap(({ x1, x2 }) => [x1, x2]);
    return along.length > 0 ? [{ y, from: Math.min(...along), to: Math.max(...along) }] : [];
  });
  const [shaft] = found.sort((a, b) => b.to - b.from - (a.to - a.from));
  if (!shaft) return null;
  const { y, from, to } = shaft;
  const drawn = bearings.filter((bearing) => bearing.y === y && from <= bearing.x && bearing.x <= to);
  const [left, right] = drawn.length > 1 ? extent(drawn.map(({ x }) => x)) : [from, to];
  return [
    { x: left, y },
    { x: right, y },
  ];
}

const extent = (values: readonly number[]): readonly [number, number] => [Math.min(...values), Math.max(...values)];
