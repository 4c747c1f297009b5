import { engage, speedsPerTurn, type OpenTrain } from '../kinematics';
import { fraction, isZero, ONE, sign } from '../rational';
import { backwardFlow } from './flow';
import { solveEngaged, type Solved } from './position';

export type BackwardVerdict = 'drives' | 'slips' | 'jams' | 'nothing connected';

/**
 * Can it be driven backward? The outputs, turned the way they turn in drive, become the driver.
 * drives: the input turns · slips: a one-way clutch lets go · jams: a worm, friction or the engagement itself
 * locks it · nothing connected.
 */
export function driveBackward(open: OpenTrain, engaged: Iterable<string>, options: { losses?: boolean } = {}): { verdict: BackwardVerdict; solved: Solved } {
  const on = [...engaged];
  const forward = solveEngaged(open, on, options);
  const output = forward.state.speeds.turns ? forward.state.speeds.of(open.network.outputs[0]!) : null;
  const direction = output && sign(output) < 0 ? fraction(-1) : ONE;
  const solved = solveEngaged(open, on, { ...options, flow: backwardFlow(open.network, direction) });
  return { verdict: verdictOf(solved), solved };
}

function verdictOf(solved: Solved): BackwardVerdict {
  if (solved.status === 'locked' || solved.selfLocking) return 'jams';
  if (solved.status === 'drive' || solved.status === 'split') return 'drives';
  if (solved.state.joints.some((joint) => joint.kind === 'self-lock')) return 'jams';
  return wouldConnect(solved) ? 'slips' : 'nothing connected';
}

/** Would the input turn if one of the one-way clutches that overrun, or all of them, held instead? */
function wouldConnect({ network, state, flow }: Solved): boolean {
  const letGo = network.couplers.flatMap(({ coupler, acts }) => (state.oneWays.get(coupler.id) === 'overruns' ? [acts] : []));
  return [letGo, ...letGo.map((tie) => [tie])].some((ties) => {
    const speeds = speedsPerTurn(engage(state.motion, ties), flow.driver);
    return flow.receivers.some((member) => {
      const speed = speeds.of(member);
      return speed !== null && !isZero(speed);
    });
  });
}
