import { isGoodEnough, type DrawingDraft, type Drafts } from '../drafts';
import type { Effort } from '../effort';
import { FRAME, type Train } from '../../train';
import type { PlaneCell, HalfPlane, Terminal } from '../half-plane';
import { FRAME_NET, RoutingGrid } from './grid';
import { opposite, pieceOf, type LinePiece } from './piece';
import { planeCellKey, type Routed, type SymbolPlace } from './routed';
import { spread, type CostField, type Prices, type Window } from './search';
import { itemAt, lookUp, required } from '../../required';

/** A coupler in its place: the symbol's cells, and the line it adds to either member. */
interface Link {
  readonly symbol: SymbolPlace;
  readonly middle: LinePiece;
  readonly a: LinePiece;
  readonly b: LinePiece;
}

/** A coupler and the nets of its members; −1 is the frame. */
interface Joint {
  readonly id: string;
  readonly a: number;
  readonly b: number;
}

/** About how many places the first round of lines will look at, in the half planes that no draft serves. */
export function workFor(planes: readonly HalfPlane[], train: Train, drafts: Drafts, effort: number): number {
  const open = planes.filter((plane) => !isGoodEnough(drafts.route(routeKey(plane, train)), effort));
  return open.reduce(
    (total, { columns, rows, terminals }) => total + columns * rows * (terminals.length + 2 * train.couplers.length),
    0,
  );
}

/**
 * routeHalfPlane in full, or what it found for the same half plane before: it comes back with every edit that does not
 * change its shape.
 */
export function draftRoute(plane: HalfPlane, train: Train, drafts: Drafts, effort: Effort): DrawingDraft<Routed> {
  const key = routeKey(plane, train);
  const known = drafts.route(key);
  if (isGoodEnough(known, effort.allowed)) return known;
  const found = routeHalfPlane(plane, train, ROUNDS, effort);
  drafts.keepRoute(key, found);
  return found;
}

function routeKey(plane: HalfPlane, train: Train): string {
  const joints = train.couplers.flatMap((coupler) => ('joins' in coupler ? [[coupler.id, ...coupler.joins]] : []));
  return JSON.stringify([
    plane.columns,
    plane.rows,
    plane.bodies.map(({ gear, x, end, from, to }) => [gear.member, x, end, from, to]),
    plane.terminals,
    plane.pins,
    [...plane.central],
    joints,
  ]);
}

/** Rounds of negotiation for a drawing that is kept. */
export const ROUNDS = 14;

/** What it costs to stand so near a gear or another coupler that their symbols touch. */
const CROWDING = 12;

/**
 * Finds every member's lines and every coupler's place in a half plane by negotiated congestion (PathFinder, McMurchie
 * and Ebeling 1995): each round takes up one member after the other and lays it anew among the rest, then the couplers;
 * crossing and sharing get dearer every round, and dearest where they happened before. One round is always made; the
 * effort ends the others.
 */
