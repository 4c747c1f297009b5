import type { Routed } from './routing/routed';
import { required } from '../required';

/** A piece of work, whether more effort could better it, and how much was allowed for it. */
export interface DrawingDraft<T> {
  readonly work: T;
  readonly finished: boolean;
  readonly allowed: number;
}

/** Drafts as plain data, to hand over to another thread. */
export interface DraftsData {
  readonly orders: ReadonlyMap<string, DrawingDraft<readonly string[]>>;
  readonly routes: ReadonlyMap<string, DrawingDraft<Routed>>;
}

const ORDERS_KEPT = 100;
const ROUTES_KEPT = 64;

/**
 * What is dear in a drawing and comes back with the next one: the order of the figures, and the lines of each half
 * plane. Whoever draws again and again keeps them here; another tooth count then costs no search.
 */
export class Drafts {
  private readonly orders = new Map<string, DrawingDraft<readonly string[]>>();
  private readonly routes = new Map<string, DrawingDraft<Routed>>();

  order = (key: string): DrawingDraft<readonly string[]> | undefined => this.orders.get(key);
  route = (key: string): DrawingDraft<Routed> | undefined => this.routes.get(key);
  keepOrder = (key: string, draft: DrawingDraft<readonly string[]>): void => keep(this.orders, key, draft, ORDERS_KEPT);
  keepRoute = (key: string, draft: DrawingDraft<Routed>): void => keep(this.routes, key, draft, ROUTES_KEPT);

  data = (): DraftsData => ({ orders: this.orders, routes: this.routes });

  /** Takes over what another has found. */
  take({ orders, routes }: DraftsData): void {
    for (const [key, draft] of orders) this.keepOrder(key, draft);
    for (const [key, draft] of routes) this.keepRoute(key, draft);
  }
}

/** Would this much effort find nothing better? */
export const isGoodEnough = <T>(draft: DrawingDraft<T> | undefined, effort: number): draft is DrawingDraft<T> =>
  draft !== undefined && (draft.finished || draft.allowed >= effort);

/** Keeps the newest; the one that was kept longest ago goes when there are too many. */
function keep<T>(kept: Map<string, T>, key: string, value: T, most: number): void {
  kept.delete(key);
  kept.set(key, value);
  if (kept.size > most) kept.delete(required(kept.keys().next().value));
}
