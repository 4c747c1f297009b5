import { div, isZero, mul, ONE, ZERO, type Rational } from '../rational';
import { inputTorque, outputTorque, type Solved } from '../solve';
import { chainTo, deriveSpeeds, stageRatio } from './derive';
import type { CrossCheck, Stage, Working } from './steps';
import { itemAt, required } from '../required';

/** The working of one position: the steps, the running product where there is one, and the cross-checks. */
export function workingOf(solved: Solved): Working {
  const { network, state, flow, status } = solved;
  if (status === 'locked') return { steps: [], floating: [], stages: null, checks: [] };
  const steps = deriveSpeeds(solved);
  const floating = network.memberIds.filter((_, member) => state.speeds.of(member) === null);
  if (status !== 'drive') return { steps, floating, stages: null, checks: [] };
  const output = required(flow.receivers.find((member) => !isZero(state.speeds.of(member) ?? ZERO)));
  const chain = chainTo(steps, itemAt(network.memberIds, output));
  const stages = chain && runningProduct(chain.map((step) => ({ step, ratio: stageRatio(step) })));
  return { steps, floating, stages, checks: crossChecks(solved, stages, output) };
}

function runningProduct(parts: readonly { step: Stage['step']; ratio: Rational }[]): Stage[] {
  let running: Rational = ONE;
  return parts.map(({ step, ratio }) => ({ step, ratio, running: (running = mul(running, ratio)) }));
}

/**
 * The same ratio found up to three ways: the product of the stages, the speeds, and the ideal torques
 * (for an ideal train with one output, torque out over torque in equals speed in over speed out).
 */
function crossChecks(solved: Solved, stages: readonly Stage[] | null, output: number): CrossCheck[] {
  const { state, flow, losses } = solved;
  const checks: CrossCheck[] = [];
  if (stages) checks.push({ way: 'product of stages', value: stages.at(-1)?.running ?? ONE });
  checks.push({ way: 'speed in over speed out', value: div(flow.speed, required(state.speeds.of(output))) });
  const [put, taken] = [inputTorque(solved), outputTorque(solved, output)];
  if (put && taken && !losses && flow.receivers.length === 1)
    checks.push({ way: 'torque out over torque in', value: div(taken, put) });
  return checks;
}