export function routeHalfPlane(plane: HalfPlane, train: Train, rounds: number, effort: Effort): DrawingDraft<Routed> {
  const members = membersOf(plane, train);
  const joints = jointsOf(train, members);
  const grid = gridOf(plane, members);
  const trees = new Map<number, LinePiece>();
  const links = new Map<Joint, Link>();
  const order = members
    .map((_, i) => i)
    .sort((a, b) => Number(plane.central.has(itemAt(members, b))) - Number(plane.central.has(itemAt(members, a))));
  let best: Routed | null = null;
  for (let round = 0; round < rounds; round++) {
    if (best && effort.left === 0) return { work: best, finished: false, allowed: effort.allowed };
    const crossing = 14 + 12 * round;
    const prices = (net: number): Prices => ({
      crossing,
      share: 60 + 60 * round,
      centre: plane.central.has(itemAt(members, net)) ? 0 : 8,
    });
    for (const net of order) {
      trees.delete(net);
      paint(net);
      const tree = layTree(grid, plane, itemAt(members, net), net, prices(net), effort);
      if (tree) trees.set(net, tree);
    }
    // A coupler may start from another's line, so all of them are taken up before any is laid.
    links.clear();
    for (const joint of joints) {
      paint();
      const lost = [joint.a, joint.b].some(
        (net) => net >= 0 && plane.terminals.some(({ member }) => member === members[net]) && cellsOf(net).length === 0,
      );
      const crowd = [...links.values()].map(({ symbol }) => symbol.at);
      const link = lost ? null : layLink(grid, joint, cellsOf, prices(Math.max(joint.a, joint.b)), crowd, effort);
      if (link) links.set(joint, link);
    }
    paint();
    const found = result();
    if (!best || found.cost < best.cost) best = found;
    if (found.faults === 0 && found.crossings.length === 0) break;
    grid.remember();
  }
  return { work: required(best), finished: true, allowed: effort.allowed };

  function paint(without = -1): void {
    grid.clear();
    for (const [net, tree] of trees) grid.paint(net, tree);
    for (const [joint, { middle, a, b }] of links) {
      if (without >= 0 && (joint.a === without || joint.b === without)) continue;
      grid.paint(joint.a < 0 ? FRAME_NET : joint.a, a);
      grid.paint(joint.b < 0 ? FRAME_NET : joint.b, b);
      grid.paint(FRAME_NET, middle);
    }
  }

  function cellsOf(net: number): number[] {
    const cells = [...(trees.get(net)?.cells ?? [])];
    for (const [joint, { a, b }] of links) {
      if (joint.a === net) cells.push(...a.cells);
      if (joint.b === net) cells.push(...b.cells);
    }
    for (const terminal of plane.terminals)
      if (terminal.member === members[net])
        cells.push(...terminal.cells.map(grid.at).filter((at) => grid.net[at] === -1));
    return cells;
  }

  function result(): Routed {
    const missing = order.filter((net) => !trees.has(net)).length + joints.length - links.size;
    const pieces = members.map((_, net) =>
      [
        trees.get(net),
        ...[...links].flatMap(([joint, { a, b }]) => [
          joint.a === net ? a : undefined,
          joint.b === net ? b : undefined,
        ]),
      ].filter((piece) => piece !== undefined),
    );
    const cost = [...trees.values(), ...[...links.values()].flatMap(({ a, b }) => [a, b])].reduce(
      (total, piece) => total + piece.cost,
      0,
    );
    const { crossings, clashes } = grid.conflicts();
    const cells = new Map(
      members.map((member, net) => [
        member,
        new Set(itemAt(pieces, net).flatMap((piece) => piece.cells.map((at) => planeCellKey(grid.cell(at))))),
      ]),
    );
    return {
      links: new Map(
        members.map((member, net) => [
          member,
          itemAt(pieces, net).flatMap((piece) =>
            piece.links.map(([from, to]) => [grid.cell(from), grid.cell(to)] as const),
          ),
        ]),
      ),
      cells,
      symbols: [...links.values()].map(({ symbol }) => symbol),
      crossings: crossings.map(grid.cell),
      faults: missing + clashes,
      cost: cost + (missing + clashes) * 1000 + crossings.length * 100,
    };
  }
}

function membersOf(plane: HalfPlane, train: Train): string[] {
  const members = new Set(plane.terminals.map(({ member }) => member));
  // Members without a gear are reached through the couplers that join them to others.
  for (let before = -1; before !== members.size;) {
    before = members.size;
    for (const coupler of train.couplers) {
      if ('joins' in coupler && coupler.joins.some((id) => members.has(id)))
        coupler.joins.forEach((id) => id !== FRAME && members.add(id));
    }
  }
  return [...members];
}

function jointsOf(train: Train, members: readonly string[]): Joint[] {
  const nets = new Map(members.map((member, net) => [member, net]));
  return train.couplers.flatMap((coupler) => {
    if (!('joins' in coupler) || !coupler.joins.some((id) => nets.has(id))) return [];
    const [a, b] = coupler.joins.map((id) => nets.get(id) ?? -1) as [number, number];
    return [{ id: coupler.id, a, b }];
  });
}

