import {
  AT_ONCE,
  Drafts,
  drawSideView,
  FIRST_SIGHT,
  type DraftsData,
  type DrawnTrain,
  SPACES,
  type SideView,
} from '@/core/drawing';
import { endView, type Station } from '@/core/end-view';
import type { Train } from '@/core/train';
import { DOCUMENTS, Recent } from './recent';
import { rememberedOrders, rememberOrders } from './remembered-orders';
import { required } from '@/core/required';

export type ShownView = Extract<DrawnTrain, { ok: true }>;

/** What was found for earlier drawings in this window, here and by the worker, and orders found before it opened. */
const drafts = new Drafts();
drafts.take({ orders: rememberedOrders(), routes: new Map() });
const drawn = new Recent<Train, DrawnTrain>(DOCUMENTS);
const cut = new Recent<Train, { readonly order: readonly string[]; readonly stations: readonly Station[] }>(DOCUMENTS);

/**
 * A train's side view, where it can be had at once: in the best order that a short search finds, or from any draft that
 * there is.
 */
export function sideViewNow(train: Train): DrawnTrain {
  const known = drawn.get(train);
  if (known) return known;
  const quick = drawSideView(train, SPACES.bench, { drafts, effort: AT_ONCE, atOnce: AT_ONCE });
  const fresh =
    quick.ok || !quick.later ? quick : drawSideView(train, SPACES.bench, { drafts, effort: FIRST_SIGHT, atOnce: 0 });
  drawn.set(train, fresh);
  return fresh;
}

/** Takes over what was found for a train elsewhere; its side view is drawn anew when it is asked for. */
export function keepDrafts(train: Train, found: DraftsData): void {
  drafts.take(found);
  rememberOrders(found.orders);
  drawn.delete(train);
}

/** What is known for drawings, to be handed to a worker that lays the same train out. */
export const knownDrafts = (): DraftsData => drafts.data();

/** Takes over a side view that the server drew. */
export const keepDrawn = (train: Train, found: DrawnTrain): void => void drawn.set(train, found);

/**
 * The side view to show: the train's own, or, until that is there, the one before as far as all its parts are still
 * there.
 */
export function sideViewToShow(train: Train, before: ShownView | null): DrawnTrain {
  const now = sideViewNow(train);
  return !now.ok && now.later && before && showsOnly(before.view, train) ? before : now;
}

function showsOnly(view: SideView, train: Train): boolean {
  const [gears, couplers, members] = [train.gears, train.couplers, train.members].map(
    (parts) => new Set(parts.map(({ id }) => id)),
  );
  return (
    view.gears.every(({ gear }) => required(gears).has(gear)) &&
    view.couplers.every(({ coupler }) => required(couplers).has(coupler)) &&
    view.lines.every(({ member }) => required(members).has(member)) &&
    view.ties.every(({ mesh }) => train.meshes.some(({ id }) => id === mesh))
  );
}

/** Its stations, the cuts that the end view shows, in the order of the side view. */
export function stationsOf(train: Train): readonly Station[] {
  const shown = sideViewNow(train);
  const order = shown.ok ? shown.view.order : NO_ORDER;
  const known = cut.get(train);
  if (known?.order === order) return known.stations;
  const stations = endView(train, order);
  cut.set(train, { order, stations });
  return stations;
}

const NO_ORDER: readonly string[] = [];
