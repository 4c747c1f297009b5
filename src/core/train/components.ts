import { itemAt, lookUp } from '../required';
/**
 * Groups what is linked, directly or through others: connected components of a graph.
 * @param items every item once; groups come in the order in which their first items stand here, and so do the items of
 *   each.
 * @param links pairs; those that name anything else are passed over.
 */
export function components<T>(items: Iterable<T>, links: Iterable<readonly [T, T]>): T[][] {
  const all = [...new Set(items)];
  const neighbours = new Map(all.map((item): [T, T[]] => [item, []]));
  for (const [a, b] of links) {
    if (!neighbours.has(a) || !neighbours.has(b)) continue;
    lookUp(neighbours, a).push(b);
    lookUp(neighbours, b).push(a);
  }
  const place = new Map(all.map((item, i) => [item, i]));
  const seen = new Set<T>();
  const groups: T[][] = [];
  for (const first of all) {
    if (seen.has(first)) continue;
    seen.add(first);
    const group = [first];
    for (let next = 0; next < group.length; next++)
      for (const item of lookUp(neighbours, itemAt(group, next)))
        if (!seen.has(item)) {
          seen.add(item);
          group.push(item);
        }
    groups.push(group.sort((a, b) => lookUp(place, a) - lookUp(place, b)));
  }
  return groups;
}
