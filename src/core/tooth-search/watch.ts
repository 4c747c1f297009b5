/**
 * Says when what is found so far is told, and when the time that was allowed is over. The clock is handed in, so that
 * without one no answer hangs on a machine's speed.
 */
export interface SearchWatch {
  /** Is it time to tell again? */
  readonly due: () => boolean;
  /** Is the time over? */
  readonly over: () => boolean;
}

/** Nothing is told on the way and there is no end but the search's own. */
export const UNWATCHED: SearchWatch = { due: () => false, over: () => false };

/** What is found so far is told first after, and then every, so many milliseconds. */
const [FIRST_MS, EVERY_MS] = [100, 200];

/** @param elapsedMs since the search began @param limitS seconds allowed; null for no limit */
export function watchOf(elapsedMs: () => number, limitS: number | null): SearchWatch {
  let next = FIRST_MS;
  const limitMs = limitS === null ? Infinity : 1000 * limitS;
  return {
    due: () => {
      const now = elapsedMs();
      if (now < next) return false;
      next = now + EVERY_MS;
      return true;
    },
    over: () => elapsedMs() >= limitMs,
  };
}
