import type { StoreApi } from 'zustand';
import { parseJson } from '@/core/result';

/** Bumped when what a form keeps changes its shape: what was typed into the form of before is left alone. */
const VERSION = 1;
/** What is typed settles for so long before it is written, ms; leaving the page writes it at once. */
const SETTLE_MS = 250;

/** What is typed on a screen and not saved anywhere yet. */
export interface Draft {
  /** Puts what this browser has of it into the store. */
  readonly restore: () => void;
  /** Everything, or only these fields, as it was before anything was typed. */
  readonly beginAnew: (only?: readonly string[]) => void;
  /** Writes now what has not settled. */
  readonly flush: () => void;
}

/** How fields are written down that are no plain values. */
export interface DraftForm<Fields, Written> {
  readonly write: (fields: Fields) => Written;
  readonly read: (written: Written) => Fields;
}

/**
 * Keeps some fields of a screen's store in this browser, so that they outlive a reload, a crash and a server that is
 * away. What has another shape than the store's own first values is not taken.
 * @param name the screen and what it is open for, such as `teeth/harvester`
 */
export function keepDraft<S extends object, K extends keyof S & string, W = Pick<S, K>>(
  store: StoreApi<S>,
  name: string,
  fields: readonly K[],
  form?: DraftForm<Pick<S, K>, W>,
): Draft {
  const key = `tin-wheel-draft/${VERSION}/${name}`;
  const first = pick(store.getState(), fields);
  let timer: ReturnType<typeof setTimeout> | undefined;
  const write = () => {
    clearTimeout(timer);
    timer = undefined;
    globalThis.removeEventListener?.('pagehide', write);
    const now = pick(store.getState(), fields);
    if (fields.every((field) => now[field] === first[field])) inStorage((storage) => storage.removeItem(key));
    else inStorage((storage) => storage.setItem(key, JSON.stringify(form ? form.write(now) : now)));
  };
  const flush = () => {
    if (timer !== undefined) write();
  };
  store.subscribe((state, before) => {
    if (fields.every((field) => state[field] === before[field])) return;
    clearTimeout(timer);
    timer = setTimeout(write, SETTLE_MS);
    // Only until it is written: a store that nobody keeps any more is not held by the page.
    globalThis.addEventListener?.('pagehide', write);
  });
  return {
    restore: () => {
      const text = inStorage((storage) => storage.getItem(key)) ?? null;
      const json = text === null ? null : parseJson(text);
      const kept = json?.ok ? json.value : null;
      if (!isLike(form ? form.write(first) : first, kept)) return;
      const read = form ? attempt(() => form.read(kept as W)) : kept;
      if (read) store.setState(read as Partial<S>);
    },
    beginAnew: (only = fields) => {
      const again = fields.filter((field) => only.includes(field));
      store.setState(pick(first as unknown as S, again) as Partial<S>);
      write();
    },
    flush,
  };
}

const pick = <S extends object, K extends keyof S>(state: S, fields: readonly K[]): Pick<S, K> =>
  Object.fromEntries(fields.map((field) => [field, state[field]])) as Pick<S, K>;

/** Fields that are lists by id or by name: their keys are whatever the train and the kind have. */
const RECORDS = new Set(['figures', 'members', 'free', 'targets', 'up', 'down', 'sights', 'whatIf', 'given']);

/** Has it everything that the first values have, of the same kinds? What was nothing at first may be anything. */
export function isLike(first: unknown, kept: unknown): boolean {
  if (first === null || first === undefined) return true;
  if (Array.isArray(first))
    return Array.isArray(kept) && (first.length === 0 || kept.every((one) => isLike(first[0], one)));
  if (typeof first !== 'object') return typeof kept === typeof first;
  return (
    typeof kept === 'object' &&
    kept !== null &&
    !Array.isArray(kept) &&
    Object.entries(first).every(([field, value]) => {
      const other = (kept as Record<string, unknown>)[field];
      return RECORDS.has(field) && typeof value === 'object' ? isRecordLike(value, other) : isLike(value, other);
    })
  );
}

/** Is each of its values like any that there was at first? */
function isRecordLike(first: unknown, kept: unknown): boolean {
  if (typeof kept !== 'object' || kept === null || Array.isArray(kept)) return false;
  const [sample] = Object.values(first as Record<string, unknown>);
  return Object.values(kept).every((value) => isLike(sample, value));
}

/** What is written down may be damaged in ways that no look at its shape finds. */
function attempt<T>(read: () => T): T | null {
  try {
    return read();
  } catch {
    return null;
  }
}

/** Does something with the browser's storage; a window without one, or with none left, works on and keeps nothing. */
function inStorage<T>(work: (storage: Storage) => T): T | undefined {
  try {
    return work(globalThis.localStorage);
  } catch {
    return undefined;
  }
}
