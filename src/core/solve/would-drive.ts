import { itemAt } from '../required';
import type { Rational } from '../rational';
import { workingOneWays } from './engaged';
import { solveEngaged, type Solved } from './position';

/** Couplers that, engaged beside what is engaged, make the input drive an output. */
export interface WouldDrive {
  readonly engage: readonly string[];
  readonly ratio: Rational;
}

/** Pairs of couplers that are tried at the most. */
const MOST_PAIRS = 300;

/**
 * What would make a position drive that does not, each solved: single couplers; where none does alone, pairs. Of more
 * pairs than can be tried at once only the first are.
 */
export function engagementsThatDrive({ network, engaged, losses, state }: Solved): readonly WouldDrive[] {
  const { open } = state.motion;
  const working = new Set(workingOneWays(network, engaged).map(({ id }) => id));
  const released = network.couplers
    .map(({ coupler }) => coupler.id as string)
    .filter((id) => !engaged.has(id) && !working.has(id));
  const tried = (engage: readonly string[]): WouldDrive[] => {
    const { status, ratio } = solveEngaged(open, [...engaged, ...engage], { losses });
    return status === 'drive' && ratio ? [{ engage, ratio }] : [];
  };
  const singles = released.flatMap((id) => tried([id]));
  if (singles.length > 0) return singles;
  const pairs = released.flatMap((_, i) => released.slice(i + 1).map((other) => [itemAt(released, i), other]));
  return pairs.slice(0, MOST_PAIRS).flatMap(tried);
}
