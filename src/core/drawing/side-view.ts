import type { Gear, Train } from '../train';
import { axisHeights, type Contact, type PlacedGear } from './axis-heights';
import type { Box, CouplerShape, GearShape, MemberLines, PinShape, Point, Port, Segment, SideView } from './geometry';
import { columnsOf, halfPlane, isLoose, type Body, type Cell, type HalfPlane } from './half-plane';
import { placeLabels } from './labels';
import { rememberedOrder, ROUNDS } from './order';
import { planDrawing, type DrawingPlan, type Figure } from './plan';
import { drawnRadii } from './radii';
import { routeHalfPlane, type Routed } from './routing/route';

export type Drawn = { readonly ok: true; readonly view: SideView } | { readonly ok: false; readonly why: string };

const MARGIN = { side: 118, top: 30, bottom: 30 };
const BAR_HALF_WIDTH = 9;
const SHAFT_STUB = 34;

interface Scale {
  readonly column: number;
  readonly row: number;
  /** Pixels per unit of drawn radius. */
  readonly radius: number;
}

/**
 * The side view of any train: axes horizontal, figures left to right, the input at the left; fixed gears as bars that touch where they
 * mesh, sets in half section above their axis, every member a tree of lines that goes round the others.
 */
export function drawSideView(train: Train, space: { width: number; height: number }, wanted?: readonly string[]): Drawn {
  if (train.gears.length === 0) return { ok: false, why: 'There is no gear to draw yet.' };
  const plan = planDrawing(train);
  if (plan.figures.length === 0) return { ok: false, why: 'No gear here turns about a fixed axis, so there is nothing to draw yet.' };
  const radii = drawnRadii(train);
  const order = rememberedOrder(plan, wanted, () => 5);
  const { starts, columns } = columnsOf(order);
  const column = Math.min(26, Math.max(13, (space.width - 2 * MARGIN.side) / columns));
  const placed = placeAxes(plan, order, starts, radii, space, column);
  const { scale, heights, planes } = placed;
  const px = ({ x, row }: Cell, axis: number): Point => ({ x: Math.round(MARGIN.side + x * scale.column), y: Math.round(heights[axis]! - row * scale.row) });

  const gears: GearShape[] = [];
  const pins: PinShape[] = [];
  const lines = new Map<string, Segment[]>();
  const couplers: CouplerShape[] = [];
  const crossings: Point[] = [];
  const ports: Port[] = [];
  const axes: Segment[] = [];
  const add = (member: string, a: Point, b: Point) => lines.set(member, [...(lines.get(member) ?? []), { x1: a.x, y1: a.y, x2: b.x, y2: b.y }]);

  for (const plane of planes) {
    const { axis } = plane;
    const routed = routeHalfPlane(plane, train, ROUNDS);
    const passes = new Map([...routed.links].flatMap(([member, links]) => links.flat().filter(({ row }) => row === 0).map(({ x }) => [x, member] as const)));
    for (const body of plane.bodies) {
      const shape = gearShape(body, px, axis, scale, radii, (x) => passes.has(x) && passes.get(x) !== body.gear.member);
      if (shape) gears.push(shape);
    }
    for (const [member, links] of routed.links) for (const [a, b] of links) add(member, px(a, axis), px(b, axis));
    stems(plane, routed, px, add);
    for (const { planet, carrier, row, x1, x2 } of plane.pins) {
      const [left, right] = [px({ x: x1, row }, axis), px({ x: x2, row }, axis)];
      pins.push({ planet, carrier, x1: left.x, x2: right.x, y: left.y });
    }
    for (const symbol of routed.symbols) couplers.push(couplerShape(train, symbol, px(symbol.at, axis), scale, add));
    crossings.push(...routed.crossings.map((cell) => px(cell, axis)));
    for (const { member, cells } of plane.terminals) {
      const [cell] = cells;
      if (cells.length !== 1 || cell!.row !== 0 || (cell!.x !== 0 && cell!.x !== plane.columns - 1)) continue;
      const side = cell!.x === 0 ? 'left' : 'right';
      ports.push({ kind: member === train.input ? 'input' : 'output', member, side, ...px(cell!, axis) });
    }
    const extent = extentOf(plane);
    axes.push({ x1: px({ x: extent[0] - 1, row: 0 }, axis).x, y1: heights[axis]!, x2: px({ x: extent[1] + 1, row: 0 }, axis).x, y2: heights[axis]! });
  }
  const merged: MemberLines[] = [...lines].map(([member, segments]) => ({ member, segments: mergeCollinear(segments) }));
  const width = Math.round(2 * MARGIN.side + (columns - 1) * scale.column);
  const bearings = bearingsFor(plan, merged, heights);
  const bare = { width, height: placed.height, axes, gears, pins, lines: merged, couplers, bearings, ports, crossings, order: order.map(({ key }) => key) };
  return { ok: true, view: { ...bare, labels: placeLabels(train, bare) } };
}

