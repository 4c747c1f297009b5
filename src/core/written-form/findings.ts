import type { Train } from '../train';

const LISTS = ['gears', 'members', 'couplers', 'positions'] as const;
const BETWEEN = ' / ';

/**
 * The name of a finding (see core/checks) about parts of one document, as it is about the same parts of another, part
 * for part in the order of their lists.
 */
export function withIdsInFindings(finding: string, from: Train, to: Train): string {
  const [kind, ...ids] = finding.split(BETWEEN);
  // Ids stand list by list, in order of letters within each: an id that is before the one ahead begins the next list.
  let list = 0;
  const placed = ids.map((id, i) => {
    const before = ids[i - 1];
    if (before !== undefined && before >= id) list++;
    while (list < LISTS.length && !hasId(from, list, id)) list++;
    return { id, list };
  });
  if (placed.some((one) => one.list >= LISTS.length)) return finding;
  const mapped = LISTS.flatMap((name, at) =>
    placed
      .filter((one) => one.list === at)
      .map(({ id }) => to[name][from[name].findIndex((part) => part.id === id)]?.id ?? id)
      .sort(),
  );
  return [kind, ...mapped].join(BETWEEN);
}

const hasId = (train: Train, list: number, id: string): boolean => {
  const name = LISTS[list];
  return name !== undefined && train[name].some((part) => part.id === id);
};
