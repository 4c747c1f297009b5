import { modelOf } from '@/core/model';
import { sign, toNumber } from '@/core/rational';
import { setsOfTrain, type GivenSet } from '@/core/schemes';
import type { Train } from '@/core/train';

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
  const sets = all('set').flatMap((text) => setInAddress(text) ?? []);
  if (sets.length === 0) return null;
  const [train = null] = all('train');
  return { train, sets: sets.slice(0, MOST_SETS), forward: all('ratio').slice(0, 20) };
}

/** The counts of a kind in the order in which an address has them. */
const COUNTS = {
  simple: ['sun', 'ring'],
  'double-pinion': ['sun', 'ring'],
  stepped: ['sun', 'planet', 'second', 'ring'],
} as const;

function setInAddress(text: string): GivenSet | null {
  const [id, kind = '', ...counts] = text.split(',');
  if (!id || !isKind(kind)) return null;
  const named = COUNTS[kind].map((name, i) => [name, Number(counts[i] || NaN)] as const);
  if (!named.every(([, count]) => Number.isInteger(count))) return null;
  return { id, kind, ...Object.fromEntries(named) } as GivenSet;
}

const isKind = (kind: string): kind is GivenSet['kind'] => Object.hasOwn(COUNTS, kind);

const writtenSet = (set: GivenSet): string =>
  [set.id, set.kind, ...COUNTS[set.kind].map((name) => (set as Readonly<Record<string, unknown>>)[name])].join(',');

/**
 * The address that asks what else could be made of a train's sets; null where it has none that can be read.
 * @param id what the train is on the shelf
 */
export function addressOfSets(train: Train, id: string | null): string | null {
  const sets = setsOfTrain(train).slice(0, MOST_SETS);
  if (sets.length === 0) return null;
  const params = new URLSearchParams(sets.map((set) => ['set', writtenSet(set)]));
  for (const { ratio } of modelOf(train).positions().values())
    if (ratio && sign(ratio) > 0) params.append('ratio', String(Number(toNumber(ratio).toPrecision(4))));
  if (id !== null) params.append('train', id);
  return `/schemes?${params.toString()}`;
}
