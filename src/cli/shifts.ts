import { lockedEnds, neighbouringShifts, shiftBetween, type Shift } from '@/core/gear-chart';
import { toFraction } from '@/core/rational';
import type { Position, Train } from '@/core/train';
import { UsageError } from './options';

/** The shifts between neighbouring rows, or the one between two positions, as JSON. @throws UsageError */
export function shiftsJson(train: Train, pair: readonly [Position, Position] | null): unknown {
  try {
    const shifts = pair ? [shiftBetween(train, ...pair)] : neighbouringShifts(train);
    return { shifts: shifts.map(shiftJson) };
  } catch (error) {
    if (error instanceof RangeError) throw new UsageError(error.message);
    throw error;
  }
}

const shiftJson = (shift: Shift) => {
  const { from, to, off, on, between, verdict } = shift;
  const locked = lockedEnds(shift).map(({ id }) => id);
  return {
    from: from.id,
    to: to.id,
    off,
    on,
    between: between.map(({ engaged, solved: { status, ratio } }) => ({
      engaged,
      status,
      ratio: ratio && toFraction(ratio),
    })),
    verdict,
    ...(locked.length > 0 && { locked }),
  };
};
