import type { Chain } from './stage-fractions';
import { itemAt } from '../required';

/**
 * The ways to pair the same wheels, drivers with driven ones, whose product is the same: each once, in the order of
 * their drivers. Wheels with their teeth inside stay where they are.
 */
export function pairingsOf(chain: Chain): readonly Chain[] {
  if (chain.some(([, , teeth]) => teeth === 'internal')) return [chain];
  const drivers = chain.map(([driver]) => driver);
  const found = new Map<string, Chain>();
  for (const driven of ordersOf(chain.map(([, wheel]) => wheel))) {
    const paired: Chain = drivers.map((driver, i) => [driver, itemAt(driven, i)]);
    const key = paired
      .map((pair) => pair.join('/'))
      .sort()
      .join(' ');
    if (!found.has(key)) found.set(key, paired);
  }
  return [...found.values()];
}

function* ordersOf(items: readonly number[]): Generator<readonly number[]> {
  if (items.length <= 1) return yield items;
  for (const [i, first] of items.entries()) {
    if (items.indexOf(first) < i) continue;
    for (const rest of ordersOf(items.filter((_, k) => k !== i))) yield [first, ...rest];
  }
}