/** Finds the scale at which the axes fit the height, and each axis' place and half plane. */
function placeAxes(plan: DrawingPlan, order: readonly Figure[], starts: ReadonlyMap<Figure, number>, radii: ReadonlyMap<string, number>, space: { height: number }, column: number) {
  const room = space.height - MARGIN.top - MARGIN.bottom;
  const sets = order.some((figure) => figure.kind !== 'bars');
  const single = plan.axes.length === 1 || !order.some((figure) => figure.kind === 'bars' && figure.gears.length > 1);
  for (let radius = 44; ; radius *= 0.86) {
    const row = single ? Math.min(22, Math.max(13, room / 20)) : Math.min(15, Math.max(9, radius));
    const barRows = (gear: Gear) => Math.round((radii.get(gear.id)! * radius) / row);
    const planes = plan.axes.flatMap((members, axis) => (members.some((id) => plan.train.gears.some((gear) => gear.member === id)) || members.includes(plan.train.input) ? [halfPlane(plan, axis, order, barRows)] : []));
    const figureAt = (x: number) => order.findLast((figure) => starts.get(figure)! <= x)!;
    const placed = new Map<string, PlacedGear>();
    const parts: PlacedGear[] = [];
    for (const plane of planes) {
      for (const body of plane.bodies) {
        const bar = body.shape === 'bar';
        const part: PlacedGear = { axis: plane.axis, plane: order.indexOf(figureAt(body.x)), radius: bar ? radii.get(body.gear.id)! * radius : (plane.rows - 1) * row, half: !bar };
        if (bar) placed.set(body.gear.id, part);
        parts.push(part);
      }
    }
    const contacts = plan.train.meshes.flatMap(({ gears: [a, b] }): Contact[] => (placed.has(a) && placed.has(b) ? [{ a: placed.get(a)!, b: placed.get(b)! }] : []));
    const raw = axisHeights(plan.axes.length, parts, contacts);
    const top = Math.min(...parts.map((part) => raw[part.axis]! - part.radius));
    const bottom = Math.max(...parts.map((part) => raw[part.axis]! + (part.half ? row : part.radius)));
    if (bottom - top > room && radius > (sets ? 5 : 7)) continue;
    return { scale: { column, row, radius } satisfies Scale, planes, heights: raw.map((y) => Math.round(y - top + MARGIN.top)), height: Math.round(bottom - top + MARGIN.top + MARGIN.bottom) };
  }
}

function gearShape(body: Body, px: (cell: Cell, axis: number) => Point, axis: number, scale: Scale, radii: ReadonlyMap<string, number>, passed: (x: number) => boolean): GearShape | null {
  const { gear, shape, x } = body;
  const base = { gear: gear.id, member: gear.member };
  if (shape === 'bar') {
    const centre = px({ x, row: 0 }, axis);
    const radius = radii.get(gear.id)! * scale.radius;
    const bore = passed(x) || body.from > 1 ? Math.min(scale.row, radius * 0.6) : 0;
    return { ...base, shape: 'bar', ...centre, radius, halfWidth: BAR_HALF_WIDTH, bore, box: boxAround(centre, BAR_HALF_WIDTH, radius) };
  }
  const at = px({ x, row: body.at }, axis);
  if (shape === 'planet') {
    const radius = (body.to - body.at + 1) * scale.row - 3;
    return { ...base, shape: 'planet', ...at, radius, halfWidth: BAR_HALF_WIDTH, bore: 0, box: boxAround(at, BAR_HALF_WIDTH, radius) };
  }
  if (shape === 'side') {
    const low = px({ x, row: body.from - 1 }, axis);
    const y = (at.y + low.y) / 2;
    return { ...base, shape: 'side', x: at.x, y, radius: (low.y - at.y) / 2, halfWidth: 5, bore: 0, box: boxAround({ x: at.x, y }, 8, (low.y - at.y) / 2) };
  }
  if (shape === 'top') return { ...base, shape: 'top', ...at, radius: 5, halfWidth: 1.5 * scale.column - 6, bore: 0, box: boxAround(at, 1.5 * scale.column - 6, 8) };
  return { ...base, shape: 'rim', ...at, radius: 0, halfWidth: BAR_HALF_WIDTH + 2, bore: 0, box: boxAround(at, BAR_HALF_WIDTH + 2, 7) };
}

const boxAround = ({ x, y }: Point, halfWidth: number, halfHeight: number): Box => ({ left: x - halfWidth, right: x + halfWidth, top: y - halfHeight, bottom: y + halfHeight });

