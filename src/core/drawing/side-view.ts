import { structureOf, type Structure } from '../structure';
import type { Train } from '../train';
import { Drafts } from './drafts';
import { Effort, THOROUGH } from './effort';
import { gearShape } from './gear-shapes';
import type {
  CouplerShape,
  GearShape,
  MemberLines,
  MeshTie,
  PinShape,
  Point,
  Port,
  Segment,
  SideView,
} from './geometry';
import { planeColumns, isLoose, type PlaneCell, type HalfPlane } from './half-plane';
import { placeLabels, portRoom } from './labels';
import { crossingAt, LineBook } from './member-lines';
import { orderFigures } from './order';
import { isChained, placeAxes, type PlacedAxes } from './place-axes';
import { drawnRadii } from './radii';
import { draftRoute, workFor } from './routing/route';
import { reaches, type Routed } from './routing/routed';
import type { DrawingSpace } from './spaces';
import { partsById } from '../train';
import { itemAt, lookUp, required } from '../required';

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
const SHAFT_STUB = 34;
/** Pixels between a shaft's end and another axis' line. */
const STUB_CLEARANCE = 14;
/** Pixels from the middle of a coupler's symbol to either of its plates. */
const HALF_COUPLER = 4;
/** Pixels from a gear's face to a sliding mesh's symbol. */
const SLIDE_GAP = 13;
/** Pixels from a gear's face to the line that says it meshes with one it cannot touch. */
const TIE_GAP = 5;
/** Pixels by which rounding may part two gears that touch. */
const TOUCHING = 4;

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
  if (train.gears.length === 0) return { ok: false, why: 'There is no gear to draw yet.' };
  if (train.gears.length > MOST_GEARS)
    return {
      ok: false,
      why:
        `With ${train.gears.length} gears this train is too large to draw from the side (the most is ` +
        `${MOST_GEARS}). Its figures, trace and working are in the panel.`,
    };
  const plan = structureOf(train);
  if (plan.figures.length === 0)
    return { ok: false, why: 'No gear here turns about a fixed axis, so there is nothing to draw yet.' };
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
  const { heights, planes, px } = placed;
  if (workFor(planes, train, drafts, allowed) > atOnce)
    return { ok: false, later: true, why: `The drawing of ${train.gears.length} gears is being laid out.` };

  const gears: GearShape[] = [];
  const pins: PinShape[] = [];
  const couplers: CouplerShape[] = [];
  const crossed: Point[] = [];
  const ports: Port[] = [];
  const axes: Segment[] = [];
  const book = new LineBook();

  for (const plane of planes) {
    const { axis } = plane;
    const draft = draftRoute(plane, train, drafts, effort);
    const routed = draft.work;
    finished &&= draft.finished;
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
    for (const [member, links] of routed.links) for (const [a, b] of links) book.link(member, px(a, axis), px(b, axis));
    hangGears(plane, routed, placed, book);
    pins.push(...hangPins(plane, routed, placed, book));
    for (const symbol of routed.symbols) couplers.push(hangCoupler(train, symbol, axis, placed, book));
    crossed.push(...routed.crossings.map((cell) => px(cell, axis)));
    for (const port of portsOf(plane, train)) {
      const at = px(port.cell, axis);
      ports.push({ kind: port.kind, member: port.member, side: port.side, ...at });
      book.attach(port.member, { kind: 'port', id: port.member }, at);
    }
    const [from, to] = extentOf(plane);
    axes.push({
      x1: px({ x: from - 1, row: 0 }, axis).x,
      y1: itemAt(heights, axis),
      x2: px({ x: to + 1, row: 0 }, axis).x,
      y2: itemAt(heights, axis),
    });
  }
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

/**
 * Joins every gear to its member's lines: the short stems from rims and bevel gears, a stub of shaft for a gear that is
 * alone.
 */
