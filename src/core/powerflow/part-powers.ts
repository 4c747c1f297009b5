import { div, isZero, ONE, toNumber } from '../rational';
import { inputTorque, type Solved } from '../solve';
import { powerOf } from '../statics';
import { contributions, type PowerSource } from './contributions';
import { partsById } from '../train';
import { itemAt, required } from '../required';

/** What a part gives to the member it acts on. */
export interface PartPower {
  readonly member: string;
  /** The gear of a mesh, the planet whose pin pulls, the coupler, or the member itself at an input or output. */
  readonly part: { readonly kind: 'gear' | 'pin' | 'coupler' | 'port'; readonly id: string };
  /**
   * Received by the member, per unit of power put in; negative where the member gives. Null where it is shared between
   * parallel ways.
   */
  readonly power: number | null;
}

/** Power between every member and every part on it, for drawing: the flow inside a member follows from it. */
export function partPowers(solved: Solved): readonly PartPower[] {
  const { network, state } = solved;
  const parts = partsById(network.train);
  const planets = new Set(network.train.members.filter(({ carrier }) => carrier !== undefined).map(({ id }) => id));
  const partOf = (source: PowerSource, member: string): PartPower['part'] => {
    if (source.kind === 'joint') return { kind: 'coupler', id: source.id };
    if (source.kind !== 'mesh') return { kind: 'port', id: member };
    const [a, b] = parts.mesh(source.id).gears;
    if (source.side !== 'arm') return { kind: 'gear', id: source.side === 'a' ? a : b };
    return { kind: 'pin', id: required([a, b].map((gear) => parts.gear(gear).member).find((id) => planets.has(id))) };
  };
  // Where loads are given, torques are in N·m, and what is put in follows.
  const put = solved.flow.loads ? powerOf(inputTorque(solved), solved.flow.speed) : ONE;
  return contributions(solved).map(({ member, source, torque }) => {
    const id = itemAt(network.memberIds, member);
    const power = powerOf(torque, state.speeds.of(member));
    const share = put && power && !isZero(put) ? div(power, put) : power && isZero(power) ? power : null;
    return { member: id, part: partOf(source, id), power: share && toNumber(share) };
  });
}