function gridOf(plane: HalfPlane, members: readonly string[]): RoutingGrid {
  const grid = new RoutingGrid(plane.columns, plane.rows);
  for (const body of plane.bodies)
    for (let x = body.x; x <= body.end; x++)
      for (let row = body.from; row <= body.to; row++) grid.blocked[grid.at({ x, row })] = 1;
  for (const { x, end, from, to } of plane.bodies) {
    for (const near of [x - 1, end + 1])
      for (let row = Math.max(0, from - 1); row <= Math.min(plane.rows - 1, to); row++)
        grid.beside[grid.at({ x: near, row })] = 1;
  }
  for (const cell of plane.closed) grid.blocked[grid.at(cell)] = 1;
  for (const { row, x1, x2 } of plane.pins) for (let x = x1; x <= x2; x++) grid.blocked[grid.at({ x, row })] = 1;
  for (const { member, cells, kept } of plane.terminals) {
    for (const cell of cells) {
      grid.blocked[grid.at(cell)] = 0;
      if (kept || cells.length === 1) grid.reserved[grid.at(cell)] = members.indexOf(member);
    }
  }
  return grid;
}

/** A member's own lines: its terminals joined one after the other, each by the cheapest way from what lies already. */
function layTree(
  grid: RoutingGrid,
  plane: HalfPlane,
  member: string,
  net: number,
  prices: Prices,
  effort: Effort,
): LinePiece | null {
  const terminals = plane.terminals
    .filter((terminal) => terminal.member === member)
    .sort((a, b) => a.cells.length - b.cells.length);
  const [first] = terminals;
  if (!first) return pieceOf([], [], 0);
  const open = new Set(terminals.slice(1));
  const cells: number[] = [];
  const links: (readonly [number, number])[] = [];
  let cost = 0;
  // All places of a terminal hang together through the part itself: either end of a pin will do, or both.
  const free = (terminal: Terminal) => terminal.cells.map(grid.at).filter((at) => grid.net[at] === -1);
  const joined = new Set([first]);
  let starts = free(first);
  while (open.size > 0) {
    const goals = new Map(
      [...open].flatMap((terminal) => terminal.cells.map((cell) => [grid.at(cell), terminal] as const)),
    );
    const met = starts.find((at) => goals.has(at));
    if (met !== undefined) {
      cells.push(met);
      reach(lookUp(goals, met));
      continue;
    }
    const look = (window: Window) => spread(grid, starts, net, prices, window, effort, (at) => goals.has(at));
    const near = look(windowOf(grid, [...starts, ...goals.keys()]));
    const field = near.reached >= 0 ? near : look(everywhere(grid));
    if (field.reached < 0) return null;
    const way = wayBack(field, field.reached);
    cells.push(...way.cells);
    links.push(...way.links);
    cost += way.cost;
    reach(lookUp(goals, field.reached >> 2));
  }
  return pieceOf(cells, links, cost);

  function reach(terminal: Terminal): void {
    open.delete(terminal);
    joined.add(terminal);
    starts = [...cells, ...[...joined].flatMap(free)];
  }
}

/** Columns on either side of what is to be joined, to go round what stands in between. */
const DETOUR = 16;

function windowOf(grid: RoutingGrid, cells: readonly number[]): Window {
  let [from, to] = [grid.columns, 0];
  for (const at of cells) {
    from = Math.min(from, at % grid.columns);
    to = Math.max(to, at % grid.columns);
  }
  return { from: from - DETOUR, to: to + DETOUR };
}

const everywhere = (grid: RoutingGrid): Window => ({ from: 0, to: grid.columns - 1 });

