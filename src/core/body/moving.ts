import { modelOf } from '../model';
import { toNumber } from '../rational';
import { solveEngaged } from '../solve';
import type { Train } from '../train';

/** How a train moves with these couplers engaged. */
export interface Motion {
  /** Turns of a member for a turn of the input, dragged along where its speed is open; 0 where the train is locked. */
  readonly turns: (member: string) => number;
  /** How far a coupler is closed: from 0, where it lets go, to 1. */
  readonly closed: (coupler: string) => number;
}

export function motionOf(train: Train, engaged: readonly string[]): Motion {
  const { network, state, dragged } = solveEngaged(modelOf(train).open, engaged);
  const on = new Set(engaged);
  return {
    turns: (member) => {
      const index = network.memberIndex.get(member);
      return index === undefined ? 0 : toNumber(dragged.speedOf(index));
    },
    closed: (coupler) => (on.has(coupler) || state.oneWays.get(coupler) === 'holds' ? 1 : 0),
  };
}