/** Short lines from rims, pins and bevel gears to the cells where their members' lines begin. */
function stems(plane: HalfPlane, routed: Routed, px: (cell: Cell, axis: number) => Point, add: (member: string, a: Point, b: Point) => void): void {
  const { axis } = plane;
  const onLine = routed.reaches;
  for (const body of plane.bodies) {
    const { member } = body.gear;
    const at = px({ x: body.x, row: body.at }, axis);
    // A gear alone on its shaft still shows the shaft.
    if (body.shape === 'bar' && !onLine(member, { x: body.x, row: body.from - 1 })) {
      const { x, y } = px({ x: body.x, row: body.from - 1 }, axis);
      add(member, { x: x - SHAFT_STUB, y }, { x: x + SHAFT_STUB, y });
    }
    if (body.shape === 'sun') add(member, at, px({ x: body.x, row: body.at - 1 }, axis));
    if (body.shape === 'ring') {
      const ways = [{ x: body.x, row: body.at + 1 }, { x: body.x - 1, row: body.at }, { x: body.x + 1, row: body.at }].filter((cell) => onLine(member, cell));
      for (const cell of ways) add(member, at, px(cell, axis));
    }
    if (body.shape === 'side') {
      for (const cell of [{ x: body.x, row: 2 }, { x: body.x - 1, row: 4 }, { x: body.x + 1, row: 4 }]) if (onLine(member, cell)) add(member, cell.row === 2 ? px({ x: body.x, row: 3 }, axis) : px({ x: body.x, row: 4 }, axis), px(cell, axis));
    }
  }
  for (const { carrier, row, x1, x2, planet } of plane.pins) {
    const bevel = plane.bodies.some((body) => body.shape === 'top' && body.gear.member === planet);
    if (bevel) add(carrier, px({ x: x1, row }, axis), px({ x: x1, row: row + 1 }, axis));
    else for (const [end, beside] of [[x1, x1 - 1], [x2, x2 + 1]] as const) if (onLine(carrier, { x: beside, row })) add(carrier, px({ x: end, row }, axis), px({ x: beside, row }, axis));
  }
}

function couplerShape(train: Train, { coupler: id, direction }: Routed['symbols'][0], at: Point, scale: Scale, add: (member: string, a: Point, b: Point) => void): CouplerShape {
  const coupler = train.couplers.find((candidate) => candidate.id === id)!;
  const [first, second] = 'joins' in coupler ? coupler.joins : ['', ''];
  const turn = ([0, 90, 180, 270] as const)[direction]!;
  const [dx, dy] = ([[1, 0], [0, 1], [-1, 0], [0, -1]] as const)[direction]!;
  const reach = direction % 2 === 0 ? scale.column : scale.row;
  const towards = (sign: number, distance: number): Point => ({ x: at.x + sign * dx * distance, y: at.y + sign * dy * distance });
  const frame = first === 'frame' ? 'first' : second === 'frame' ? 'second' : null;
  if (frame !== 'first') add(first, towards(-1, reach), towards(-1, 4));
  if (frame !== 'second') add(second, towards(1, reach), towards(1, 4));
  return { coupler: id, ...at, turn, frame };
}

/** Straight runs of cells become one line. */
function mergeCollinear(segments: readonly Segment[]): Segment[] {
  const runs = new Map<string, [number, number][]>();
  for (const { x1, y1, x2, y2 } of segments) {
    const horizontal = y1 === y2;
    const key = horizontal ? `h${y1}` : `v${x1}`;
    const run: [number, number] = horizontal ? [Math.min(x1, x2), Math.max(x1, x2)] : [Math.min(y1, y2), Math.max(y1, y2)];
    runs.set(key, [...(runs.get(key) ?? []), run]);
  }
  return [...runs].flatMap(([key, parts]) => {
    const fixed = Number(key.slice(1));
    const joined: [number, number][] = [];
    for (const [from, to] of parts.sort((a, b) => a[0] - b[0])) {
      const last = joined.at(-1);
      if (last && from <= last[1]) last[1] = Math.max(last[1], to);
      else joined.push([from, to]);
    }
    return joined.map(([from, to]): Segment => (key[0] === 'h' ? { x1: from, y1: fixed, x2: to, y2: fixed } : { x1: fixed, y1: from, x2: fixed, y2: to }));
  });
}

function extentOf(plane: HalfPlane): [number, number] {
  const xs = [...plane.bodies.map((body) => body.x), ...plane.terminals.flatMap(({ cells }) => cells.map(({ x }) => x))];
  return [Math.min(...xs), Math.max(...xs)];
}

/** Bearings stand at both ends of the shafts that run alone on their centre line. */
function bearingsFor(plan: DrawingPlan, lines: readonly MemberLines[], heights: readonly number[]): Point[] {
  return plan.axes.flatMap((members, axis): Point[] => {
    if (members.length > 1) return [];
    const y = heights[axis]!;
    const own = lines.find(({ member }) => member === members[0] && !isLoose(plan, member));
    const runs = own?.segments.filter((segment) => segment.y1 === y && segment.y2 === y) ?? [];
    if (runs.length === 0) return [];
    return [{ x: Math.min(...runs.map(({ x1 }) => x1)), y }, { x: Math.max(...runs.map(({ x2 }) => x2)), y }];
  });
}
