import type { HalfPlane, Layout } from '../drawing';
import { itemAt } from '../required';
import type { Coupler } from '../train';
import type { WheelSize } from './wheel-sizes';

/**
 * Where the columns of a drawing lie along the axis, mm: column x has its parts between borders 2x and 2x + 1, and a
 * gap from there to border 2x + 2.
 */
export type Borders = readonly number[];

/** Thickness of a wall and of a gap, mm. */
export interface Walls {
  readonly wall: number;
  readonly gap: number;
}

/** Columns and rows that nothing uses keep this much of their length. */
const UNUSED = 0.25;
/** A coupler takes so many walls along its way. */
export const COUPLER_WALLS = 3;

/** Columns as wide as what stands in them: wheels, couplers, walls, or nothing. */
export function columnBorders(
  { halfPlanes, plan }: Layout,
  sizeOf: (gear: string) => WheelSize,
  { wall, gap }: Walls,
): Borders {
  const count = Math.max(0, ...halfPlanes.map(({ plane }) => plane.columns));
  const core = new Array<number>(count).fill(0);
  const widen = (x: number, width: number) => {
    if (x >= 0 && x < count) core[x] = Math.max(itemAt(core, x), width);
  };
  const margin = new Array<number>(count).fill(0);
  for (const { plane, routed } of halfPlanes) {
    for (const { gear, x, end, shape } of plane.bodies) {
      const { face } = sizeOf(gear.id);
      if (shape === 'side' || shape === 'top') continue;
      for (const column of new Set([x, end])) widen(column, face);
      if (slidBy(plan.train, gear.id)) margin[end] = Math.max(itemAt(margin, end), face + gap);
    }
    for (const { at, direction } of routed.symbols) widen(at.x, (direction % 2 === 0 ? 1 : 1.3) * COUPLER_WALLS * wall);
    for (const links of routed.links.values()) for (const [a, b] of links) if (a.x === b.x) widen(a.x, wall);
    for (const { leaves, cells } of plane.terminals) if (leaves) for (const { x } of cells) widen(x, wall);
    for (const { x1, x2 } of plane.pins) [x1 - 1, x2 + 1].forEach((x) => widen(x, wall));
    for (const [x, width] of bevelColumns(plane, sizeOf, wall)) widen(x, width);
  }
  const borders: number[] = [];
  let z = 0;
  core.forEach((width, x) => {
    const isUsed = width > 0;
    borders.push(z);
    z += isUsed ? width : UNUSED * wall;
    borders.push(z);
    const isNextUsed = (core[x + 1] ?? 0) > 0;
    z += Math.max(itemAt(margin, x), isUsed || isNextUsed ? gap : UNUSED * gap);
  });
  return borders;
}

/** What slides a gear into its mesh and out of it: such a gear needs room beside it. */
export const slidBy = (train: Layout['plan']['train'], gear: string): Coupler | undefined =>
  train.couplers.find(
    (coupler) =>
      coupler.type === 'sliding-mesh' && train.meshes.find(({ id }) => id === coupler.mesh)?.gears[0] === gear,
  );

/** Bevel gears face each other at the distance of the planet between: its pitch circle touches both. */
function bevelColumns(
  { bodies }: HalfPlane,
  sizeOf: (gear: string) => WheelSize,
  wall: number,
): readonly (readonly [number, number])[] {
  return bodies.flatMap(({ shape, x, gear }) => {
    if (shape === 'side') return [[x, 2 * wall] as const];
    // The columns at both sides of the planet's own make up its pitch circle.
    return shape === 'top' ? [x - 1, x, x + 1].map((column) => [column, (2 * sizeOf(gear.id).pitch) / 3] as const) : [];
  });
}
