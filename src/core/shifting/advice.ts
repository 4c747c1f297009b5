import { memberFigures } from '../powerflow';
import { toNumber } from '../rational';
import type { Train } from '../train';
import { figure } from '../units';
import { listed, memberName } from '../words';
import { loadOf, loadTorque } from './load';
import { motorLine, noLoadOf, torqueAt } from './motor';
import type { Gearing } from './operating-point';
import type { Points } from './points';
import type { Scenario } from './scenario-schema';
import { modelOf } from '../model';
import { partsById } from '../train';

/** Something worth knowing about how positions suit the motor and the load, in a sentence. */
export interface Advice {
  readonly kind: 'stalls' | 'too tall' | 'heat' | 'never better' | 'limit';
  readonly positions: readonly string[];
  /** The member that is overloaded; of limits only. */
  readonly member: string | null;
  readonly says: string;
}

/**
 * Below this share of no load a linear motor mostly heats: less than three quarters of its power come out, and falling.
 */
const TALL = 0.25;

/**
 * What stalls, what is too tall, what another position does better, and which members would carry more than people
 * allow them when it stalls.
 */
export function adviceOf(train: Train, scenario: Scenario, { positions }: Points): readonly Advice[] {
  const nameOf = (id: string) => partsById(train).find.position(id)?.name ?? id;
  return [
    ...stalling(nameOf, positions),
    ...tooTall(scenario, nameOf, positions),
    ...heating(scenario, nameOf, positions),
    ...beaten(nameOf, positions),
    ...overloaded(train, scenario, nameOf),
  ];
}

type Names = (id: string) => string;

function stalling(nameOf: Names, positions: Points['positions']): readonly Advice[] {
  const stalls = [...positions].filter(([, point]) => point.stalls).map(([id]) => id);
  if (stalls.length === 0) return [];
  return [
    { kind: 'stalls', positions: stalls, member: null, says: `Stalls on this load in ${listed(stalls.map(nameOf))}.` },
  ];
}

function tooTall({ motor }: Scenario, nameOf: Names, positions: Points['positions']): readonly Advice[] {
  const noLoad = noLoadOf(motor);
  return [...positions].flatMap(([id, { stalls, inputRpm }]): Advice[] => {
    const share = noLoad === null ? 1 : inputRpm / noLoad;
    if (stalls || share >= TALL) return [];
    const says =
      `${nameOf(id)} is too tall: this motor would sit at ` +
      `${Math.round(share * 100)} % of its no-load speed, mostly heating.`;
    return [{ kind: 'too tall', positions: [id], member: null, says }];
  });
}

/** Heat at the operating point, (T/T₀)², against what people allow for continuous running. */
export const heatOf = ({ motor }: Pick<Scenario, 'motor'>, inputTorqueNm: number): number =>
  (inputTorqueNm / torqueAt(motorLine(motor), 0)) ** 2;

function heating(scenario: Scenario, nameOf: Names, positions: Points['positions']): readonly Advice[] {
  const limit = scenario.heatLimit ?? null;
  if (limit === null) return [];
  return [...positions].flatMap(([id, { inputTorqueNm }]): Advice[] => {
    const heat = heatOf(scenario, inputTorqueNm);
    if (!(heat > limit)) return [];
    const says =
      `${nameOf(id)} heats the motor: (T/T₀)² is ${figure(heat)}, you gave ` +
      `${figure(limit)} for continuous running.`;
    return [{ kind: 'heat', positions: [id], member: null, says }];
  });
}

/** A position that turns the output no faster than a slower one does on this load. */
function beaten(nameOf: Names, positions: Points['positions']): readonly Advice[] {
  const order = [...positions];
  return order.flatMap(([id, point], i): Advice[] => {
    const [better] = order
      .slice(0, i)
      .filter(([, other]) => other.outputRpm >= point.outputRpm && !other.stalls)
      .sort(([, a], [, b]) => b.outputRpm - a.outputRpm);
    if (point.stalls || !better) return [];
    const says =
      `${nameOf(id)} is never better than ${nameOf(better[0])} here: it turns the output at ` +
      `${figure(point.outputRpm)} rpm, ${nameOf(better[0])} at ${figure(better[1].outputRpm)}.`;
    return [{ kind: 'never better', positions: [id, better[0]], member: null, says }];
  });
}

/** Members whose torque, with the motor held at standstill, exceeds what people allow them. */
function overloaded(train: Train, { motor, order, losses = false }: Scenario, nameOf: Names): readonly Advice[] {
  const limits = new Map(train.members.flatMap(({ id, limit }) => (limit === undefined ? [] : [[id, limit] as const])));
  if (limits.size === 0) return [];
  const { solvedIn } = modelOf(train);
  const stall = torqueAt(motorLine(motor), 0);
  return order.flatMap((id) => {
    return memberFigures(solvedIn(id, { losses })).flatMap(({ id: member, torque }): Advice[] => {
      const [limit, carried] = [limits.get(member), torque ? Math.abs(toNumber(torque)) * stall : 0];
      if (limit === undefined || carried <= limit) return [];
      const says =
        `${memberName(train, member)}: ${figure(carried)} N·m when it stalls ` +
        `in ${nameOf(id)}, you gave ${figure(limit)}.`;
      return [{ kind: 'limit', positions: [id], member, says }];
    });
  });
}

/**
 * The ratio, in/out, above which this motor moves the load at its most from a stand, through as much of losses as this
 * position has.
 */
export function ratioToMove({ motor, load: written }: Pick<Scenario, 'motor' | 'load'>, { drive }: Gearing): number {
  const load = loadOf(written);
  const most = Math.max(...[0, ...load.profile.map(([at]) => at)].map((at) => loadTorque(load, 0, at)));
  return most / (torqueAt(motorLine(motor), 0) * drive);
}

/**
 * Stall torque at the output over the load at standstill: above 1 where the position moves it. Null where nothing holds
 * it.
 */
export function stallMargin(
  { motor, load }: Pick<Scenario, 'motor' | 'load'>,
  { ratio, drive }: Gearing,
): number | null {
  const still = loadTorque(loadOf(load), 0, 0);
  return still > 0 ? (torqueAt(motorLine(motor), 0) * ratio * drive) / still : null;
}
