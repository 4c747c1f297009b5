'use client';

import { useState } from 'react';

/** A list as it was before, as long as it holds the same items in the same order. */
export function useSameList<T>(list: readonly T[]): readonly T[] {
  const [last, setLast] = useState(list);
  if (last === list) return last;
  if (last.length === list.length && last.every((item, i) => Object.is(item, list[i]))) return last;
  setLast(list);
  return list;
}
