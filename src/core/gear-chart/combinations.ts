import { imposeTies, openMotion, openTrain, type FreeMotion, type Network } from '../kinematics';
import type { Rational } from '../rational';
import { solveEngaged, type Status } from '../solve';
import { itemAt, lookUp } from '../required';

/** One set of engaged clutches, brakes and sliding meshes. */
export interface CouplerCombination {
  /** Sorted by id. */
  readonly engaged: readonly string[];
  readonly status: Status;
  readonly mobility: number;
  /** Input speed over output speed; null unless it drives. */
  readonly ratio: Rational | null;
}

/** 2^20 sets are a minute's work and about what a table can hold. */
export const MAX_COMBINED = 20;

/** The couplers that combinations are made of: all but one-way clutches, sorted by id. */
export const combinedCouplers = (network: Network): readonly string[] =>
  network.train.couplers
    .filter((coupler) => coupler.type !== 'one-way')
    .map((coupler) => coupler.id)
    .sort();

/**
 * Every set, by a depth-first walk: each step imposes one coupler more on the motion reached so
 * far, so no row is reduced twice on the way down; a set that locks outright is not looked into for one-way
 * clutches or torques. Lazy, so the caller reports progress and stops when it likes.
 * @throws RangeError with more than MAX_COMBINED couplers.
 */
export function* walkCombinations(network: Network): Generator<CouplerCombination, void> {
  const ids = combinedCouplers(network);
  if (ids.length > MAX_COMBINED)
    throw new RangeError(`${ids.length} couplers make too many combinations; at most ${MAX_COMBINED} can be listed.`);
  const open = openTrain(network);
  yield* walk(0, openMotion(open), []);

  function* walk(at: number, motion: FreeMotion, engaged: readonly string[]): Generator<CouplerCombination, void> {
    if (at === ids.length) {
      const { status, state, ratio } = solveEngaged(open, engaged, { engagedMotion: motion });
      yield { engaged, status, mobility: state.mobility, ratio };
      return;
    }
    yield* walk(at + 1, motion, engaged);
    const id = itemAt(ids, at);
    yield* walk(at + 1, imposeTies(motion, [itemAt(network.couplers, lookUp(network.couplerIndex, id)).acts]), [
      ...engaged,
      id,
    ]);
  }
}

export interface CombinationWatch {
  readonly progress?: (done: number, total: number) => void;
  readonly cancelled?: () => boolean;
}

const REPORT_EVERY = 512;

/** Every combination, smallest sets first, then by id. Null when cancelled. */
export function listCombinations(
  network: Network,
  { progress, cancelled }: CombinationWatch = {},
): readonly CouplerCombination[] | null {
  const total = 2 ** combinedCouplers(network).length;
  const found: CouplerCombination[] = [];
  for (const combination of walkCombinations(network)) {
    found.push(combination);
    if (found.length % REPORT_EVERY !== 0) continue;
    progress?.(found.length, total);
    if (cancelled?.()) return null;
  }
  progress?.(total, total);
  return found.sort((a, b) => byCountThenIds(a.engaged, b.engaged));
}

/** The order of sets in a list: fewest first, then by their ids, which are sorted. */
export function byCountThenIds(a: readonly string[], b: readonly string[]): number {
  if (a.length !== b.length) return a.length - b.length;
  const at = a.findIndex((id, i) => id !== b[i]);
  return at < 0 ? 0 : itemAt(a, at) < itemAt(b, at) ? -1 : 1;
}