function hangGears(plane: HalfPlane, routed: Routed, { px }: PlacedAxes, book: LineBook): void {
  const { axis } = plane;
  for (const { gear, shape, x, end, from, at } of plane.bodies) {
    const { member, id } = gear;
    const place = (cell: PlaneCell) => px(cell, axis);
    const hang = (point: Point) => book.attach(member, { kind: 'gear', id }, point);
    if (shape === 'bar') {
      const hub = place({ x, row: from - 1 });
      hang(hub);
      if (reaches(routed, member, { x, row: from - 1 }) || from > 1) continue;
      book.link(member, { x: hub.x - SHAFT_STUB, y: hub.y }, hub);
      book.link(member, hub, { x: place({ x: end, row: 0 }).x + SHAFT_STUB, y: hub.y });
    } else if (shape === 'sun') {
      hang(place({ x, row: at }));
      book.link(member, place({ x, row: at }), place({ x, row: at - 1 }));
    } else if (shape === 'ring') {
      hang(place({ x, row: at }));
      for (const cell of [
        { x, row: at + 1 },
        { x: x - 1, row: at },
        { x: x + 1, row: at },
      ])
        if (reaches(routed, member, cell)) book.link(member, place({ x, row: at }), place(cell));
    } else if (shape === 'side') {
      const [foot, back] = [place({ x, row: 3 }), place({ x, row: 4 })];
      hang(foot);
      book.link(member, foot, back);
      if (reaches(routed, member, { x, row: 2 })) book.link(member, foot, place({ x, row: 2 }));
      for (const cell of [
        { x: x - 1, row: 4 },
        { x: x + 1, row: 4 },
      ])
        if (reaches(routed, member, cell)) book.link(member, back, place(cell));
    }
  }
}

/** A shaft alone on its axis goes on beyond its outermost gears, to where its bearings stand. */
function carryOn(
  { axes }: Structure,
  { axis, bodies, terminals }: HalfPlane,
  { px }: PlacedAxes,
  book: LineBook,
): void {
  const [member] = itemAt(axes, axis);
  const ends = bodies.filter(({ shape }) => shape === 'bar').flatMap(({ x, end }) => [x, end]);
  if (itemAt(axes, axis).length > 1 || ends.length === 0) return;
  const others = book.lines().flatMap((line) => (line.member === member ? [] : line.segments));
  for (const [x, by, side] of [
    [Math.min(...ends), -SHAFT_STUB, 'left'],
    [Math.max(...ends), SHAFT_STUB, 'right'],
  ] as const) {
    if (terminals.some(({ leaves }) => leaves === side)) continue;
    const at = px({ x, row: 0 }, axis);
    // Another axis' lines may come by here: the shaft ends short of them.
    const free = others
      .filter(({ x1, y1, y2 }) => Math.min(y1, y2) <= at.y && at.y <= Math.max(y1, y2) && (x1 - at.x) * by > 0)
      .map(({ x1 }) => Math.abs(x1 - at.x) - STUB_CLEARANCE);
    book.link(required(member), at, { x: at.x + Math.sign(by) * Math.min(Math.abs(by), ...free), y: at.y });
  }
}

/** Joins every planet's pin to its carrier's lines. */
function hangPins(plane: HalfPlane, routed: Routed, { px }: PlacedAxes, book: LineBook): PinShape[] {
  const { axis } = plane;
  return plane.pins.map(({ carrier, planet, row, x1, x2 }) => {
    const [left, right] = [px({ x: x1, row }, axis), px({ x: x2, row }, axis)];
    book.attach(carrier, { kind: 'pin', id: planet }, left);
    if (plane.bodies.some((body) => body.shape === 'top' && body.gear.member === planet))
      book.link(carrier, left, px({ x: x1, row: row + 1 }, axis));
    else {
      if (x1 !== x2) book.link(carrier, left, right);
      for (const [end, beside] of [
        [left, x1 - 1],
        [right, x2 + 1],
      ] as const)
        if (reaches(routed, carrier, { x: beside, row })) book.link(carrier, end, px({ x: beside, row }, axis));
    }
    return { planet, carrier, x1: left.x, x2: right.x, y: left.y };
  });
}

