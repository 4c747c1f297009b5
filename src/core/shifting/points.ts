import type { Train } from '../train';
import { gearingsOf } from './gearings';
import { loadOf } from './load';
import { motorLine, noLoadOf } from './motor';
import { operatingPoint, type Gearing, type OperatingPoint } from './operating-point';
import type { Scenario } from './scenario-schema';
import { equalPowers, type EqualPowers } from './shift-points';
import { itemAt, lookUp } from '../required';

/** Operating points of the positions in their order, and where to change between neighbours. */
export interface Points {
  readonly positions: ReadonlyMap<string, OperatingPoint>;
  /**
   * `from` is the slower position, with the larger ratio; without a point where one of the two is always the better.
   */
  readonly shifts: readonly (EqualPowers & { readonly from: string; readonly to: string })[];
}

/** @throws RangeError where a position of the order does not drive. */
export const pointsOf = (train: Train, scenario: Scenario): Points =>
  pointsWith(gearingsOf(train, scenario.order, scenario.losses ?? false), scenario);

/** The same where the solver has said already what the positions do. */
export function pointsWith(
  gearings: ReadonlyMap<string, Gearing>,
  { motor, load, order }: Pick<Scenario, 'motor' | 'load' | 'order'>,
): Points {
  const line = motorLine(motor);
  const against = loadOf(load);
  return {
    positions: new Map(order.map((id) => [id, operatingPoint(line, against, lookUp(gearings, id))])),
    shifts: order.slice(1).map((id, i) => {
      const pair = [itemAt(order, i), id] as const;
      const [from, to] =
        lookUp(gearings, pair[0]).ratio >= lookUp(gearings, id).ratio ? pair : ([pair[1], pair[0]] as const);
      const [before, after] = [lookUp(gearings, from), lookUp(gearings, to)];
      return { from, to, ...equalPowers(line, before, after, noLoadOf(motor)) };
    }),
  };
}
