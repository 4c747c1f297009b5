import type { OpenTrain } from '../kinematics';
import { abs, compare, div, equals, fromDecimal, isZero, type Rational } from '../rational';
import { solveEngaged, type Solved, type Status } from './position';
import { jointTorque } from './state';
import { partsById } from '../train';

/** A coupler that can slip, and when. */
export interface SlipPoint {
  readonly coupler: string;
  /** Input torque (N·m) above which it slips. */
  readonly inputTorque: Rational;
  /** What the train does once it slips, as if it were let go. */
  readonly then: Status;
  /** Members that then no longer turn as they did. */
  readonly moves: readonly string[];
}

/** Where each coupler with a capacity slips, the weakest first. Couplers that carry nothing or share are left out. */
export function slipPoints(open: OpenTrain, solved: Solved): readonly SlipPoint[] {
  const { network, state, engaged, flow, losses } = solved;
  const found = state.joints.flatMap(({ id, kind }): SlipPoint[] => {
    const coupler = partsById(network.train).find.coupler(id);
    const torque = jointTorque(state, id);
    if (coupler?.capacity === undefined || !torque || isZero(torque)) return [];
    const after = solveEngaged(
      open,
      [...engaged].filter((other) => other !== id),
      { flow, losses, slipping: kind === 'one-way' ? id : null },
    );
    const moves = network.memberIds.filter(
      (_, member) => !same(state.speeds.of(member), after.state.speeds.of(member)),
    );
    return [{ coupler: id, inputTorque: div(fromDecimal(coupler.capacity), abs(torque)), then: after.status, moves }];
  });
  return found.sort((a, b) => compare(a.inputTorque, b.inputTorque));
}

const same = (a: Rational | null, b: Rational | null): boolean => (a && b ? equals(a, b) : a === b);
