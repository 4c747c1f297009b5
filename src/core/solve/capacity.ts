import type { OpenTrain } from '../kinematics';
import { abs, compare, div, equals, fromDecimal, isZero, type Rational } from '../rational';
import { solveEngaged, type Solved, type Status } from './position';
import { jointTorque } from './state';

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
    const coupler = network.train.couplers.find((candidate) => candidate.id === id);
    const torque = jointTorque(state, id);
    if (coupler?.capacity === undefined || !torque || isZero(torque)) return [];
    const without = kind === 'one-way' ? releaseOneWay(open, id) : open;
    const after = solveEngaged(
      without,
      [...engaged].filter((other) => other !== id),
      { flow, losses },
    );
    const moves = network.memberIds.filter(
      (_, member) => !same(state.speeds.of(member), after.state.speeds.of(member)),
    );
    return [{ coupler: id, inputTorque: div(fromDecimal(coupler.capacity), abs(torque)), then: after.status, moves }];
  });
  return found.sort((a, b) => compare(a.inputTorque, b.inputTorque));
}

const same = (a: Rational | null, b: Rational | null): boolean => (a && b ? equals(a, b) : a === b);

/** The train with one one-way clutch taken out of the deciding. */
function releaseOneWay(open: OpenTrain, id: string): OpenTrain {
  const couplers = open.network.couplers.map((entry) =>
    entry.coupler.id === id && entry.coupler.type === 'one-way'
      ? { ...entry, coupler: { ...entry.coupler, control: 'selectable' as const } }
      : entry,
  );
  return { ...open, network: { ...open.network, couplers } };
}
