import { poseOf, wheelSizes, type Surface, type TrainBody } from '@/core/body';
import { itemAt } from '@/core/required';
import { partsById, type Train } from '@/core/train';

/** How many edges of a surface do not belong to as many triangles one way as the other: none of a closed one. */
export function openEdgesOf({ positions, corners }: Surface): number {
  const places = new Map<string, number>();
  const placed = Array.from({ length: positions.length / 3 }, (_, vertex) => {
    const at = 3 * vertex;
    const key = `${Math.round(positions[at]! * 1e4)} ${Math.round(positions[at + 1]! * 1e4)} ${Math.round(positions[at + 2]! * 1e4)}`;
    const known = places.get(key) ?? places.size;
    places.set(key, known);
    return known;
  });
  const edges = new Map<number, number>();
  for (let i = 0; i < corners.length; i += 3)
    for (let k = 0; k < 3; k++) {
      const [from, to] = [placed[corners[i + k]!]!, placed[corners[i + ((k + 1) % 3)]!]!];
      if (from === to) continue;
      const key = Math.min(from, to) * 1e7 + Math.max(from, to);
      edges.set(key, (edges.get(key) ?? 0) + (from < to ? 1 : -1));
    }
  return [...edges.values()].filter((count) => count !== 0).length;
}

/** By the divergence theorem: above 0 where the triangles face outward. */
export function volumeOf({ positions, corners }: Surface): number {
  let sum = 0;
  for (let i = 0; i < corners.length; i += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => {
      const at = 3 * itemAt(corners, i + k);
      return [itemAt(positions, at), itemAt(positions, at + 1), itemAt(positions, at + 2)] as const;
    }) as [Place, Place, Place];
    sum += a[0] * (b[1] * c[2] - b[2] * c[1]) + a[1] * (b[2] * c[0] - b[0] * c[2]) + a[2] * (b[0] * c[1] - b[1] * c[0]);
  }
  return sum / 6;
}

type Place = readonly [number, number, number];

export interface Overlap {
  readonly members: readonly [string, string];
  /** How far a straight line goes through both at once. */
  readonly long: number;
}

export interface OverlapOptions {
  /** How far a coupler is closed. */
  readonly closed?: (coupler: string) => number;
  /** What of two members may be in each other, from where to where along the first axis. */
  readonly isExpected?: (members: readonly [string, string], from: number, to: number) => boolean;
}

/**
 * Where teeth of two members stand in each other by their own widths: there chords of meshing flanks may cut into each
 * other by what they leave their curves, a long way along them.
 */
export function inEachOthersTeeth(train: Train, body: TrainBody): NonNullable<OverlapOptions['isExpected']> {
  const sizes = wheelSizes(train);
  const faces = new Map(
    body.nodes.flatMap(({ surface }) =>
      itemAt(body.surfaces, surface).parts.flatMap(({ part, tooth }) => {
        if (part.kind !== 'gear' || !tooth) return [];
        return [[part.id as string, [tooth[2], tooth[2] + sizes.of(part.id).face] as const] as const];
      }),
    ),
  );
  const common = train.meshes.flatMap((mesh) => {
    const pair = partsById(train).pair(mesh);
    const [a, b] = pair.map(({ id }) => faces.get(id));
    const members = pair.map(({ member }) => member as string).sort();
    return a && b ? [{ members, from: Math.max(a[0], b[0]), to: Math.min(a[1], b[1]) }] : [];
  });
  return (members, from, to) =>
    common.some((one) => one.members.join() === members.join() && from > one.from - 1e-2 && to < one.to + 1e-2);
}

/**
 * Where members are in each other, found without anything that the body knows of itself: straight lines are shot
 * through all triangles as they stand, and the stretches within each member compared. The longest of each pair.
 */
