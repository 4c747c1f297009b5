import {
  chainFinding,
  pairsOfResult,
  passes,
  sharing,
  type Chain,
  type ResultFilter,
  type SearchResult,
  type WaysToRatio,
} from '@/core/tooth-search';
import { itemAt } from '@/core/required';

/** What is ticked and typed above the results. */
export interface FilterText {
  readonly noUndercut: boolean;
  readonly coprime: boolean;
  readonly largest: string;
}

export const NO_FILTER: FilterText = { noUndercut: false, coprime: false, largest: '' };

/** What is typed, read; null where it is no number of teeth. */
export function readFilter({ largest, ...ticked }: FilterText): ResultFilter | null {
  if (largest.trim() === '') return { ...ticked, largest: null };
  const teeth = Number(largest);
  return Number.isInteger(teeth) && teeth > 0 ? { ...ticked, largest: teeth } : null;
}

/** The ways that pass, the chain itself first among those with as many teeth. */
export const waysWithin = (ways: readonly Chain[], filter: ResultFilter): readonly Chain[] =>
  ways.filter((one) => passes(one, filter));

/** The same result with another chain of the same ratio. */
export const withChain = (result: SearchResult, chain: Chain): SearchResult => ({
  ...chainFinding(chain, itemAt(result.ratios, 0)),
  key: result.key,
});

/** The results that pass; a ratio whose first chain does not goes by another way to make it that does. */
export function filtered(
  results: readonly SearchResult[],
  filter: ResultFilter,
  ways: ReadonlyMap<string, WaysToRatio>,
): readonly SearchResult[] {
  if (!filter.noUndercut && !filter.coprime && filter.largest === null) return results;
  return results.flatMap((result) => {
    if (result.made.kind === 'teeth' ? fitPasses(result, filter) : passes(pairsOfResult(result), filter))
      return [result];
    const [other] = waysWithin(ways.get(result.key)?.ways ?? [], filter);
    return other ? [withChain(result, other)] : [];
  });
}

/** Of a fit the counts that change are looked at, and the pairs that share a factor. */
const fitPasses = (result: SearchResult, { coprime, largest }: ResultFilter): boolean =>
  (!coprime || result.sharing === 0) && (largest === null || result.largest <= largest);

/** What there is to know about a way beside its counts. */
export const wayNotes = (chain: Chain): string =>
  [
    passes(chain, { noUndercut: true, coprime: false, largest: null }) ? '' : 'undercut',
    sharing(chain) > 0 ? 'common factor' : '',
  ]
    .filter(Boolean)
    .join(', ');
