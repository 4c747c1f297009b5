import { openMotions } from '../motions';
import { scattered } from '../scattered';
import { membersIn, waysOf } from '../ways';

/** A train in which one element is engaged for good: what it joins is one member, what it holds is on the frame. */
export interface CoarseTrain {
  /** Of each central member the member it is in, −1 on the frame. */
  readonly memberOf: readonly number[];
  /** A shaft of its own is the last member. */
  readonly bare: ShaftCount;
  /** Of its motions, without a shaft of its own. */
  readonly basis: Float64Array;
}

export type ShaftCount = 0 | 1;

/** Two members of one set may be joined, by the one element. */
const LOCKED = 1;

export interface CoarseTrains {
  readonly count: number;
  /** Null for each in which more turns than its members tell. */
  readonly each: () => Generator<CoarseTrain | null>;
}

/** All coarse trains with so many members, with a shaft of their own or without. */
export function coarseTrains(
  bare: ShaftCount,
  standings: readonly number[],
  members: number,
  orders: readonly (readonly number[])[],
): CoarseTrains {
  const kinds = [false, true]
    .map((fixed) => ({ fixed, blocks: members - bare + (fixed ? 1 : 0) }))
    .filter(({ blocks }) => blocks <= 3 * standings.length);
  const ways = waysOf(standings.length, kinds, orders, LOCKED);
  return {
    count: ways.count,
    *each() {
      for (const number of scattered(ways.count)) {
        const memberOf = membersIn(ways.at(number));
        const basis = openMotions(memberOf, standings, members - bare);
        yield basis && { memberOf, bare, basis };
      }
    },
  };
}
