import type { DraftsData } from '@/core/drawing';
import { keepStored, stored } from '@/ui/stored';

/** As many are remembered; the one that was found longest ago goes. */
const MOST = 40;
const KEY = 'tin-wheel-orders';

type Orders = DraftsData['orders'];

/**
 * The orders of figures that longer searches found in this browser, by the structure of their train: so a train that
 * is opened again, or its copy, stands in the order in which it was last seen.
 */
export function rememberedOrders(): Orders {
  const kept = stored(KEY);
  return new Map(Array.isArray(kept) && kept.every(isEntry) ? kept : []);
}

/** Remembers these too. */
export function rememberOrders(found: Orders): void {
  const all = new Map([...rememberedOrders()].filter(([key]) => !found.has(key)));
  for (const [key, draft] of found) all.set(key, draft);
  keepStored(KEY, [...all].slice(-MOST));
}

type Entry = Orders extends ReadonlyMap<infer K, infer V> ? [K, V] : never;

function isEntry(entry: unknown): entry is Entry {
  const [key, draft] = Array.isArray(entry) ? (entry as [unknown, Partial<Entry[1]> | null]) : [];
  return (
    typeof key === 'string' &&
    Array.isArray(draft?.work) &&
    draft.work.every((figure) => typeof figure === 'string') &&
    typeof draft.finished === 'boolean' &&
    typeof draft.allowed === 'number'
  );
}
