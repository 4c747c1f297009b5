import { networkOf, openTrain, type OpenTrain } from '../kinematics';
import { sign } from '../rational';
import { solveEngaged, type Solved } from '../solve';
import type { Position, Train } from '../train';
import { byCountThenIds } from './combinations';

/** What stands between two positions while one gives way to the other. */
export interface Between {
  /** Sorted by id. */
  readonly engaged: readonly string[];
  readonly solved: Solved;
}

/**
 * - blocked: whichever element moves first, second and so on, a locked set is passed on the way
 * - by-itself: one element moves in all, and a one-way clutch takes over or lets go with it
 * - single: at most one goes off and one comes on
 * - double: more than that has to be timed
 */
export type Verdict = 'blocked' | 'by-itself' | 'single' | 'double';

export interface Shift {
  readonly from: Position;
  readonly to: Position;
  /** Engaged only before, and only after; sorted. */
  readonly off: readonly string[];
  readonly on: readonly string[];
  /** Every set strictly between: any of `off` out, any of `on` in; fewest engaged first. */
  readonly between: readonly Between[];
  readonly verdict: Verdict;
}

/** So many moving elements make 2^12 sets between. */
const MOST_MOVING = 12;

/** Shifts between neighbouring rows of the chart; rows that lock, are neutral or run in reverse are left out. */
export function neighbouringShifts(train: Train): readonly Shift[] {
  const open = openTrain(networkOf(train));
  const rows = train.positions.filter(({ engaged }) => {
    const { status, ratio } = solveEngaged(open, engaged);
    return status !== 'locked' && status !== 'neutral' && !(ratio && sign(ratio) < 0);
  });
  return rows.slice(1).map((to, i) => shift(open, rows[i]!, to));
}

/** The shift from one position to another. */
export const shiftBetween = (train: Train, from: Position, to: Position): Shift =>
  shift(openTrain(networkOf(train)), from, to);

/** @throws RangeError when more than MOST_MOVING elements move. */
function shift(open: OpenTrain, from: Position, to: Position): Shift {
  const { off, on, kept } = moved(from, to);
  const moving = [...off, ...on];
  if (moving.length > MOST_MOVING)
    throw new RangeError(
      `From position "${from.id}" to "${to.id}" ${moving.length} elements move; at most ${MOST_MOVING} can be looked at.`,
    );
  const sets = 2 ** moving.length;
  // Bit k of a set says whether the k-th element has moved.
  const solved = Array.from({ length: sets }, (_, set) => {
    const engaged = moving.filter((id, k) => on.includes(id) === Boolean(set & (1 << k)));
    return solveEngaged(open, [...kept, ...engaged]);
  });
  const between = solved
    .slice(1, -1)
    .map((one): Between => ({ engaged: [...one.engaged].sort(), solved: one }))
    .sort((a, b) => byCountThenIds(a.engaged, b.engaged));
  return { from, to, off, on, between, verdict: verdictOf(solved, off.length, on.length) };
}

function moved(from: Position, to: Position) {
  return {
    off: from.engaged.filter((id) => !to.engaged.includes(id)).sort(),
    on: to.engaged.filter((id) => !from.engaged.includes(id)).sort(),
    kept: from.engaged.filter((id) => to.engaged.includes(id)),
  };
}

function verdictOf(solved: readonly Solved[], off: number, on: number): Verdict {
  if (!leadsThrough(solved)) return 'blocked';
  if (off + on === 1 && handsOver(solved[0]!, solved.at(-1)!)) return 'by-itself';
  return off <= 1 && on <= 1 ? 'single' : 'double';
}

/** Is there an order of moving the elements one at a time that passes no locked set? Sets are reached from those with one element less moved. */
function leadsThrough(solved: readonly Solved[]): boolean {
  const last = solved.length - 1;
  const reached = solved.map((_, set) => set === 0);
  for (let set = 1; set <= last; set++) {
    if (set !== last && solved[set]!.status === 'locked') continue;
    for (let bit = 1; bit <= set; bit <<= 1) if (set & bit && reached[set ^ bit]) reached[set] = true;
  }
  return reached[last]!;
}

/** Does a one-way clutch hold before and overrun after, or the other way round? */
const handsOver = (before: Solved, after: Solved): boolean =>
  [...before.state.oneWays].some(([id, how]) => {
    const then = after.state.oneWays.get(id);
    return then !== undefined && then !== how;
  });
