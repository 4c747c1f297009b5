import { FRAME, type Train } from '../../train';
import type { HalfPlane } from '../half-plane';
import { RoutingGrid } from './grid';

/** A coupler and the nets of its members; −1 is the frame. */
export interface PlaneJoint {
  readonly id: string;
  readonly a: number;
  readonly b: number;
}

/** The members that have lines here; each is a net. */
export function membersOf(plane: HalfPlane, train: Train): string[] {
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

export function jointsOf(train: Train, members: readonly string[]): PlaneJoint[] {
  const nets = new Map(members.map((member, net) => [member, net]));
  return train.couplers.flatMap((coupler) => {
    if (!('joins' in coupler) || !coupler.joins.some((id) => nets.has(id))) return [];
    const [a, b] = coupler.joins.map((id) => nets.get(id) ?? -1) as [number, number];
    return [{ id: coupler.id, a, b }];
  });
}

/** The half plane as cells, with what stands in them. */
export function routingGridOf(plane: HalfPlane, members: readonly string[]): RoutingGrid {
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
