import type { Chains } from './question';
import { INTERNAL_MORE, type Chain } from './stage-fractions';
import { itemAt } from '../required';

/** A chain as it is mounted. */
export interface Arranged {
  readonly chain: Chain;
  /** An idler stands in the first stage, so that the output turns the other way. */
  readonly idler: boolean;
}

/** Does the output turn as the input? Each external mesh turns it round, an internal one does not. */
export const turnsSameWay = (chain: Chain): boolean =>
  chain.filter(([, , teeth]) => teeth !== 'internal').length % 2 === 0;

/**
 * The chain so that its output turns the wanted way: as it is, or with one wheel's teeth inside where that is allowed
 * and the wheel is enough larger than its pinion (the largest such), or with an idler.
 */
export function arranged(chain: Chain, turning: Chains['turning'], internal: boolean): Arranged {
  if (turning === 'any' || turnsSameWay(chain) === (turning === 'same')) return { chain, idler: false };
  const differences = chain.map(([driver, driven, teeth]) => (teeth === 'internal' ? -1 : driven - driver));
  const largest = differences.indexOf(Math.max(...differences));
  if (!internal || itemAt(differences, largest) < INTERNAL_MORE) return { chain, idler: true };
  return {
    chain: chain.map(([a, b, teeth], i) => (i === largest ? [a, b, 'internal'] : teeth ? [a, b, teeth] : [a, b])),
    idler: false,
  };
}

/** The chain as it is mounted; null where equal centres leave no room for the idler it would need. */
export function fitsBetweenShafts({ turning, question: { equalCentres, internal = false } }: Chains, chain: Chain) {
  if (!equalCentres) return arranged(chain, turning, internal);
  return turning === 'any' || turnsSameWay(chain) === (turning === 'same') ? { chain, idler: false } : null;
}
