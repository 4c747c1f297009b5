import { useEffect, useState } from 'react';
import { contradicted } from '@/core/measurement';
import { itemAt } from '@/core/required';
import type { ReadingRow } from '../rows';

/** So long the page may be held at a time. */
const SLICE_MS = 8;

const NONE: ReadonlySet<string> = new Set();

/**
 * The readings that another contradicts. All have to be judged for that, so it is done a slice at a time, behind what
 * is seen.
 */
export function useContradicted(rows: readonly ReadingRow[]): ReadonlySet<string> {
  const [found, setFound] = useState(NONE);
  useEffect(() => {
    let at = 0;
    let timer: ReturnType<typeof setTimeout>;
    const judgeSome = () => {
      const until = performance.now() + SLICE_MS;
      while (at < rows.length && performance.now() < until) void itemAt(rows, at++).judged;
      if (at < rows.length) timer = setTimeout(judgeSome);
      else setFound(contradicted(rows.flatMap(({ judged }) => judged ?? [])));
    };
    timer = setTimeout(judgeSome);
    return () => clearTimeout(timer);
  }, [rows]);
  return found;
}
