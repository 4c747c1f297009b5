import { partsById, type Gear, type Member, type Train } from '../train';
import { gearsOf, type WrittenRow } from './rows';
import type { MemberClauses } from './write-members';

/**
 * Gears that have to be written ahead of the rows: those without a mesh, and as many of the document's first as the
 * rows would name in another order.
 */
export function gearsAhead({ gears }: Train, rows: readonly WrittenRow[]): readonly Gear[] {
  return gears.slice(0, prefixLength(gears, [...new Set(gearsOf(rows))]));
}

/** Members that have to be listed ahead, for the same reasons; and those of which more is said. */
export function membersAhead(
  train: Train,
  more: MemberClauses,
  ahead: readonly Gear[],
  rows: readonly WrittenRow[],
): readonly Member[] {
  const ids = [
    ...ahead.map(({ member }) => member),
    ...rows.flatMap(({ items, arm }) => [...items.map(({ member }) => member), ...(arm === null ? [] : [arm])]),
  ];
  const named = new Set(ids.flatMap((id) => (more.has(id) ? [] : (partsById(train).find.member(id) ?? []))));
  return train.members.slice(0, prefixLength(train.members, [...named]));
}

/** How many of a list have to stand ahead, so that the others come in their order where they are named. */
function prefixLength<T>(list: readonly T[], named: readonly T[]): number {
  const at = new Map(named.map((part, i) => [part, i]));
  let next = Infinity;
  for (let i = list.length - 1; i >= 0; i--) {
    const own = at.get(list[i] as T) ?? -1;
    if (own < 0 || own > next) return i + 1;
    next = own;
  }
  return 0;
}
