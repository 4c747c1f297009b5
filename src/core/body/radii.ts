import type { GearBody, HalfPlane, Layout } from '../drawing';
import { itemAt } from '../required';
import { COUPLER_WALLS, type Walls } from './columns';
import type { WheelSize } from './wheel-sizes';

/**
 * Where the rows of a half plane lie out from its axis, mm. Row k has its parts between borders 2k and 2k + 1, a gap
 * from there to border 2k + 2; border 0 is the axis itself. Borders never cross, so lines that do not cross in the
 * drawing are walls that do not meet; where no wheel asks for another radius they are the same in every column, so
 * that shafts and drums are straight.
 */
export interface Radii {
  readonly at: (column: number, border: number) => number;
  readonly borders: number;
}

/** A border that has its place in one column. */
interface Anchor {
  readonly border: number;
  readonly radius: number;
}

/** Where each planet's pin is, from the axis, and how thick. */
export type PinPlace = (planet: string) => { readonly orbit: number; readonly radius: number };

const UNUSED = 0.2;
/** How far the teeth of bevel gears go in, as a part of the way to where their axes meet. */
export const BEVEL_FACE = 0.3;

export function radiiOf(
  { plane, routed }: Layout['halfPlanes'][number],
  sizeOf: (gear: string) => WheelSize,
  pinOf: PinPlace,
  walls: Walls,
): Radii {
  const lengths = rowLengths(plane, routed, walls);
  const along = lengths.reduce<number[]>((sums, length) => [...sums, itemAt(sums, -1) + length], [0]);
  const anchored = anchorsOf(plane, sizeOf, pinOf, walls);
  const columns = [...anchored.keys()].sort((a, b) => a - b);
  // Inside all wheels: as thick as walls are, or as there is room for.
  const inner = Math.min(
    1,
    ...columns.map((x) => {
      const { border, radius } = itemAt(anchored.get(x) ?? [], 0);
      return radius / itemAt(along, border);
    }),
  );
  const beyond = (x: number, border: number) => {
    const last = itemAt(anchored.get(x) ?? [], -1);
    return border > last.border ? last.radius + itemAt(along, border) - itemAt(along, last.border) : -Infinity;
  };
  const outer = along.map((_, border) => Math.max(-Infinity, ...columns.map((x) => beyond(x, border))));
  const ofColumn = new Map(columns.map((x) => [x, columnRadii(anchored.get(x) ?? [], along, inner, outer)] as const));
  const plain = along.map((sum) => inner * sum);
  return {
    borders: along.length,
    at: (x, border) => {
      const [before, after] = [columns.findLast((column) => column <= x), columns.find((column) => column >= x)];
      const [a, b] = [before, after].map((column) =>
        itemAt(column === undefined ? plain : (ofColumn.get(column) ?? plain), border),
      ) as [number, number];
      if (before === undefined) return after === undefined ? a : b;
      if (after === undefined || after === before) return a;
      return a + ((b - a) * (x - before)) / (after - before);
    },
  };
}

/** The borders of a column that has wheels. */
function columnRadii(
  anchors: readonly Anchor[],
  along: readonly number[],
  inner: number,
  outer: readonly number[],
): readonly number[] {
  const first = itemAt(anchors, 0);
  const last = itemAt(anchors, -1);
  return along.map((sum, border) => {
    if (border < first.border) return inner * sum;
    if (border > last.border) return itemAt(outer, border);
    const k = anchors.findLastIndex((anchor) => anchor.border <= border);
    const from = itemAt(anchors, k);
    if (from.border === border || k === anchors.length - 1) return from.radius;
    const to = itemAt(anchors, k + 1);
    const [a, b] = [itemAt(along, from.border), itemAt(along, to.border)];
    return from.radius + ((to.radius - from.radius) * (sum - a)) / (b - a);
  });
}

/** How long each step from border to border is, where nothing else is asked. */
function rowLengths(plane: HalfPlane, routed: Layout['halfPlanes'][number]['routed'], { wall, gap }: Walls): number[] {
  const used = new Set<number>();
  for (const links of routed.links.values()) for (const [a, b] of links) if (a.row === b.row) used.add(a.row);
  for (const { from, shape } of plane.bodies) {
    if (shape === 'bar') used.add(from - 1);
    if (shape === 'sun') used.add(from - 1);
  }
  const wide = new Set<number>();
  for (const { at, direction } of routed.symbols) {
    const [dx, dr] = direction % 2 === 0 ? [1, 0] : [0, 1];
    for (const sign of [-1, 0, 1]) used.add(at.row + sign * dr);
    if (dx === 0) wide.add(at.row);
    else used.add(at.row);
  }
  const across = new Set(routed.symbols.flatMap(({ at, direction }) => (direction % 2 === 0 ? [at.row] : [])));
  return Array.from({ length: plane.rows + 2 }, (_, row) => {
    const core = wide.has(row) ? COUPLER_WALLS : across.has(row) ? 1.6 : used.has(row) ? 1 : UNUSED;
    const isNear = used.has(row) || used.has(row + 1);
    return [row === 0 ? 0.7 * wall : core * wall, isNear ? gap : UNUSED * gap];
  }).flat();
}

