import { type OpenTrain } from '../kinematics';
import { sign } from '../rational';
import { solveEngaged, type Solved } from '../solve';
import type { Position, Train } from '../train';
import { byCountThenIds } from './combinations';
import { modelOf } from '../model';
import { itemAt } from '../required';

/** What stands between two positions while one gives way to the other. */
export interface SetBetween {
  /** Sorted by id. */
  readonly engaged: readonly string[];
  readonly solved: Solved;
}

/**
 * - blocked: whichever element moves first, second and so on, a locked set is passed on the way; or one of the ends
 * locks
 * - by-itself: one element moves in all, and a one-way clutch takes over or lets go with it
 * - single: at most one goes off and one comes on
 * - double: more than that has to be timed
 */
export type ShiftVerdict = 'blocked' | 'by-itself' | 'single' | 'double';

export interface Shift {
  readonly from: Position;
  readonly to: Position;
  /** Both ends, solved. */
  readonly before: Solved;
  readonly after: Solved;
  /** Engaged only before, and only after; sorted. */
  readonly off: readonly string[];
  readonly on: readonly string[];
  /** Every set strictly between: any of `off` out, any of `on` in; fewest engaged first. */
  readonly between: readonly SetBetween[];
  readonly verdict: ShiftVerdict;
}

/** So many moving elements make 2^12 sets between. */
const MOST_MOVING = 12;

/**
 * Rows of the chart that follow one another; those that lock, are neutral, run in reverse or are no rungs of the ladder
 * are left out.
 */
function neighbouringRows(open: OpenTrain): readonly (readonly [Position, Position])[] {
  const rows = open.network.train.positions.filter(({ engaged, ladder }) => {
    if (ladder === false) return false;
    const { status, ratio } = solveEngaged(open, engaged);
    return status !== 'locked' && status !== 'neutral' && !(ratio && sign(ratio) < 0);
  });
  return rows.slice(1).map((to, i) => [itemAt(rows, i), to]);
}

/** The shifts between neighbouring rows. @throws RangeError as shiftBetween does. */
export function neighbouringShifts(train: Train): readonly Shift[] {
  const open = modelOf(train).open;
  return neighbouringRows(open).map(([from, to]) => shift(open, from, to));
}

/** The shift between two neighbouring rows, by the row it starts from; what would move too much at once is left out. */
export function possibleShifts(train: Train): ReadonlyMap<string, Shift> {
  const open = modelOf(train).open;
  const few = neighbouringRows(open).filter(([from, to]) => {
    const { off, on } = moved(from, to);
    return off.length + on.length <= MOST_MOVING;
  });
  return new Map(few.map(([from, to]) => [from.id, shift(open, from, to)]));
}

/** The shift from one position to another. @throws RangeError when more than MOST_MOVING elements move. */
export const shiftBetween = (train: Train, from: Position, to: Position): Shift => shift(modelOf(train).open, from, to);

function shift(open: OpenTrain, from: Position, to: Position): Shift {
  const { off, on, kept } = moved(from, to);
  const moving = [...off, ...on];
  if (moving.length > MOST_MOVING)
    throw new RangeError(
      `From position "${from.id}" to "${to.id}" ${moving.length} elements ` +
        `move; at most ${MOST_MOVING} can be looked at.`,
    );
  const sets = 2 ** moving.length;
  // Bit k of a set says whether the k-th element has moved.
  const solved = Array.from({ length: sets }, (_, set) => {
    const engaged = moving.filter((id, k) => on.includes(id) === Boolean(set & (1 << k)));
    return solveEngaged(open, [...kept, ...engaged]);
  });
  const between = solved
    .slice(1, -1)
    .map((one): SetBetween => ({ engaged: [...one.engaged].sort(), solved: one }))
    .sort((a, b) => byCountThenIds(a.engaged, b.engaged));
  const [before, after] = [itemAt(solved, 0), itemAt(solved, -1)];
  return { from, to, before, after, off, on, between, verdict: verdictOf(solved, off.length, on.length) };
}

function moved(from: Position, to: Position) {
  return {
    off: from.engaged.filter((id) => !to.engaged.includes(id)).sort(),
    on: to.engaged.filter((id) => !from.engaged.includes(id)).sort(),
    kept: from.engaged.filter((id) => to.engaged.includes(id)),
  };
}

function verdictOf(solved: readonly Solved[], off: number, on: number): ShiftVerdict {
  if ([solved[0], solved.at(-1)].some((end) => end?.status === 'locked')) return 'blocked';
  if (!leadsThrough(solved)) return 'blocked';
  if (off + on === 1 && oneWayChanges(itemAt(solved, 0), itemAt(solved, -1)).length > 0) return 'by-itself';
  return off <= 1 && on <= 1 ? 'single' : 'double';
}

/**
 * Is there an order of moving the elements one at a time that passes no locked set? Sets are reached from those with
 * one element less moved.
 */
function leadsThrough(solved: readonly Solved[]): boolean {
  const last = solved.length - 1;
  const reached = solved.map((_, set) => set === 0);
  for (let set = 1; set <= last; set++) {
    if (set !== last && itemAt(solved, set).status === 'locked') continue;
    for (let bit = 1; bit <= set; bit <<= 1) if (set & bit && reached[set ^ bit]) reached[set] = true;
  }
  return itemAt(reached, last);
}

/** The ends of a shift that lock: nothing can be shifted out of them or into them. */
export const lockedEnds = ({ from, to, before, after }: Shift): readonly Position[] => [
  ...(before.status === 'locked' ? [from] : []),
  ...(after.status === 'locked' ? [to] : []),
];

/** A one-way clutch that holds at one end of a shift and overruns at the other. */
export interface OneWayChange {
  readonly coupler: string;
  readonly then: 'holds' | 'overruns';
}

/** The one-way clutches that take over or let go between two states. */
export const oneWayChanges = (before: Solved, after: Solved): readonly OneWayChange[] =>
  [...before.state.oneWays].flatMap(([coupler, how]) => {
    const then = after.state.oneWays.get(coupler);
    return then !== undefined && then !== how ? [{ coupler, then }] : [];
  });
