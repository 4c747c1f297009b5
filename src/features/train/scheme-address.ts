import { modelOf } from '@/core/model';
import { sign, toNumber } from '@/core/rational';
import type { GivenSet } from '@/core/schemes';
import { trainSetsOf } from '@/core/tooth-search';
import { partsById, type Train } from '@/core/train';

/** Sets and ratios as an address has them: ?set=front,simple,30,78&ratio=2.6 … */
type Params = Readonly<Record<string, string | string[] | undefined>>;

const MOST_SETS = 4;

export interface AskedInAddress {
  /** The train on the shelf whose sets they are; null where none is named. */
  readonly train: string | null;
  readonly sets: readonly GivenSet[];
  readonly forward: readonly string[];
}

/** What an address asks about; null where it names no set that can be read. */
export function setsInAddress(params: Params): AskedInAddress | null {
  const all = (key: string) => [params[key] ?? []].flat();
  const sets = all('set').flatMap((text): GivenSet[] => {
    const [id, kind, sun, ring] = text.split(',');
    const counts = [Number(sun), Number(ring)];
    if (!id || (kind !== 'simple' && kind !== 'double-pinion') || !counts.every(Number.isInteger)) return [];
    return [{ id, kind, sun: counts[0] ?? 0, ring: counts[1] ?? 0 }];
  });
  if (sets.length === 0) return null;
  const [train = null] = all('train');
  return { train, sets: sets.slice(0, MOST_SETS), forward: all('ratio').slice(0, 20) };
}

/**
 * The address that asks what else could be made of a train's sets; null where it has none that can be read.
 * @param id what the train is on the shelf
 */
export function addressOfSets(train: Train, id: string | null): string | null {
  const parts = partsById(train);
  const sets = trainSetsOf(train).slice(0, MOST_SETS);
  if (sets.length === 0) return null;
  const names = ['front', 'middle', 'rear', 'last'];
  const params = new URLSearchParams(
    sets.map(({ sun, ring }, i) => [
      'set',
      [names[i] ?? `set ${i}`, 'simple', parts.gear(sun).teeth, parts.gear(ring).teeth].join(','),
    ]),
  );
  for (const { ratio } of modelOf(train).positions().values())
    if (ratio && sign(ratio) > 0) params.append('ratio', String(Number(toNumber(ratio).toPrecision(4))));
  if (id !== null) params.append('train', id);
  return `/schemes?${params.toString()}`;
}
