'use client';

import { useEffect, useState } from 'react';

/** So long a value has to stay as it is. */
const SETTLED_MS = 150;

/** A value once it has stopped changing: for what is dear to draw and need not keep up with every key. */
export function useSettled<T>(value: T): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    if (Object.is(value, settled)) return;
    const timer = setTimeout(() => setSettled(() => value), SETTLED_MS);
    return () => clearTimeout(timer);
  }, [value, settled]);
  return settled;
}
