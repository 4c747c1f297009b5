interface Sequence {
  readonly length: number;
  readonly [at: number]: unknown;
}

/** How much of two texts or lists is alike at the beginning and at the end; what lies between has changed. */
export function changedSpan(was: Sequence, now: Sequence): { readonly start: number; readonly end: number } {
  const least = Math.min(was.length, now.length);
  let start = 0;
  while (start < least && was[start] === now[start]) start++;
  let end = 0;
  while (end < least - start && was[was.length - 1 - end] === now[now.length - 1 - end]) end++;
  return { start, end };
}
