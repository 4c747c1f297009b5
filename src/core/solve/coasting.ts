import type { OpenTrain } from '../kinematics';
import { isZero, MINUS_ONE, ONE, sign } from '../rational';
import { driveFlow, coastFlow, backwardDrivenFlow } from './flow';
import { leastSpeeds } from './one-ways';
import { solveEngaged, Solved } from './position';
import { stateWith } from './state';
import { required } from '../required';

/**
 * The load pushes and the input is what must be moved: the law of least motion with the roles exchanged. The outputs go
 * on as they turn in drive (forward where nothing drives them), and the input moves as little as the one-way clutches
 * allow. Where it has to follow, the figures are per turn of the input, which holds back; where it may stand, the train
 * freewheels and the figures are per turn of the output that pushes.
 */
export function solveCoasting(open: OpenTrain, engaged: Iterable<string>, options: { losses?: boolean } = {}): Solved {
  const { network } = open;
  const { losses = false } = options;
  const on = new Set(engaged);
  const forward = leastSpeeds(solveEngaged(open, on).state.motion, driveFlow(network));
  const turns = forward === null || forward.every(isZero) ? network.outputs.map(() => ONE) : forward;
  const pushed = solveEngaged(open, on, { flow: backwardDrivenFlow(network, turns), losses });
  if (pushed.status !== 'drive') return pushed;
  const { state } = pushed;
  const way = sign(required(state.speeds.of(network.input))) < 0 ? MINUS_ONE : ONE;
  const holdingBack = coastFlow(network, way);
  return new Solved(
    network,
    on,
    holdingBack,
    losses,
    stateWith({ open, engaged: on, flow: holdingBack, losses }, state.settled),
  );
}