/** The way by which a field reached a state. */
function wayBack(field: CostField, last: number): LinePiece {
  const cells = [last >> 2];
  const links: [number, number][] = [];
  for (let at = last; itemAt(field.from, at) >= 0; at = itemAt(field.from, at)) {
    links.push([itemAt(field.from, at) >> 2, at >> 2]);
    cells.push(itemAt(field.from, at) >> 2);
  }
  return pieceOf(cells, links, itemAt(field.cost, last));
}

/**
 * Puts a coupler on the cheapest way between two members' lines, where three free cells stand in a row. A member −1 is
 * the frame, a member without cells starts anywhere.
 */
function layLink(
  grid: RoutingGrid,
  { id, a, b }: Joint,
  cellsOf: (net: number) => number[],
  prices: Prices,
  crowd: readonly PlaneCell[],
  effort: Effort,
): Link | null {
  const startsA = a < 0 ? [] : cellsOf(a);
  const startsB = b < 0 ? [] : cellsOf(b);
  const window = windowOf(grid, [...startsA, ...startsB]);
  const fieldA = startsA.length > 0 ? spread(grid, startsA, a, prices, window, effort) : null;
  const fieldB = startsB.length > 0 ? spread(grid, startsB, b, prices, window, effort) : null;
  let best: { cost: number; middle: number; direction: number; endA: number; endB: number } | null = null;
  for (let middle = 0; middle < grid.size; middle++) {
    if (grid.blocked[middle] || itemAt(grid.reserved, middle) >= 0 || grid.net[middle] !== -1) continue;
    const x = itemAt(grid.column, middle);
    const row = itemAt(grid.row, middle);
    if (x < window.from || x > window.to) continue;
    const beside =
      grid.beside[middle] === 1 || crowd.some((other) => Math.abs(other.x - x) < 2 && Math.abs(other.row - row) < 3);
    const crowding = beside ? CROWDING : 0;
    for (let direction = 0; direction < 4; direction++) {
      const towardsB = grid.step(middle, direction);
      const towardsA = grid.step(middle, opposite(direction));
      if (towardsA < 0 || towardsB < 0 || !grid.open(towardsA, a) || !grid.open(towardsB, b)) continue;
      const endA = arrival(grid, fieldA, towardsA, direction, a);
      const endB = arrival(grid, fieldB, towardsB, opposite(direction), b);
      const cost = endA.cost + endB.cost + itemAt(grid.history, middle) + crowding;
      if (cost < (best?.cost ?? Infinity)) best = { cost, middle, direction, endA: endA.state, endB: endB.state };
    }
  }
  if (!best) return null;
  const { middle, direction } = best;
  const side = (field: CostField | null, end: number, beside: number): LinePiece =>
    field ? wayBack(field, end) : pieceOf([beside], [], 0);
  return {
    symbol: { coupler: id, at: grid.cell(middle), direction },
    middle: pieceOf([middle], [], 0),
    a: side(fieldA, best.endA, grid.step(middle, opposite(direction))),
    b: side(fieldB, best.endB, grid.step(middle, direction)),
  };
}

/**
 * Cheapest way for one side of a coupler to stand on a cell. The frame is all round: it wants to be reached outward,
 * with nothing in between.
 */
function arrival(
  grid: RoutingGrid,
  field: CostField | null,
  at: number,
  direction: number,
  net: number,
): { cost: number; state: number } {
  if (!field) {
    if (net >= 0) return { cost: 0, state: -1 };
    let cost = direction === 1 ? 0 : Infinity;
    for (let out = grid.step(at, 3); out >= 0; out = grid.step(out, 3))
      cost += 3 + (grid.net[out] === -1 && !grid.blocked[out] ? 0 : 25);
    return { cost, state: -1 };
  }
  let best = { cost: Infinity, state: -1 };
  for (let d = 0; d < 4; d++) {
    if (d === opposite(direction)) continue;
    const state = at * 4 + d;
    const cost = itemAt(field.cost, state) + (d === direction || itemAt(field.from, state) < 0 ? 0 : 3);
    if (cost < best.cost) best = { cost, state };
  }
  return best;
}