/** Draws the members' lines up to a coupler's plates. */
function hangCoupler(
  train: Train,
  { coupler: id, at: cell, direction }: Routed['symbols'][0],
  axis: number,
  { px, scale }: PlacedAxes,
  book: LineBook,
): CouplerShape {
  const at = px(cell, axis);
  const coupler = partsById(train).coupler(id);
  const [first, second] = 'joins' in coupler ? coupler.joins : ['', ''];
  const turn = itemAt([0, 90, 180, 270] as const, direction);
  const [dx, dy] = itemAt(
    [
      [1, 0],
      [0, 1],
      [-1, 0],
      [0, -1],
    ] as const,
    direction,
  );
  const reach = direction % 2 === 0 ? scale.column : scale.row;
  const towards = (sign: number, far: number): Point => ({ x: at.x + sign * dx * far, y: at.y + sign * dy * far });
  const frame = first === 'frame' ? 'first' : second === 'frame' ? 'second' : null;
  for (const [member, sign] of [
    [first, -1],
    [second, 1],
  ] as const) {
    if (member === 'frame') continue;
    book.link(member, towards(sign, reach), towards(sign, HALF_COUPLER));
    book.attach(member, { kind: 'coupler', id }, towards(sign, HALF_COUPLER));
  }
  return { coupler: id, kind: 'joint', ...at, turn, frame };
}

/** Sliding meshes: a symbol at the right of the place where both gears meet, or on the line that ties them. */
function slidesOf(train: Train, shapes: ReadonlyMap<string, GearShape>, ties: readonly MeshTie[]): CouplerShape[] {
  return train.couplers.flatMap((coupler): CouplerShape[] => {
    if (coupler.type !== 'sliding-mesh') return [];
    const mesh = partsById(train).find.mesh(coupler.mesh);
    const [a, b] = mesh?.gears.map((id) => shapes.get(id)) ?? [];
    if (!a || !b) return [];
    const tie = ties.find(({ mesh: tied }) => tied === coupler.mesh);
    if (tie)
      return [
        {
          coupler: coupler.id,
          kind: 'slide',
          x: tie.x - SLIDE_GAP - 2,
          y: Math.round((tie.y1 + tie.y2) / 2),
          turn: 90,
          frame: null,
        },
      ];
    const y = a.shape === 'bar' && b.shape === 'bar' ? a.y + Math.sign(b.y - a.y) * a.radius : (a.y + b.y) / 2;
    return [
      {
        coupler: coupler.id,
        kind: 'slide',
        x: narrower(a, b).x + narrower(a, b).halfWidth + SLIDE_GAP,
        y: Math.round(y),
        turn: 90,
        frame: null,
      },
    ];
  });
}

/** Of two meshing gears the one that says where they meet: a long one reaches further. */
const narrower = (a: GearShape, b: GearShape): GearShape => (a.halfWidth <= b.halfWidth ? a : b);

/** The meshes whose gears cannot touch: chains, and shafts that stand in a triangle. */
function tiesOf(train: Train, shapes: ReadonlyMap<string, GearShape>): MeshTie[] {
  const parts = partsById(train);
  return train.meshes.flatMap((mesh): MeshTie[] => {
    const [a, b] = mesh.gears.map((id) => lookUp(shapes, id));
    if (a?.shape !== 'bar' || b?.shape !== 'bar') return [];
    const [upper, lower] = a.y < b.y ? [a, b] : [b, a];
    const between = { y1: upper.y + upper.radius, y2: lower.y - lower.radius };
    if (isChained(parts.gear(a.gear))) return [{ mesh: mesh.id, kind: 'chain', x: narrower(a, b).x, ...between }];
    const apart = Math.abs(between.y2 - between.y1) > TOUCHING;
    return apart
      ? [{ mesh: mesh.id, kind: 'folded', x: narrower(a, b).x - narrower(a, b).halfWidth - TIE_GAP, ...between }]
      : [];
  });
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
