import type { Run } from './run';
import { itemAt } from '../required';

/** A run in a few figures. */
export interface Summary {
  readonly shifts: number;
  /** Seconds in each position of the order, and between positions. */
  readonly seconds: ReadonlyMap<string, number>;
  readonly betweenS: number;
  /** Mean of the power share over time, 0 to 1. */
  readonly powerShare: number;
  /** What the account does not explain, as a share of what the motor gave. */
  readonly unexplained: number;
}

export function summaryOf({ events, traces, energy }: Run, order: readonly string[]): Summary {
  const { timeS, position, powerShare } = traces;
  const inPlace = new Map<number, number>();
  let power = 0;
  for (let i = 1; i < timeS.length; i++) {
    const step = itemAt(timeS, i) - itemAt(timeS, i - 1);
    const place = itemAt(position, i - 1);
    inPlace.set(place, (inPlace.get(place) ?? 0) + step);
    power += (step * (itemAt(powerShare, i) + itemAt(powerShare, i - 1))) / 2;
  }
  const whole = itemAt(timeS, -1) - itemAt(timeS, 0);
  const { motorJ, loadJ, lossJ, storedJ } = energy;
  return {
    shifts: events.filter(({ kind }) => kind === 'shift').length,
    seconds: new Map(order.map((id, place) => [id, inPlace.get(place) ?? 0])),
    betweenS: inPlace.get(-1) ?? 0,
    powerShare: whole > 0 ? power / whole : 0,
    unexplained: motorJ === 0 ? 0 : Math.abs(motorJ - loadJ - lossJ - storedJ) / Math.abs(motorJ),
  };
}
