import { sign } from '../rational';
import type { Unbalanced } from '../solve';
import type { Train } from '../train';
import { couplerName, memberName } from './names';
import { listed } from './sentences';

/** Why loads do not balance, as a clause: "these loads do not balance: …". */
export function unbalancedText(train: Train, why: Unbalanced): string {
  if (why.kind === 'overruns')
    return `the one-way clutch ${couplerName(train, why.coupler)} would overrun with these loads`;
  if (why.kind === 'does not drive') return 'nothing is driven here, so no load tells the input torque';
  const begins = why.speeds
    .filter(({ member }) => train.outputs.includes(member))
    .map(({ member, speed }) => `${memberName(train, member)} ${sign(speed) > 0 ? 'forward' : 'back'}`);
  return `these loads do not balance: with the input at rest they would turn ${listed(begins)}`;
}
