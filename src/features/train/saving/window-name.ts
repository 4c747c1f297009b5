'use client';

const KEY = 'tin-wheel-window';
const LOCK = 'tin-wheel window ';

/**
 * This window's own name, the same after a reload, and the names of all windows that are open now. A window holds a
 * lock of its name for as long as it lives; a duplicated window finds its name taken and gets another.
 */
export async function windowName(): Promise<{ readonly own: string; readonly open: ReadonlySet<string> }> {
  const open = await openWindows();
  const kept = sessionStorage.getItem(KEY);
  const own = kept !== null && !open.has(kept) ? kept : Math.random().toString(36).slice(2);
  sessionStorage.setItem(KEY, own);
  if (!holding.has(own)) {
    holding.add(own);
    void navigator.locks?.request(LOCK + own, () => new Promise(() => undefined));
  }
  return { own, open };
}

/** Names that this page holds itself. */
const holding = new Set<string>();

async function openWindows(): Promise<ReadonlySet<string>> {
  const held = (await navigator.locks?.query())?.held ?? [];
  return new Set(
    held.flatMap(({ name }) =>
      name?.startsWith(LOCK) && !holding.has(name.slice(LOCK.length)) ? [name.slice(LOCK.length)] : [],
    ),
  );
}
