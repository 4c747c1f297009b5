/** What this browser keeps under a key; null where it keeps nothing that reads, or has no storage. */
export function stored(key: string): unknown {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as unknown;
  } catch {
    return null;
  }
}

/** Keeps a value, or with null forgets it; without storage, or with none left, it lasts as long as the window. */
export function keepStored(key: string, value: unknown): void {
  try {
    if (value === null) localStorage.removeItem(key);
    else localStorage.setItem(key, JSON.stringify(value));
  } catch {
    // As said: nothing is kept then.
  }
}
