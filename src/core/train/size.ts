import type { Problem } from './problem';
import { LIMITS } from './limits';

/** No list of a train is longer; one that is would only cost time to look through. */
const LONGEST_LIST = Math.max(...Object.entries(LIMITS).flatMap(([what, most]) => (what === 'teeth' ? [] : [most])));
/** A train at every limit has some 30 000 values. */
const MOST_VALUES = 100_000;
/** What lies deeper belongs to no train, and nobody looks into it. */
const DEPTH = 6;

/** A value that is far larger than any train is refused before every entry of it is looked at; null when it is not. */
export function refuseOversize(value: unknown): Problem | null {
  if (typeof value !== 'object' || value === null) return { path: [], message: 'A train must be a JSON object.' };
  let seen = 0;
  const open: { readonly value: object; readonly path: Problem['path'] }[] = [{ value, path: [] }];
  for (let next = open.pop(); next; next = open.pop()) {
    const { value: holder, path } = next;
    if (Array.isArray(holder) && holder.length > LONGEST_LIST)
      return {
        path,
        message: `${holder.length} entries are more than any list of a train may have (${LONGEST_LIST}).`,
      };
    for (const [key, entry] of Object.entries(holder)) {
      if (++seen > MOST_VALUES)
        return { path: [], message: `This holds more than ${MOST_VALUES} values, which no train has.` };
      if (typeof entry === 'object' && entry !== null && path.length < DEPTH)
        open.push({ value: entry as object, path: [...path, Array.isArray(holder) ? Number(key) : key] });
    }
  }
  return null;
}
