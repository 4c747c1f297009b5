import { fromDecimal, toNumber, type Rational } from '@/core/rational';
import { inputTorque, jointTorque, outputTorque, solveLoads, type Solved } from '@/core/solve';
import type { Train } from '@/core/train';
import { listed, unbalancedText } from '@/core/words';
import type { Options } from './options';
import { UsageError } from './usage-error';
import { modelOf } from '@/core/model';

/** A report of positions, whatever else it says of them. */
export interface Report {
  readonly positions: Readonly<Record<string, object>>;
}

interface Asked {
  readonly position: string | undefined;
  readonly losses: boolean;
  readonly loads: Options['loads'];
}

/**
 * Adds `loads` to every position that drives or splits: the torques that hold the loads given, in N·m. @throws
 * UsageError
 */
export function withLoads(report: Report, train: Train, { position, losses, loads }: Asked): unknown {
  const byOutput = new Map<string, Rational>();
  for (const { output, torqueNm } of loads) {
    if (!train.outputs.includes(output))
      throw new UsageError(`--load: "${output}" is no output. The outputs are ${listed(train.outputs)}.`);
    if (byOutput.has(output)) throw new UsageError(`--load: "${output}" has two loads.`);
    byOutput.set(output, fromDecimal(torqueNm));
  }
  const open = modelOf(train).open;
  const positions = train.positions
    .filter(({ id }) => position === undefined || id === position)
    .map((one): [string, object] => {
      const found = solveLoads(open, one.engaged, byOutput, { losses });
      if (!found.ok && found.why.kind !== 'does not drive')
        throw new UsageError(`--load: in position "${one.id}" ${unbalancedText(train, found.why)}.`);
      return [one.id, { ...report.positions[one.id], ...(found.ok && { loads: loadsJson(found.solved) }) }];
    });
  return { ...report, positions: Object.fromEntries(positions) };
}

function loadsJson(solved: Solved): object {
  const { network, state } = solved;
  const number = (value: Rational | null) => value && toNumber(value);
  return {
    inputTorqueNm: number(inputTorque(solved)),
    outputTorqueNm: Object.fromEntries(
      network.outputs.map((member) => [network.memberIds[member], number(outputTorque(solved, member))]),
    ),
    couplerTorqueNm: Object.fromEntries(state.joints.map(({ id }) => [id, number(jointTorque(state, id))])),
  };
}