/** What wheels ask of the borders in their own columns and, for sets, in those beside. */
function anchorsOf(
  plane: HalfPlane,
  sizeOf: (gear: string) => WheelSize,
  pinOf: PinPlace,
  walls: Walls,
): ReadonlyMap<number, readonly Anchor[]> {
  const found = new Map<number, Anchor[]>();
  const put = (x: number, ...anchors: readonly Anchor[]) => found.set(x, [...(found.get(x) ?? []), ...anchors]);
  const stacks = new Map<number, GearBody[]>();
  for (const body of plane.bodies) {
    if (body.shape === 'bar') {
      for (const x of new Set([body.x, body.end])) put(x, ...barAnchors(body, sizeOf(body.gear.id), walls));
    } else stacks.set(body.x, [...(stacks.get(body.x) ?? []), body]);
  }
  const sets = [...stacks].sort(([a], [b]) => a - b);
  for (const [x, bodies] of sets) {
    const anchors = bodies.some(({ shape }) => shape === 'side' || shape === 'top')
      ? bevelAnchors(bodies, sizeOf, pinOf, walls)
      : setAnchors(bodies, sizeOf, pinOf, walls);
    for (const column of [x - 1, x, x + 1]) if (column === x || !stacks.has(column)) put(column, ...anchors);
  }
  return new Map([...found].map(([x, anchors]) => [x, inOrder(anchors)] as const));
}

/** A wheel on its shaft: what runs through it stays within its roots, what goes round it outside its tips. */
function barAnchors({ from, to, gear }: GearBody, { inner, rim }: WheelSize, { wall, gap }: Walls): readonly Anchor[] {
  const bore = gear.type === 'internal' ? 0.5 * inner : Math.max(0.4 * inner, inner - 1.5 * wall);
  return [
    { border: 2 * from, radius: bore },
    { border: 2 * to + 2, radius: rim + gap },
  ];
}

function setAnchors(
  bodies: readonly GearBody[],
  sizeOf: (gear: string) => WheelSize,
  pinOf: PinPlace,
  { wall, gap }: Walls,
): readonly Anchor[] {
  const planets = bodies.filter(({ shape }) => shape === 'planet');
  const anchors: Anchor[] = planets.flatMap(({ gear, at }) => {
    const { orbit, radius } = pinOf(gear.member);
    return [
      { border: 2 * at, radius: orbit - 1.6 * radius },
      { border: 2 * at + 1, radius: orbit + 1.6 * radius },
    ];
  });
  const sun = bodies.find(({ shape }) => shape === 'sun');
  const ring = bodies.find(({ shape }) => shape === 'ring');
  const reach = (body: GearBody) => sizeOf(body.gear.id).outer;
  if (sun) {
    const { inner, outer } = sizeOf(sun.gear.id);
    anchors.push(
      { border: 2 * sun.at, radius: Math.max(0.55 * inner, inner - 2 * wall) },
      { border: 2 * sun.at + 1, radius: outer },
    );
  } else
    for (const body of planets.slice(0, 1))
      anchors.push({ border: 2 * body.from - 1, radius: pinOf(body.gear.member).orbit - reach(body) - gap });
  if (ring) {
    const { outer, rim } = sizeOf(ring.gear.id);
    anchors.push(
      { border: 2 * ring.at, radius: outer + 0.15 * (rim - outer) },
      { border: 2 * ring.at + 1, radius: rim },
    );
  } else
    for (const body of planets.slice(-1))
      anchors.push({ border: 2 * body.to + 2, radius: pinOf(body.gear.member).orbit + reach(body) + gap });
  return anchors;
}

/** Bevel side gears reach out to their pitch circle, the planet between them to its back. */
function bevelAnchors(
  bodies: readonly GearBody[],
  sizeOf: (gear: string) => WheelSize,
  pinOf: PinPlace,
  { wall, gap }: Walls,
): readonly Anchor[] {
  return bodies.flatMap(({ shape, gear, at, from }) => {
    const { pitch, module } = sizeOf(gear.id);
    if (shape === 'side')
      return [
        { border: 2 * from, radius: 0.45 * pitch },
        { border: 2 * at + 1, radius: pitch + module },
      ];
    if (shape !== 'top') return [];
    // It stands as far out as the gears beside it reach, and its teeth begin where theirs do.
    const { orbit } = pinOf(gear.member);
    return [
      { border: 2 * at, radius: (1 - BEVEL_FACE) * orbit - gap },
      { border: 2 * at + 1, radius: orbit + wall + gap },
    ];
  });
}

/** By border, each no farther in than the one before. */
function inOrder(anchors: readonly Anchor[]): readonly Anchor[] {
  let least = 0;
  return [...anchors]
    .sort((a, b) => a.border - b.border || a.radius - b.radius)
    .map(({ border, radius }) => {
      least = Math.max(least, radius);
      return { border, radius: least };
    });
}
