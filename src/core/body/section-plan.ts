import type { Layout, Point } from '../drawing';
import { itemAt } from '../required';
import type { Borders } from './columns';
import type { Radii } from './radii';

/** What leads from a place of the side view to one of the half section that was turned. */
export interface SectionPlan {
  /** Where column 0 is drawn, and how far it is from column to column and from row to row. */
  readonly left: number;
  readonly column: number;
  readonly row: number;
  /** By axis: where it is drawn. */
  readonly heights: readonly number[];
  /** By column: its middle along the axis, mm. */
  readonly along: readonly number[];
  /** By axis, column and row: how far out its middle is, mm; null of an axis that is not drawn. */
  readonly out: readonly (readonly (readonly number[])[] | null)[];
}

export function sectionPlan(
  { placed, halfPlanes, plan }: Layout,
  columns: Borders,
  radiiOn: (axis: number) => Radii | undefined,
): SectionPlan {
  const count = columns.length / 2;
  const each = <T>(length: number, make: (i: number) => T): readonly T[] => Array.from({ length }, (_, i) => make(i));
  const left = placed.px({ x: 0, row: 0 }, 0).x;
  return {
    left,
    column: placed.scale.column,
    row: placed.scale.row,
    heights: placed.heights,
    along: each(count, (x) => (itemAt(columns, 2 * x) + itemAt(columns, 2 * x + 1)) / 2),
    out: plan.axes.map((_, axis) => {
      const radii = radiiOn(axis);
      const half = halfPlanes.find(({ plane }) => plane.axis === axis);
      if (!radii || !half) return null;
      return each(count, (x) =>
        each(half.plane.rows, (row) => (row === 0 ? 0 : (radii.at(x, 2 * row) + radii.at(x, 2 * row + 1)) / 2)),
      );
    }),
  };
}

/** Where a place of the drawing is in an axis' half section: along and out, mm; null where the axis is not drawn. */
export function inSection(
  plan: SectionPlan,
  axis: number,
  { x, y }: Point,
): { readonly z: number; readonly r: number } | null {
  const rows = plan.out[axis];
  if (!rows) return null;
  const [column, row] = [(x - plan.left) / plan.column, (itemAt(plan.heights, axis) - y) / plan.row];
  const at = Math.min(rows.length - 1, Math.max(0, Math.round(column)));
  return { z: between(plan.along, column), r: between(itemAt(rows, at), Math.max(0, row)) };
}

/** The value of a list between two of its places, straight on beyond its ends. */
function between(values: readonly number[], at: number): number {
  const i = Math.min(values.length - 2, Math.max(0, Math.floor(at)));
  const [a, b] = [itemAt(values, i), itemAt(values, i + 1)];
  return a + (b - a) * (at - i);
}
