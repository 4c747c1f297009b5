import { isGoodEnough, type DrawingDraft, type Drafts } from '../drafts';
import type { Effort } from '../effort';
import type { Train } from '../../train';
import type { HalfPlane } from '../half-plane';
import { routeHalfPlane, ROUNDS } from './negotiation';
import type { Routed } from './routed';

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
