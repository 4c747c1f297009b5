import { modelOf } from '@/core/model';
import { sign, toNumber } from '@/core/rational';
import type { GivenSet } from '@/core/schemes';
import { trainSetsOf } from '@/core/tooth-search';
import { partsById, type Train } from '@/core/train';

/** Sets and ratios as an address has them: ?set=front,simple,30,78&ratio=2.6 … */
type Params = Readonly<Record<string, string | string[] | undefined>>;

const MOST_SETS = 4;

/** What an address asks about; null where it names no set that can be read. */
export function setsInAddress(params: Params) {
  const all = (key: string) => [params[key] ?? []].flat();
  const sets = all('set').flatMap((text): GivenSet[] => {
    const [id, kind, sun, ring] = text.split(',');
    const counts = [Number(sun), Number(ring)];
    if (!id || (kind !== 'simple' && kind !== 'double-pinion') || !counts.every(Number.isInteger)) return [];
    return [{ id, kind, sun: counts[0] ?? 0, ring: counts[1] ?? 0 }];
  });
  return sets.length === 0 ? null : { sets: sets.slice(0, MOST_SETS), forward: all('ratio').slice(0, 20) };
}

/** The address that asks what else could be made of a train's sets; null where it has none that can be read. */
export function addressOfSets(train: Train): string | null {
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
  return `/schemes?${params.toString()}`;
}
