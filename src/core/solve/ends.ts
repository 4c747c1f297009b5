import type { MemberIndex, Network } from '../kinematics';
import { mul, neg, sub, type Rational } from '../rational';
import type { Torques } from '../statics';
import type { Flow } from './flow';
import type { State } from './state';

/** A solved position as far as its ends go. */
export interface Ended {
  readonly network: Network;
  readonly state: State;
  readonly flow: Flow;
}

/** The torque at an end of the train, on its member: put in by a driver, or taken by a load. Null where it is open. */
export interface End {
  readonly kind: 'input' | 'output';
  readonly member: MemberIndex;
  readonly torque: Rational | null;
}

/** Every end of a solved position; none where nothing is loaded. */
export const endsOf = ({ state, flow }: Ended): readonly End[] =>
  state.load.outcome === 'balanced' ? endsWith(state.load.torques, state, flow) : [];

/** The ends with one answer of the balance. */
export function endsWith({ receivers, joints }: Torques, state: Pick<State, 'joints'>, flow: Flow): readonly End[] {
  const taken = (k: number): Rational | null => {
    const torque = receivers[k] ?? null;
    return torque && neg(torque);
  };
  if (flow.loads) {
    const { given, free } = flow.loads;
    return [
      { kind: 'input', member: flow.driver, torque: taken(0) },
      ...given.map(([member, torque]): End => ({ kind: 'output', member, torque })),
      ...free.map((member, k): End => ({ kind: 'output', member, torque: taken(k + 1) })),
    ];
  }
  // Further outputs that are turned with the driver share what is put in: each its part, the driver the rest.
  const pushed = flow.together.map(({ member, times }, k) => {
    const torque = joints[state.joints.length + k] ?? null;
    return { member, torque, fromDriver: torque && mul(times, torque) };
  });
  const rest = pushed.reduce<Rational | null>(
    (left, { fromDriver }) => left && fromDriver && sub(left, fromDriver),
    flow.torque,
  );
  return [
    { kind: 'input', member: flow.driver, torque: rest },
    ...pushed.map(({ member, torque }): End => ({ kind: 'input', member, torque })),
    ...flow.receivers.map((member, k): End => ({ kind: 'output', member, torque: taken(k) })),
  ];
}

/**
 * The torque that an output gives to its load: what goes back into the train through other joints on the same member
 * is not in it.
 * Per unit put in, or in N·m where loads are given. Null where it is open, nothing is loaded, or the member is no
 * output.
 */
export function outputTorque(solved: Ended, member: MemberIndex = firstOutput(solved)): Rational | null {
  const end = endsOf(solved).find((one) => one.kind === 'output' && one.member === member);
  return end?.torque ? neg(end.torque) : null;
}

const firstOutput = ({ network }: Ended): MemberIndex => network.outputs[0] ?? network.input;

/** The torque at the input's end; null where it is open or nothing is loaded. */
export function inputTorque(solved: Ended): Rational | null {
  return endsOf(solved).find(({ kind, member }) => kind === 'input' && member === solved.flow.driver)?.torque ?? null;
}
