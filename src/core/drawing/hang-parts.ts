import { itemAt, required } from '../required';
import type { Structure } from '../structure';
import { partsById, type Train } from '../train';
import type { CouplerShape, PinShape, Point } from './geometry';
import type { HalfPlane, PlaneCell } from './half-plane';
import type { LineBook } from './member-lines';
import type { PlacedAxes } from './place-axes';
import { reaches, type Routed } from './routing/routed';

/** Pixels by which a shaft goes on beyond its gears. */
const SHAFT_STUB = 34;
/** Pixels between a shaft's end and another axis' line. */
const STUB_CLEARANCE = 14;
/** Pixels from the middle of a coupler's symbol to either of its plates. */
const HALF_COUPLER = 4;

/**
 * Joins every gear to its member's lines: the short stems from rims and bevel gears, a stub of shaft for a gear that is
 * alone.
 */
export function hangGears(plane: HalfPlane, routed: Routed, { px }: PlacedAxes, book: LineBook): void {
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
export function carryOn(
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
export function hangPins(plane: HalfPlane, routed: Routed, { px }: PlacedAxes, book: LineBook): PinShape[] {
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
export function hangCoupler(
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
