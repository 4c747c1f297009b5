import type { Structure } from '../structure';
import type { Train } from '../train';
import { gearShape } from './gear-shapes';
import type { CouplerShape, GearShape, MemberLines, PinShape, Point, Port, Segment, SideView } from './geometry';
import { isLoose, type PlaneCell, type HalfPlane } from './half-plane';
import { placeLabels } from './labels';
import { layOut, type DrawingOptions, type Layout, type NotDrawn } from './lay-out';
import { crossingAt, LineBook } from './member-lines';
import type { PlacedAxes } from './place-axes';
import { carryOn, hangCoupler, hangGears, hangPins } from './hang-parts';
import { slidesOf, tiesOf } from './mesh-marks';
import type { Routed } from './routing/routed';
import type { DrawingSpace } from './spaces';
import { itemAt } from '../required';

export type DrawnTrain =
  /** Not finished where more effort might find fewer crossings. */
  { readonly ok: true; readonly view: SideView; readonly finished: boolean } | NotDrawn;

/**
 * The side view of any train: axes horizontal, figures left to right, the input at the left; fixed gears as bars that
 * touch where they mesh, sets in half section above their axis, every member a tree of lines that goes round the
 * others.
 */
export function drawSideView(train: Train, space: DrawingSpace, options: DrawingOptions = {}): DrawnTrain {
  const layout = layOut(train, space, options);
  return layout.ok ? { ok: true, view: drawLayout(train, layout), finished: layout.finished } : layout;
}

function drawLayout(train: Train, { plan, order, placed, radii, width, halfPlanes }: Layout): SideView {
  const parts = { gears: [], pins: [], couplers: [], crossed: [], ports: [], axes: [] };
  const drawing: Drawing = { train, placed, radii, ...parts, book: new LineBook() };
  for (const { plane, routed } of halfPlanes) drawPlane(drawing, plane, routed);
  const { gears, pins, couplers, crossed, ports, axes, book } = drawing;
  for (const { plane } of halfPlanes) carryOn(plan, plane, placed, book);
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
    bearings: bearingsFor(plan, lines, placed.heights),
    ports,
    crossings: crossed.flatMap((point) => crossingAt(point, lines) ?? []),
    order: order.map(({ key }) => key),
  };
  return { ...bare, labels: placeLabels(train, bare) };
}

/** What is drawn so far. */
interface Drawing {
  readonly train: Train;
  readonly placed: PlacedAxes;
  readonly radii: Layout['radii'];
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
