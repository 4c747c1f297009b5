import type { Structure, Figure } from '../structure';
import type { Gear } from '../train';
import { axisHeights, CLEARANCE, type AxisContact, type PlacedGear } from './axis-heights';
import type { Point } from './geometry';
import { halfPlane, type PlaneCell, type HalfPlane } from './half-plane';
import { isChained, partsById } from '../train';
import { itemAt, lookUp, required } from '../required';

/** Room over the drawing, and under it for the tabs of the stations. */
export const MARGIN = { top: 30, bottom: 40 };
/** So much larger than in proportion may a drawing still fit where axes come to be folded another way. */
const PROBABLY = 1.25;
/** Pixels between two wheels that a chain or belt joins. */
const CHAIN_GAP = 30;

/** Whole pixels, so that lines are crisp and cells of different parts meet exactly. */
export interface DrawingScale {
  readonly column: number;
  readonly row: number;
  /** Pixels per unit of drawn radius. */
  readonly radius: number;
}

/** Where the axes lie and what stands along each. */
export interface PlacedAxes {
  readonly scale: DrawingScale;
  readonly planes: readonly HalfPlane[];
  readonly heights: readonly number[];
  readonly height: number;
  readonly px: (cell: PlaneCell, axis: number) => Point;
}

/** From centre to centre of two gears that mesh on fixed axes. */
function distance(a: Gear, b: Gear, radius: (gear: Gear) => number): number {
  if (a.type === 'internal' || b.type === 'internal') return Math.abs(radius(a) - radius(b));
  return radius(a) + radius(b) + (isChained(a) ? CHAIN_GAP : 0);
}

/** Finds the scale at which the axes fit the height, and each axis' place and half plane. */
export function placeAxes(
  plan: Structure,
  order: readonly Figure[],
  starts: ReadonlyMap<Figure, number>,
  radii: ReadonlyMap<string, number>,
  space: { readonly height: number; readonly side: number },
  column: number,
): PlacedAxes {
  const { train, axes } = plan;
  const room = space.height - MARGIN.top - MARGIN.bottom;
  const sets = order.some((figure) => figure.kind !== 'bars');
  const single = axes.length === 1 || !order.some((figure) => figure.kind === 'bars' && figure.gears.length > 1);
  const byId = partsById(train);
  const figureAt = (x: number) => required(order.findLast((figure) => lookUp(starts, figure) <= x));
  const shown = axes.map(
    (members) => members.includes(train.input) || train.gears.some((gear) => members.includes(gear.member)),
  );
  const least = sets ? 5 : 7;
  let largest = Infinity;
  for (let radius = 44; ; radius *= 0.86) {
    if (radius > largest && radius > least) continue;
    const row = Math.round(single ? Math.min(22, Math.max(13, room / 20)) : Math.min(15, Math.max(9, radius)));
    const drawn = (gear: Gear) => lookUp(radii, gear.id) * radius;
    const planes = axes.flatMap((_, axis) =>
      shown[axis] ? [halfPlane(plan, axis, order, (gear) => Math.round(drawn(gear) / row))] : [],
    );
    const placed = new Map<string, PlacedGear>();
    const parts: PlacedGear[] = [];
    for (const plane of planes) {
      for (const body of plane.bodies) {
        const bar = body.shape === 'bar';
        const part: PlacedGear = {
          axis: plane.axis,
          plane: order.indexOf(figureAt(body.x)),
          radius: bar ? drawn(body.gear) : (plane.rows - 1) * row,
          half: !bar,
        };
        if (bar) placed.set(body.gear.id, part);
        parts.push(part);
      }
    }
    const contacts = train.meshes.flatMap(({ gears: [first, second] }): AxisContact[] => {
      const [a, b] = [placed.get(first), placed.get(second)];
      return a && b ? [{ a, b, distance: distance(byId.gear(first), byId.gear(second), drawn) }] : [];
    });
    const raw = axisHeights(axes.length, parts, contacts);
    const top = Math.min(...parts.map((part) => itemAt(raw, part.axis) - part.radius));
    const bottom = Math.max(...parts.map((part) => itemAt(raw, part.axis) + (part.half ? row : part.radius)));
    if (bottom - top > room && radius > least) {
      // Heights grow with the radius, from what does not: what fits is smaller than in proportion.
      largest = (PROBABLY * radius * room) / (bottom - top);
      continue;
    }
    const heights = raw.map((y) => Math.round(y - top + MARGIN.top));
    const standing = planes.flatMap(({ axis, bodies }) =>
      bodies.flatMap(({ gear, shape, x, end }) =>
        shape === 'bar' ? [{ axis, x, end, y: itemAt(heights, axis), radius: drawn(gear) }] : [],
      ),
    );
    const px = ({ x, row: out }: PlaneCell, axis: number): Point => ({
      x: space.side + x * column,
      y: itemAt(heights, axis) - out * row,
    });
    return {
      scale: { column, row, radius },
      planes: planes.map((plane) => endedShort(plane, standing, itemAt(heights, plane.axis))),
      heights,
      height: Math.round(bottom - top + MARGIN.top + MARGIN.bottom),
      px,
    };
  }
}

/** Columns that a shaft goes on beyond its last gear where it cannot leave the drawing. */
const SHORT = 1;

interface Standing {
  readonly axis: number;
  readonly x: number;
  readonly end: number;
  readonly y: number;
  readonly radius: number;
}

/**
 * A shaft that would leave the drawing through another axis' gear ends beside its own last gear: unfolded into one
 * plane, shafts stand in the way of wheels that pass them in the machine.
 */
function endedShort(plane: HalfPlane, standing: readonly Standing[], y: number): HalfPlane {
  const own = plane.bodies.flatMap(({ x, end }) => [x, end]);
  const meets = (far: (other: Standing) => boolean) =>
    standing.some(
      (other) => other.axis !== plane.axis && far(other) && Math.abs(other.y - y) < other.radius + CLEARANCE,
    );
  return {
    ...plane,
    terminals: plane.terminals.map((terminal) => {
      const [last, beyond] = terminal.leaves === 'left' ? [Math.min(...own), -SHORT] : [Math.max(...own), SHORT];
      const far = ({ x, end }: Standing) => (beyond < 0 ? x < last : end > last);
      return terminal.leaves && own.length > 0 && meets(far)
        ? { ...terminal, cells: terminal.cells.map(({ row }) => ({ x: last + beyond, row })) }
        : terminal;
    }),
  };
}
