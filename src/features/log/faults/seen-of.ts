import { readFigure } from '@/core/units';
import type { Seen } from '@/core/faults';
import type { Sight, TriedEngagement } from '../store';

/** What is marked as a file of what was seen; what is marked as another ratio without sound bounds is left out. */
export function seenOf(sights: Readonly<Record<string, Sight>>, tried: readonly TriedEngagement[]): Seen {
  const entries = Object.entries(sights);
  return {
    format: 'tin-wheel/seen',
    version: 1,
    positions: Object.fromEntries(entries.flatMap(([id, { look }]) => (look === 'ratio' ? [] : [[id, look]]))),
    ratios: Object.fromEntries(entries.flatMap(([id, sight]) => ratioOf(sight, (bounds) => [id, bounds] as const))),
    tried: tried.flatMap(({ engaged, sight }): NonNullable<Seen['tried']> =>
      sight.look === 'ratio'
        ? ratioOf(sight, (ratio) => ({ engaged: [...engaged], ratio }))
        : [{ engaged: [...engaged], seen: sight.look }],
    ),
  };
}

function ratioOf<T>({ look, least, most }: Sight, make: (bounds: [number, number]) => T): T[] {
  const [low, high] = [least, most].map((text) => readFigure(text)) as [number, number];
  return look === 'ratio' && low > 0 && high >= low ? [make([low, high])] : [];
}

/** A file of what was seen, as it is marked. */
export function sightsOf({ positions = {}, ratios = {}, tried = [] }: Seen): {
  readonly sights: Readonly<Record<string, Sight>>;
  readonly tried: readonly TriedEngagement[];
} {
  const looked = (look: Sight['look']): Sight => ({ look, least: '', most: '' });
  const measured = ([least, most]: readonly [number, number]): Sight => ({
    look: 'ratio',
    least: String(least),
    most: String(most),
  });
  return {
    sights: {
      ...Object.fromEntries(Object.entries(positions).map(([id, look]) => [id, looked(look)])),
      ...Object.fromEntries(Object.entries(ratios).map(([id, bounds]) => [id, measured(bounds)])),
    },
    tried: tried.map(({ engaged, seen, ratio }) => ({
      engaged,
      sight: ratio ? measured(ratio) : looked(seen ?? 'ok'),
    })),
  };
}
