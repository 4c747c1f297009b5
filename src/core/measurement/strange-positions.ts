import type { Train } from '../train';
import type { Log } from './log-schema';

/** Positions that a log names and a train has not: it may be another train's. */
export function strangePositions({ readings }: Log, train: Train): readonly string[] {
  const known = new Set(train.positions.map(({ id }) => String(id)));
  const named = readings.flatMap(({ position }) => (position === undefined ? [] : [position]));
  return [...new Set(named.filter((id) => !known.has(id)))];
}
