import { createStore, del, delMany, entries, setMany } from 'idb-keyval';
import type { Train } from '@/core/train';
import { lookUp } from '@/core/required';

/** What a window had of a train: its document, its undo and redo, and whether the server has it yet. */
export interface KeptWork {
  readonly past: readonly Train[];
  readonly present: Train;
  readonly future: readonly Train[];
  /** The version on the server that it grew from. */
  readonly version: number;
  readonly unsaved: boolean;
}

/** As it lies in the browser's database: states are kept apart, each written once. */
interface Entry extends Omit<KeptWork, 'past' | 'present' | 'future'> {
  readonly past: readonly string[];
  readonly present: string;
  readonly future: readonly string[];
  readonly at: number;
}

/** Steps of undo, and of redo, that survive a reload. */
const KEPT_STEPS = 200;

/**
 * The browser's own copy of what windows have open: keys "bench/TRAIN/WINDOW" hold an entry,
 * "state/TRAIN/WINDOW/NUMBER" a document. Every window writes under its own name, so that two with the same train never
 * write over each other.
 */
const database = createStore('tin-wheel', 'benches');

export const workKey = (trainId: string, windowId: string): string => `bench/${trainId}/${windowId}`;
const stateKey = (trainId: string, windowId: string, number: number): string =>
  `state/${trainId}/${windowId}/${number}`;

/** Writes one window's bench, again and again; documents that were written are not written again. */
export class WorkKeeper {
  private readonly keys = new WeakMap<Train, string>();
  private written: ReadonlySet<string>;
  private next = Date.now();

  /**
   * `found` is what this very window left before a reload: its documents are not written again, and cleared away when
   *   they are not needed.
   */
  constructor(
    private readonly trainId: string,
    private readonly windowId: string,
    found: FoundWork | null,
  ) {
    const own = found?.windowId === windowId ? found.documents : [];
    for (const [key, train] of own) this.keys.set(train, key);
    this.written = new Set(own.map(([key]) => key));
  }

  async keep({ past, present, future, version, unsaved }: KeptWork): Promise<void> {
    const fresh: [string, Train][] = [];
    const keyOf = (train: Train): string => {
      const known = this.keys.get(train);
      if (known) return known;
      const key = stateKey(this.trainId, this.windowId, this.next++);
      this.keys.set(train, key);
      fresh.push([key, train]);
      return key;
    };
    const entry: Entry = {
      past: past.slice(-KEPT_STEPS).map(keyOf),
      present: keyOf(present),
      future: future.slice(-KEPT_STEPS).map(keyOf),
      version,
      unsaved,
      at: Date.now(),
    };
    const needed = new Set([...entry.past, entry.present, ...entry.future]);
    // A document that fell out of the steps and came back has to be written again.
    for (const train of [...past, present, ...future]) {
      const key = this.keys.get(train);
      if (key && needed.has(key) && !this.written.has(key) && !fresh.some(([other]) => other === key))
        fresh.push([key, train]);
    }
    const gone = [...this.written].filter((key) => !needed.has(key));
    this.written = needed;
    await setMany([...fresh, [workKey(this.trainId, this.windowId), entry]], database);
    if (gone.length > 0) await delMany(gone, database);
  }
}

/** A bench found again, and how to let go of it. */
export interface FoundWork extends KeptWork {
  readonly windowId: string;
  /** Every document that window wrote, by its key. */
  readonly documents: readonly (readonly [string, Train])[];
  readonly forget: () => Promise<void>;
}

/**
 * What closed or reloaded windows left of a train: this window's own first, then the newest. Benches of windows that
 * are open now are left alone; an older one with nothing unsaved is of no use any more and is forgotten.
 */
export async function findWork(
  trainId: string,
  windowId: string,
  open: ReadonlySet<string>,
): Promise<FoundWork | null> {
  const all = await entries<string, Entry | Train>(database);
  const states = new Map(all.filter(([key]) => key.startsWith(`state/${trainId}/`)) as [string, Train][]);
  const statesOf = (owner: string) => [...states].filter(([key]) => key.startsWith(`state/${trainId}/${owner}/`));
  const forget = (owner: string) => async () => {
    await del(workKey(trainId, owner), database);
    await delMany(
      statesOf(owner).map(([key]) => key),
      database,
    );
  };
  const left = (all.filter(([key]) => key.startsWith(`bench/${trainId}/`)) as [string, Entry][])
    .map(([key, entry]) => ({ owner: key.slice(`bench/${trainId}/`.length), entry }))
    .filter(({ owner, entry }) => (owner === windowId || !open.has(owner)) && states.has(entry.present))
    .sort(
      (a, b) =>
        Number(b.owner === windowId) - Number(a.owner === windowId) ||
        Number(b.entry.unsaved) - Number(a.entry.unsaved) ||
        b.entry.at - a.entry.at,
    );
  const [first, ...others] = left;
  for (const { owner, entry } of others) if (!entry.unsaved) await forget(owner)();
  if (!first) return null;
  const { entry, owner } = first;
  const documents = (keys: readonly string[]) => keys.flatMap((key) => states.get(key) ?? []);
  return {
    past: documents(entry.past),
    present: lookUp(states, entry.present),
    future: documents(entry.future),
    version: entry.version,
    unsaved: entry.unsaved,
    windowId: owner,
    documents: statesOf(owner),
    forget: forget(owner),
  };
}
