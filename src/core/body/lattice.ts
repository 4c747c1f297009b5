import type { Layout, PlaneCell } from '../drawing';
import { itemAt } from '../required';
import type { Train } from '../train';
import type { Borders } from './columns';
import type { Radii } from './radii';
import type { Section, SectionPoint } from './turned';

/**
 * The field of a half plane that one member fills: columns and rows of parts (even) and of gaps (odd). What two members
 * fill has always a gap between; where the drawing crosses they fill the same one.
 */
export type Filling = ReadonlySet<string>;

export const fieldKey = (column: number, row: number): string => `${column} ${row}`;

/** What every member on an axis fills, the frame's stubs among them. */
export function fillings(
  train: Train,
  { plane, routed }: Layout['halfPlanes'][number],
): ReadonlyMap<string, Set<string>> {
  const filled = new Map<string, Set<string>>();
  const fill = (member: string, column: number, row: number) => {
    if (row < 0) return;
    const own = filled.get(member) ?? new Set<string>();
    filled.set(member, own.add(fieldKey(column, row)));
  };
  const cell = (member: string, { x, row }: PlaneCell) => fill(member, 2 * x, 2 * row);
  const link = (member: string, a: PlaneCell, b: PlaneCell) => fill(member, a.x + b.x, a.row + b.row);
  for (const [member, cells] of routed.cells) for (const key of cells) cell(member, cellOf(key));
  for (const [member, links] of routed.links) for (const [a, b] of links) link(member, a, b);
  for (const { gear, shape, x, end, from } of plane.bodies) {
    if (shape === 'bar') {
      for (let column = x; column <= end; column++) {
        cell(gear.member, { x: column, row: from - 1 });
        if (column < end) link(gear.member, { x: column, row: from - 1 }, { x: column + 1, row: from - 1 });
      }
    }
    if (shape === 'sun') {
      cell(gear.member, { x, row: from - 1 });
      link(gear.member, { x, row: from - 1 }, { x, row: from });
    }
    if (shape === 'ring' || shape === 'side') {
      const own = shape === 'ring' ? [from] : [3, 4];
      for (const row of own)
        for (const beside of neighbours({ x, row }))
          if (routed.cells.get(gear.member)?.has(fieldKey(beside.x, beside.row))) link(gear.member, { x, row }, beside);
    }
  }
  for (const { coupler, at, direction } of routed.symbols) {
    const joins = train.couplers.flatMap((one) => (one.id === coupler && 'joins' in one ? [one.joins] : []))[0];
    if (!joins) continue;
    const step = itemAt(STEPS, direction);
    joins.forEach((member, i) => {
      const sign = i === 0 ? -1 : 1;
      const beside = { x: at.x + sign * step.x, row: at.row + sign * step.row };
      cell(member, beside);
      link(member, at, beside);
    });
  }
  // What a wheel or a coupler stands in is not the member's lines'.
  for (const { gear, shape, x, end, from, to } of plane.bodies)
    for (let column = x; column <= end; column++)
      for (let row = from; row <= to; row++)
        if (shape !== 'planet') filled.get(gear.member)?.delete(fieldKey(2 * column, 2 * row));
  for (const { at } of routed.symbols) for (const own of filled.values()) own.delete(fieldKey(2 * at.x, 2 * at.row));
  return filled;
}

/** From a coupler's first member towards its second: right, inward, left, outward. */
export const STEPS: readonly PlaneCell[] = [
  { x: 1, row: 0 },
  { x: 0, row: -1 },
  { x: -1, row: 0 },
  { x: 0, row: 1 },
];

/** What fieldKey names: a column and a row. */
export function cellOf(key: string): PlaneCell {
  const [x, row] = key.split(' ').map(Number) as [number, number];
  return { x, row };
}

const neighbours = ({ x, row }: PlaneCell): readonly PlaneCell[] =>
  STEPS.map((step) => ({ x: x + step.x, row: row + step.row }));

/** The lines round what a member fills, as sections to be turned: each closed, its material on its left. */
export function sectionsOf(filling: Filling, columns: Borders, radii: Radii): readonly Section[] {
  return outlinesOf(filling).map((outline) =>
    withoutStraight(
      outline.map(({ x, y }) => ({ z: itemAt(columns, x), r: y === 0 ? 0 : radii.at(Math.floor(x / 2), y) })),
    ),
  );
}

interface Corner {
  readonly x: number;
  readonly y: number;
}

/** Round every group of fields that touch along an edge; where groups touch at a corner only they stay apart. */
function outlinesOf(filling: Filling): readonly (readonly Corner[])[] {
  const edges = new Map<string, { readonly from: Corner; readonly to: Corner }[]>();
  const add = (from: Corner, to: Corner) => {
    const key = fieldKey(from.x, from.y);
    edges.set(key, [...(edges.get(key) ?? []), { from, to }]);
  };
  for (const key of filling) {
    const { x, row: y } = cellOf(key);
    const isOpen = (dx: number, dy: number) => !filling.has(fieldKey(x + dx, y + dy));
    if (isOpen(0, -1)) add({ x, y }, { x: x + 1, y });
    if (isOpen(1, 0)) add({ x: x + 1, y }, { x: x + 1, y: y + 1 });
    if (isOpen(0, 1)) add({ x: x + 1, y: y + 1 }, { x, y: y + 1 });
    if (isOpen(-1, 0)) add({ x, y: y + 1 }, { x, y });
  }
  const outlines: Corner[][] = [];
  while (edges.size > 0) {
    const [first] = itemAt([...edges.values()], 0);
    if (!first) break;
    const outline: Corner[] = [];
    let edge = first;
    for (;;) {
      outline.push(edge.from);
      const key = fieldKey(edge.from.x, edge.from.y);
      const rest = (edges.get(key) ?? []).filter((other) => other !== edge);
      if (rest.length === 0) edges.delete(key);
      else edges.set(key, rest);
      if (edge.to.x === first.from.x && edge.to.y === first.from.y) break;
      const next = edges.get(fieldKey(edge.to.x, edge.to.y)) ?? [];
      edge = next.length > 1 ? (next.find((other) => turnsLeft(edge, other)) ?? itemAt(next, 0)) : itemAt(next, 0);
    }
    outlines.push(outline);
  }
  return outlines;
}

type Edge = { readonly from: Corner; readonly to: Corner };

const turnsLeft = (a: Edge, b: Edge): boolean =>
  (a.to.x - a.from.x) * (b.to.y - b.from.y) - (a.to.y - a.from.y) * (b.to.x - b.from.x) > 0;

/** Without places that lie between others on one straight line, or are one with the one before. */
function withoutStraight(section: readonly SectionPoint[]): Section {
  const apart = section.filter(({ z, r }, i) => {
    const before = itemAt(section, i - 1);
    return Math.abs(z - before.z) + Math.abs(r - before.r) > SMALL;
  });
  return apart.filter(({ z, r }, i) => {
    const [before, after] = [itemAt(apart, i - 1), itemAt(apart, (i + 1) % apart.length)];
    const across = (z - before.z) * (after.r - r) - (r - before.r) * (after.z - z);
    const size = Math.hypot(z - before.z, r - before.r) * Math.hypot(after.z - z, after.r - r);
    return Math.abs(across) > SMALL * size;
  });
}

const SMALL = 1e-9;