export function overlapsOf(
  body: TrainBody,
  shots: number,
  turns: (member: string) => number,
  { closed = () => 1, isExpected = () => false }: OverlapOptions = {},
): readonly Overlap[] {
  const triangles = placedTriangles(body, turns, closed);
  const low = [0, 1].map((k) => Math.min(...body.nodes.map((_, i) => itemAt(itemAt(triangles, i).low, k))));
  const high = [0, 1].map((k) => Math.max(...body.nodes.map((_, i) => itemAt(itemAt(triangles, i).high, k))));
  const found = new Map<string, Overlap>();
  for (let shot = 0; shot < shots; shot++) {
    // Places that never fall into a pattern (the additive recurrence of the plastic number).
    const part = [0.7548776662466927, 0.5698402909980532].map((step) => (0.5 + step * (shot + 1)) % 1);
    const [x, y] = [0, 1].map((k) => itemAt(low, k) + itemAt(part, k) * (itemAt(high, k) - itemAt(low, k))) as [
      number,
      number,
    ];
    const stretches = body.nodes.flatMap(({ member }, i) =>
      stretchesAt(itemAt(triangles, i), x, y).map((stretch) => ({ member, stretch })),
    );
    stretches.forEach(({ member, stretch: [from, to] }, i) => {
      for (const other of stretches.slice(i + 1)) {
        const [start, end] = [Math.max(from, other.stretch[0]), Math.min(to, other.stretch[1])];
        const long = end - start;
        if (other.member === member || long <= 0) continue;
        const members = [member, other.member].sort() as [string, string];
        if (isExpected(members, start, end)) continue;
        const key = members.join('|');
        if (long > (found.get(key)?.long ?? 0)) found.set(key, { members, long });
      }
    });
  }
  return [...found.values()];
}

interface Placed {
  readonly corners: Float64Array;
  readonly low: readonly number[];
  readonly high: readonly number[];
}

function placedTriangles(
  { nodes, surfaces, axes }: TrainBody,
  turns: (member: string) => number,
  closed: (coupler: string) => number,
): readonly Placed[] {
  return nodes.map((node) => {
    const { positions, corners } = itemAt(surfaces, node.surface);
    const pose = poseOf(node, itemAt(axes, node.axis), turns, closed);
    const placed = new Float64Array(3 * corners.length);
    const [low, high] = [
      [Infinity, Infinity],
      [-Infinity, -Infinity],
    ] as [number[], number[]];
    corners.forEach((corner, i) => {
      const [x, y, z] = [positions[3 * corner]!, positions[3 * corner + 1]!, positions[3 * corner + 2]!];
      for (let k = 0; k < 3; k++) {
        const value = pose[k]! * x + pose[4 + k]! * y + pose[8 + k]! * z + pose[12 + k]!;
        placed[3 * i + k] = value;
        if (k > 1) continue;
        low[k] = Math.min(low[k]!, value);
        high[k] = Math.max(high[k]!, value);
      }
    });
    return { corners: placed, low, high };
  });
}

/** Where a line along z at this place is within a closed surface: from where to where, inside counted by crossings. */
function stretchesAt({ corners: c, low, high }: Placed, x: number, y: number): readonly (readonly [number, number])[] {
  if (x < itemAt(low, 0) || x > itemAt(high, 0) || y < itemAt(low, 1) || y > itemAt(high, 1)) return [];
  const crossings: { readonly z: number; readonly way: number }[] = [];
  // Tens of millions of triangles are looked at: no lists, and no checks of what is there.
  for (let i = 0; i < c.length; i += 9) {
    const [ax, ay] = [c[i]! - x, c[i + 1]! - y];
    const [bx, by] = [c[i + 3]! - x, c[i + 4]! - y];
    const [cx, cy] = [c[i + 6]! - x, c[i + 7]! - y];
    const [u, v, w] = [bx * cy - by * cx, cx * ay - cy * ax, ax * by - ay * bx];
    if ((u < 0 || v < 0 || w < 0) && (u > 0 || v > 0 || w > 0)) continue;
    const area = u + v + w;
    if (Math.abs(area) < 1e-12) continue;
    // Seen from below, a face that looks down is where the line comes in.
    crossings.push({ z: (u * c[i + 2]! + v * c[i + 5]! + w * c[i + 8]!) / area, way: area < 0 ? 1 : -1 });
  }
  crossings.sort((one, two) => one.z - two.z);
  const stretches: [number, number][] = [];
  let depth = 0;
  let from = 0;
  for (const { z, way } of crossings) {
    if (depth === 0 && way > 0) from = z;
    depth += way;
    if (depth === 0 && way < 0) stretches.push([from, z]);
  }
  return stretches;
}
