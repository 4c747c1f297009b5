import { itemAt, required } from '../../required';
import type { Train } from '../../train';
import type { DrawingDraft } from '../drafts';
import type { Effort } from '../effort';
import type { HalfPlane } from '../half-plane';
import { FRAME_NET, type RoutingGrid } from './grid';
import { layLink, type Link } from './lay-link';
import { layTree } from './lay-tree';
import type { LinePiece } from './piece';
import { routingGridOf, jointsOf, membersOf, type PlaneJoint } from './plane-grid';
import { planeCellKey, type Routed } from './routed';
import type { Prices } from './search';

/** Rounds of negotiation for a drawing that is kept. */
export const ROUNDS = 14;

/** What lies so far: each member's own lines, and each coupler in its place. */
interface Negotiation {
  readonly plane: HalfPlane;
  readonly members: readonly string[];
  readonly joints: readonly PlaneJoint[];
  readonly grid: RoutingGrid;
  /** The nets as they are laid: those on the central axis first. */
  readonly order: readonly number[];
  readonly trees: Map<number, LinePiece>;
  readonly links: Map<PlaneJoint, Link>;
}

/**
 * Finds every member's lines and every coupler's place in a half plane by negotiated congestion (PathFinder, McMurchie
 * and Ebeling 1995): each round takes up one member after the other and lays it anew among the rest, then the couplers;
 * crossing and sharing get dearer every round, and dearest where they happened before. One round is always made; the
 * effort ends the others.
 */
export function routeHalfPlane(plane: HalfPlane, train: Train, rounds: number, effort: Effort): DrawingDraft<Routed> {
  const negotiation = beginNegotiation(plane, train);
  let best: Routed | null = null;
  for (let round = 0; round < rounds; round++) {
    if (best && effort.left === 0) return { work: best, finished: false, allowed: effort.allowed };
    layMembers(negotiation, round, effort);
    layCouplers(negotiation, round, effort);
    const found = resultOf(negotiation);
    if (!best || found.cost < best.cost) best = found;
    if (found.faults === 0 && found.crossings.length === 0) break;
    negotiation.grid.remember();
  }
  return { work: required(best), finished: true, allowed: effort.allowed };
}

function beginNegotiation(plane: HalfPlane, train: Train): Negotiation {
  const members = membersOf(plane, train);
  const isCentral = (net: number) => Number(plane.central.has(itemAt(members, net)));
  return {
    plane,
    members,
    joints: jointsOf(train, members),
    grid: routingGridOf(plane, members),
    order: [...members.keys()].sort((a, b) => isCentral(b) - isCentral(a)),
    trees: new Map(),
    links: new Map(),
  };
}

/** What a net pays in a round: crossing and sharing get dearer every time. */
const pricesOf = ({ plane, members }: Negotiation, round: number, net: number): Prices => ({
  crossing: 14 + 12 * round,
  share: 60 + 60 * round,
  centre: plane.central.has(itemAt(members, net)) ? 0 : 8,
});

/** Takes up one member after the other, and lays it anew among the rest. */
function layMembers(negotiation: Negotiation, round: number, effort: Effort): void {
  const { plane, members, grid, order, trees } = negotiation;
  for (const net of order) {
    trees.delete(net);
    paint(negotiation, net);
    const tree = layTree(grid, plane, itemAt(members, net), net, pricesOf(negotiation, round, net), effort);
    if (tree) trees.set(net, tree);
  }
}

/** A coupler may start from another's line, so all of them are taken up before any is laid. */
function layCouplers(negotiation: Negotiation, round: number, effort: Effort): void {
  const { plane, members, joints, grid, links } = negotiation;
  const cells = (net: number) => cellsOf(negotiation, net);
  const isLost = (net: number) =>
    net >= 0 && plane.terminals.some(({ member }) => member === members[net]) && cells(net).length === 0;
  links.clear();
  for (const joint of joints) {
    paint(negotiation);
    if ([joint.a, joint.b].some(isLost)) continue;
    const crowd = [...links.values()].map(({ symbol }) => symbol.at);
    const prices = pricesOf(negotiation, round, Math.max(joint.a, joint.b));
    const link = layLink(grid, joint, cells, prices, crowd, effort);
    if (link) links.set(joint, link);
  }
  paint(negotiation);
}

/** Puts what lies onto the grid; what couplers add to one net may be left off. */
function paint({ grid, trees, links }: Negotiation, without = -1): void {
  grid.clear();
  for (const [net, tree] of trees) grid.paint(net, tree);
  for (const [joint, { middle, a, b }] of links) {
    if (without >= 0 && (joint.a === without || joint.b === without)) continue;
    grid.paint(joint.a < 0 ? FRAME_NET : joint.a, a);
    grid.paint(joint.b < 0 ? FRAME_NET : joint.b, b);
    grid.paint(FRAME_NET, middle);
  }
}

/** Where a net lies, and where it may be reached. */
function cellsOf({ plane, members, grid, trees, links }: Negotiation, net: number): number[] {
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

function resultOf({ members, joints, grid, order, trees, links }: Negotiation): Routed {
  const missing = order.filter((net) => !trees.has(net)).length + joints.length - links.size;
  const pieces = members.map((_, net) =>
    [
      trees.get(net),
      ...[...links].flatMap(([joint, { a, b }]) => [joint.a === net ? a : undefined, joint.b === net ? b : undefined]),
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
