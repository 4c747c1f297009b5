import { memberFigures } from '../powerflow';
import { toNumber } from '../rational';
import { jointTorque } from '../solve';
import type { Train } from '../train';
import { RAD_S_PER_RPM } from './operating-point';
import type { Points } from './points';
import { longestEntry } from './travel-advice';
import { modelOf } from '../model';
import { partsById } from '../train';
import { itemAt, lookUp } from '../required';

/** A shaft in a position at its operating point: where a coupler could sit. */
export interface ShaftDuty {
  readonly position: string;
  readonly member: string;
  readonly rpm: number;
  readonly torqueNm: number;
  readonly powerW: number;
  /** Force along the shaft that pulls a dog out under this torque. */
  readonly pullOutN: number;
}

/** What a coupler has to do when one position is left for another, at the operating point of the one that is left. */
export interface CouplerDuty {
  readonly coupler: string;
  readonly from: string;
  readonly to: string;
  readonly does: 'releases' | 'comes in';
  /** What it carries until then; null for one that comes in, or where torque is shared. */
  readonly torqueNm: number | null;
  readonly pullOutN: number | null;
  /** By how much its two sides differ before it comes in; null where that is not determined. */
  readonly differenceRpm: number | null;
  /** The longest it looks for its gap; null where nothing turns. */
  readonly entryS: number | null;
}

/** A dog's flanks: how many teeth, their mean radius, and the friction that holds them. */
export interface Dog {
  readonly teeth: number;
  readonly radiusMm: number;
  readonly friction: number;
}

/** Straight flanks at radius R under a torque T slide at μ T / R. */
export const pullOutForce = (torqueNm: number, { radiusMm, friction }: Dog): number =>
  (friction * Math.abs(torqueNm)) / (radiusMm / 1000);

/**
 * Every shaft that carries power, in every position that moves the load. The same power at a faster shaft is less
 * torque.
 */
export function shaftDuties(train: Train, { positions }: Points, dog: Dog, losses: boolean): readonly ShaftDuty[] {
  const solve = (id: string) => modelOf(train).solvedIn(id, { losses });
  const arms = new Set(train.members.flatMap(({ carrier }) => (carrier === undefined ? [] : [carrier])));
  const planets = new Set(train.members.filter(({ carrier }) => carrier !== undefined).map(({ id }) => id));
  return [...positions].flatMap(([position, { inputRpm, inputTorqueNm }]) =>
    memberFigures(solve(position)).flatMap(({ id, speed, torque, power, role }): ShaftDuty[] => {
      const carries = role === 'carries' || role === 'drives' || role === 'gives out';
      if (!speed || !torque || !power || !carries || (planets.has(id) && !arms.has(id))) return [];
      const [rpm, torqueNm] = [toNumber(speed) * inputRpm, toNumber(torque) * inputTorqueNm];
      const powerW = toNumber(power) * inputTorqueNm * inputRpm * RAD_S_PER_RPM;
      return [{ position, member: id, rpm, torqueNm, powerW, pullOutN: pullOutForce(torqueNm, dog) }];
    }),
  );
}

/** What couplers do in shifts between neighbours, both ways. */
export function couplerDuties(
  train: Train,
  { positions }: Points,
  order: readonly string[],
  dog: Dog,
  losses: boolean,
): readonly CouplerDuty[] {
  const solve = (id: string) => modelOf(train).solvedIn(id, { losses });
  const engagedIn = (id: string) => partsById(train).position(id).engaged;
  const pairs = order.slice(1).flatMap((id, i) => [[itemAt(order, i), id] as const, [id, itemAt(order, i)] as const]);
  return pairs.flatMap(([from, to]) => {
    const solved = solve(from);
    const { inputRpm, inputTorqueNm } = lookUp(positions, from);
    const [before, after] = [new Set(engagedIn(from)), new Set(engagedIn(to))];
    const speeds = new Map(memberFigures(solved).map(({ id, speed }) => [id, speed && toNumber(speed)]));
    const lets = [...before].filter((id) => !after.has(id));
    const comes = [...after].filter((id) => !before.has(id));
    return [
      ...lets.map((coupler): CouplerDuty => {
        const factor = jointTorque(solved.state, coupler);
        const torqueNm = factor && Math.abs(toNumber(factor) * inputTorqueNm);
        const pullOutN = torqueNm === null ? null : pullOutForce(torqueNm, dog);
        return { coupler, from, to, does: 'releases', torqueNm, pullOutN, differenceRpm: null, entryS: null };
      }),
      ...comes.map((coupler): CouplerDuty => {
        const difference = differenceAcross(train, coupler, (member) => speeds.get(member) ?? null);
        const differenceRpm = difference === null ? null : Math.abs(difference * inputRpm);
        const entryS = differenceRpm === null ? null : longestEntry(dog.teeth, differenceRpm);
        return { coupler, from, to, does: 'comes in', torqueNm: null, pullOutN: null, differenceRpm, entryS };
      }),
    ];
  });
}

/**
 * Speed of a coupler's one side against its other, per turn of the input; the frame stands. Null for sliding meshes,
 * whose sides do not turn together.
 */
function differenceAcross(train: Train, id: string, speedOf: (member: string) => number | null): number | null {
  const coupler = partsById(train).find.coupler(id);
  if (!coupler || coupler.type === 'sliding-mesh') return null;
  const known = new Set(train.members.map((member) => member.id));
  const [a, b] = coupler.joins.map((member) => (known.has(member) ? speedOf(member) : 0));
  return a === null || b === null || a === undefined || b === undefined ? null : a - b;
}
