import { imposeTies, speedsPerTurn, type OpenTrain } from '../kinematics';
import { fraction, isZero, ONE, sign } from '../rational';
import { backwardFlow } from './flow';
import { solveEngaged, type Solved } from './position';
import { itemAt } from '../required';

export type BackwardVerdict = 'drives' | 'slips' | 'jams' | 'nothing connected';

/**
 * Can it be driven backward? The outputs, turned the way they turn in drive, become the driver.
 * drives: the input turns · slips: a one-way clutch lets go · jams: a worm, friction or the engagement itself
 * locks it · nothing connected.
 */
export function driveBackward(
  open: OpenTrain,
  engaged: Iterable<string>,
  options: { losses?: boolean } = {},
): { verdict: BackwardVerdict; solved: Solved } {
  const on = [...engaged];
  const forward = solveEngaged(open, on, options);
  const output = forward.state.speeds.turns ? forward.state.speeds.of(itemAt(open.network.outputs, 0)) : null;
  const direction = output && sign(output) < 0 ? fraction(-1) : ONE;
  const solved = solveEngaged(open, on, { ...options, flow: backwardFlow(open.network, direction) });
  return { verdict: verdictOf(solved, forward), solved };
}

function verdictOf(solved: Solved, forward: Solved): BackwardVerdict {
  if (solved.status === 'locked' || solved.selfLocking) return 'jams';
  if (solved.status === 'drive' || solved.status === 'split') return 'drives';
  if (solved.state.joints.some((joint) => joint.kind === 'self-lock')) return 'jams';
  return wouldConnect(solved, releasedOneWays(forward, solved)) ? 'slips' : 'nothing connected';
}

/** One-way clutches that carry the load in drive and are run ahead of when it pushes. */
export const releasedOneWays = (forward: Solved, pushed: Solved): readonly string[] =>
  [...forward.state.oneWays].flatMap(([id, how]) =>
    how === 'holds' && pushed.state.oneWays.get(id) === 'overruns' ? [id] : [],
  );

/**
 * Would the input turn if the one-way clutches that hold in drive held, or any one of those that overrun, or all of
 * them?
 */
function wouldConnect({ network, state, flow }: Solved, heldInDrive: readonly string[]): boolean {
  const overrun = network.couplers.filter(({ coupler }) => state.oneWays.get(coupler.id) === 'overruns');
  const inDrive = overrun.filter(({ coupler }) => heldInDrive.includes(coupler.id));
  return [inDrive, overrun, ...overrun.map((one) => [one])].some((held) => {
    const speeds = speedsPerTurn(
      imposeTies(
        state.motion,
        held.map(({ acts }) => acts),
      ),
      flow.driver,
    );
    return flow.receivers.some((member) => {
      const speed = speeds.of(member);
      return speed !== null && !isZero(speed);
    });
  });
}
