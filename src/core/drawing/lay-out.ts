import { structureOf, type Figure, type Structure } from '../structure';
import type { Train } from '../train';
import { Drafts } from './drafts';
import { Effort, THOROUGH } from './effort';
import { planeColumns, type HalfPlane } from './half-plane';
import { portRoom } from './labels';
import { orderFigures } from './order';
import { placeAxes, type PlacedAxes } from './place-axes';
import { drawnRadii } from './radii';
import { draftRoute, workFor } from './routing/route';
import type { Routed } from './routing/routed';
import type { DrawingSpace } from './spaces';

/** How a side view is to be drawn. */
export interface DrawingOptions {
  /** The order of the figures that the picture had before, to keep it stable. */
  readonly order?: readonly string[];
  /** What was found for drawings before, and takes what this one finds. */
  readonly drafts?: Drafts;
  /** Places that may be looked at (see QUICK and THOROUGH). */
  readonly effort?: number;
  /** With more than so many places to look at, nothing is drawn now. */
  readonly atOnce?: number;
}

/** Later where it would take more than may be done at once. */
export interface NotDrawn {
  readonly ok: false;
  readonly why: string;
  readonly later?: true;
}

/** Where everything in a train stands, in cells: what the side view draws, and what the body is turned from. */
export interface Layout {
  readonly ok: true;
  readonly plan: Structure;
  /** From left to right. */
  readonly order: readonly Figure[];
  readonly placed: PlacedAxes;
  readonly radii: ReadonlyMap<string, number>;
  readonly width: number;
  readonly halfPlanes: readonly { readonly plane: HalfPlane; readonly routed: Routed }[];
  /** Whether more effort might find fewer crossings. */
  readonly finished: boolean;
}

/** A drawing of more would be unreadable, and slow. */
const MOST_GEARS = 250;

/** Lays a train out: its figures from left to right, its axes, and the lines of every member. */
export function layOut(
  train: Train,
  space: DrawingSpace,
  { order: wanted, drafts = new Drafts(), effort: allowed = THOROUGH, atOnce = Infinity }: DrawingOptions = {},
): Layout | NotDrawn {
  const plan = structureOf(train);
  const why = whyNone(train, plan);
  if (why !== null) return { ok: false, why };
  const radii = drawnRadii(train);
  const effort = new Effort(allowed);
  const { work: order, finished: ordered } = orderFigures(plan, wanted, drafts, effort);
  const { starts, columns } = planeColumns(order);
  const side = portRoom(train);
  const column = Math.floor(Math.min(26, Math.max(13, (space.width - 2 * side) / columns)));
  const width = 2 * side + (columns - 1) * column;
  // A drawing wider than the space is shown smaller, so it may be as much higher.
  const height = space.height * Math.max(1, width / space.width);
  const placed = placeAxes(plan, order, starts, radii, { height, side }, column);
  if (workFor(placed.planes, train, drafts, allowed) > atOnce)
    return { ok: false, later: true, why: `The drawing of ${train.gears.length} gears is being laid out.` };
  let finished = ordered;
  const halfPlanes = placed.planes.map((plane) => {
    const { work: routed, finished: routedWell } = draftRoute(plane, train, drafts, effort);
    finished &&= routedWell;
    return { plane, routed };
  });
  return { ok: true, plan, order, placed, radii, width, halfPlanes, finished };
}

/** Why a train has no side view; null where it can have one. */
function whyNone({ gears }: Train, { figures }: Structure): string | null {
  if (gears.length === 0) return 'There is no gear to draw yet.';
  if (gears.length > MOST_GEARS)
    return (
      `With ${gears.length} gears this train is too large to draw from the side (the most is ` +
      `${MOST_GEARS}). Its figures, trace and working are in the panel.`
    );
  return figures.length === 0 ? 'No gear here turns about a fixed axis, so there is nothing to draw yet.' : null;
}
