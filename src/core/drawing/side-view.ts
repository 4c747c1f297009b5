import { structureOf, type Structure } from '../structure';
import type { Train } from '../train';
import { Drafts } from './drafts';
import { Effort, THOROUGH } from './effort';
import { gearShape } from './gear-shapes';
import type { CouplerShape, GearShape, MemberLines, PinShape, Point, Port, Segment, SideView } from './geometry';
import { planeColumns, isLoose, type PlaneCell, type HalfPlane } from './half-plane';
import { placeLabels, portRoom } from './labels';
import { crossingAt, LineBook } from './member-lines';
import { orderFigures } from './order';
import { placeAxes, type PlacedAxes } from './place-axes';
import { drawnRadii } from './radii';
import { carryOn, hangCoupler, hangGears, hangPins } from './hang-parts';
import { slidesOf, tiesOf } from './mesh-marks';
import { draftRoute, workFor } from './routing/route';
import type { Routed } from './routing/routed';
import type { DrawingSpace } from './spaces';
import { itemAt } from '../required';

export type DrawnTrain =
  /** Not finished where more effort might find fewer crossings. */
  | { readonly ok: true; readonly view: SideView; readonly finished: boolean }
  /** Later where it would take more than may be done at once. */
  | { readonly ok: false; readonly why: string; readonly later?: true };

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

/** A drawing of more would be unreadable, and slow. */
const MOST_GEARS = 250;
/**
 * The side view of any train: axes horizontal, figures left to right, the input at the left; fixed gears as bars that
 * touch where they mesh, sets in half section above their axis, every member a tree of lines that goes round the
 * others.
 */
export function drawSideView(
  train: Train,
  space: DrawingSpace,
  { order: wanted, drafts = new Drafts(), effort: allowed = THOROUGH, atOnce = Infinity }: DrawingOptions = {},
): DrawnTrain {
  const plan = structureOf(train);
  const why = whyNone(train, plan);
  if (why !== null) return { ok: false, why };
  const radii = drawnRadii(train);
  const effort = new Effort(allowed);
  const { work: order, finished: ordered } = orderFigures(plan, wanted, drafts, effort);
  let finished = ordered;
  const { starts, columns } = planeColumns(order);
  const side = portRoom(train);
  const column = Math.floor(Math.min(26, Math.max(13, (space.width - 2 * side) / columns)));
  const width = 2 * side + (columns - 1) * column;
  // A drawing wider than the space is shown smaller, so it may be as much higher.
  const height = space.height * Math.max(1, width / space.width);
  const placed = placeAxes(plan, order, starts, radii, { height, side }, column);
  const { heights, planes } = placed;
  if (workFor(planes, train, drafts, allowed) > atOnce)
    return { ok: false, later: true, why: `The drawing of ${train.gears.length} gears is being laid out.` };

  const parts = { gears: [], pins: [], couplers: [], crossed: [], ports: [], axes: [] };
  const drawing: Drawing = { train, placed, radii, ...parts, book: new LineBook() };
  for (const plane of planes) {
    const { work: routed, finished: routedWell } = draftRoute(plane, train, drafts, effort);
    finished &&= routedWell;
    drawPlane(drawing, plane, routed);
  }
  const { gears, pins, couplers, crossed, ports, axes, book } = drawing;
  for (const plane of planes) carryOn(plan, plane, placed, book);
  const lines = book.lines();
  const shapes = new Map(gears.map((shape) => [shape.gear, shape]));
  const ties = tiesOf(train, shapes);
  const bare = {
    width,
    height: placed.height,
    axes,
    gears,
    pins,
    lines,
    attachments: book.attachments,
    ties,
    couplers: [...couplers, ...slidesOf(train, shapes, ties)],
    bearings: bearingsFor(plan, lines, heights),
    ports,
    crossings: crossed.flatMap((point) => crossingAt(point, lines) ?? []),
    order: order.map(({ key }) => key),
  };
  return { ok: true, view: { ...bare, labels: placeLabels(train, bare) }, finished };
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

/** What is drawn so far. */
interface Drawing {
  readonly train: Train;
  readonly placed: PlacedAxes;
  readonly radii: ReturnType<typeof drawnRadii>;
  readonly gears: GearShape[];
  readonly pins: PinShape[];
  readonly couplers: CouplerShape[];
  readonly crossed: Point[];
  readonly ports: Port[];
  readonly axes: Segment[];
  readonly book: LineBook;
}

/** Draws a half plane: its gears, its members' lines, and what hangs on them. */
function drawPlane(drawing: Drawing, plane: HalfPlane, routed: Routed): void {
  const { train, placed, radii, gears, pins, couplers, crossed, ports, axes, book } = drawing;
  const { axis } = plane;
  const px = (cell: PlaneCell) => placed.px(cell, axis);
  const passes = new Map(
    [...routed.links].flatMap(([member, links]) =>
      links
        .flat()
        .filter(({ row }) => row === 0)
        .map(({ x }) => [x, member] as const),
    ),
  );
  for (const body of plane.bodies)
    gears.push(gearShape(body, axis, placed, radii, (x) => passes.has(x) && passes.get(x) !== body.gear.member));
  for (const [member, links] of routed.links) for (const [a, b] of links) book.link(member, px(a), px(b));
  hangGears(plane, routed, placed, book);
  pins.push(...hangPins(plane, routed, placed, book));
  for (const symbol of routed.symbols) couplers.push(hangCoupler(train, symbol, axis, placed, book));
  crossed.push(...routed.crossings.map(px));
  for (const { kind, member, side, cell } of portsOf(plane, train)) {
    const at = px(cell);
    ports.push({ kind, member, side, ...at });
    book.attach(member, { kind: 'port', id: member }, at);
  }
  const [from, to] = extentOf(plane);
  const y = itemAt(placed.heights, axis);
  axes.push({ x1: px({ x: from - 1, row: 0 }).x, y1: y, x2: px({ x: to + 1, row: 0 }).x, y2: y });
}

function portsOf(
  plane: HalfPlane,
  train: Train,
): { kind: Port['kind']; member: string; side: Port['side']; cell: PlaneCell }[] {
  return plane.terminals.flatMap(({ member, cells, leaves: side }) => {
    const kind = member === train.input ? ('input' as const) : ('output' as const);
    return side ? [{ kind, member, side, cell: itemAt(cells, 0) }] : [];
  });
}

function extentOf(plane: HalfPlane): [number, number] {
  const xs = [
    ...plane.bodies.flatMap(({ x, end }) => [x, end]),
    ...plane.terminals.flatMap(({ cells }) => cells.map(({ x }) => x)),
  ];
  return [Math.min(...xs), Math.max(...xs)];
}

/** Bearings stand at both ends of the shafts that run alone on their centre line. */
function bearingsFor(plan: Structure, lines: readonly MemberLines[], heights: readonly number[]): Point[] {
  return plan.axes.flatMap((members, axis): Point[] => {
    if (members.length > 1) return [];
    const y = itemAt(heights, axis);
    const own = lines.find(({ member }) => member === members[0] && !isLoose(plan, member));
    const runs = own?.segments.filter((segment) => segment.y1 === y && segment.y2 === y) ?? [];
    if (runs.length === 0) return [];
    return [
      { x: Math.min(...runs.map(({ x1 }) => x1)), y },
      { x: Math.max(...runs.map(({ x2 }) => x2)), y },
    ];
  });
}
