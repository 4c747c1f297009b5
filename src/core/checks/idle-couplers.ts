import { equals, isZero } from '../rational';
import { jointTorque, solveCoasting, solveEngaged, workingOneWays, type Solved } from '../solve';
import { reverseOneWay, type Coupler, type Position, type Train } from '../train';
import { couplerName } from '../words';
import { modelOf } from '../model';
import { finding, type Finding } from './finding';

/**
 * Couplers that change nothing in any position: without them everything turns and stands as with them, and they carry
 * nothing, whether the input drives or the load does; of one-way clutches while the input drives. Such is a pawl that
 * is drawn the wrong way round, though it may hold when the load pushes.
 */
export function idleCouplerFindings(train: Train): Finding[] {
  if (train.positions.length === 0) return [];
  return train.couplers
    .filter((coupler) => train.positions.every((position) => isIdleIn(train, coupler, position)))
    .map((coupler) => idle(train, coupler));
}

function idle(train: Train, { id, type }: Coupler): Finding {
  const name = couplerName(train, id);
  const oneWay = type === 'one-way';
  return finding(
    'idle coupler',
    'note',
    {
      what: oneWay ? `${name} holds in no position while the input drives.` : `${name} does nothing in any position.`,
      why: oneWay
        ? 'It overruns or idles in all of them: nothing would turn otherwise without it.'
        : 'It is engaged nowhere, or where it is, nothing would turn otherwise without it.',
      mend: oneWay
        ? 'Reverse it if it should hold; else remove it.'
        : 'Engage it in a position, join other members, or remove it.',
      mends: oneWay ? [{ label: `Reverse ${name}`, apply: (now) => reverseOneWay(now, id) }] : [],
    },
    { couplers: [id] },
  );
}

function isIdleIn(train: Train, { id, type }: Coupler, { id: position, engaged }: Position): boolean {
  const { open, solvedIn } = modelOf(train);
  const working = workingOneWays(open.network, new Set(engaged)).some((oneWay) => oneWay.id === id);
  if (!working && !engaged.some((other) => other === id)) return true;
  const drive = solvedIn(position);
  if (!carriesNothing(drive, id)) return false;
  if (type === 'one-way') return turnAlike(drive, solveEngaged(open, engaged, { slipping: id }));
  const coast = solveCoasting(open, engaged);
  const others = engaged.filter((other) => other !== id);
  return (
    carriesNothing(coast, id) &&
    turnAlike(drive, solveEngaged(open, others)) &&
    turnAlike(coast, solveCoasting(open, others))
  );
}

function carriesNothing({ state, status }: Solved, id: string): boolean {
  if (status === 'locked') return false;
  if (state.oneWays.has(id)) return state.oneWays.get(id) === 'overruns';
  if (!state.joints.some((joint) => joint.id === id)) return true;
  const torque = jointTorque(state, id);
  return torque !== null && isZero(torque);
}

const turnAlike = (a: Solved, b: Solved): boolean =>
  a.status === b.status &&
  a.network.memberIds.every((_, member) => {
    const [one, other] = [a.state.speeds.of(member), b.state.speeds.of(member)];
    return one === null || other === null ? one === other : equals(one, other);
  });
