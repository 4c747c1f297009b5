import type { Train } from '../train';
import { gearingsOf } from './gearings';
import { memberInertias } from './inertias';
import { loadOf } from './load';
import type { Joined, Machine, MachineMotion } from './machine';
import { motorLine, noLoadOf, peakPower, torqueAt } from './motor';
import type { Gearing } from './operating-point';
import { SAMPLE_S, type Rule, type Scenario } from './scenario-schema';

/** What stays as it is through a run. */
export interface Settings {
  /** With the inertia that each position has at the output. */
  readonly machines: ReadonlyMap<string, Machine>;
  /** Inertia that carries momentum from one position into another, at the output; kg m². */
  readonly carriedOver: (from: string, to: string) => number;
  readonly gearings: ReadonlyMap<string, Gearing>;
  readonly order: readonly string[];
  readonly rule: Rule;
  readonly durationS: number;
  readonly sampleS: number;
  readonly noLoadRpm: number | null;
  readonly stepS: number;
  /** Times at which something changes by itself, the end the last of them. */
  readonly marks: readonly number[];
}

/** What a run is at a moment. */
export interface Now {
  readonly timeS: number;
  readonly motion: MachineMotion;
  readonly joined: Joined;
  readonly machine: Machine;
  /** The position that is in, or on its way in. */
  readonly position: string;
  /** The position before it. */
  readonly came: string;
  /** It has been in, or on its way in, since then. */
  readonly since: number;
  /** The detector's lever has been let go by its detent. */
  readonly letGo: boolean;
}

/** @throws RangeError where something is missing that a run needs, or a position does not drive. */
export function settingsOf(train: Train, scenario: Scenario, stepS: number): Settings {
  const { motor, load, inertia = {}, order, rule = { cue: 'hand' }, durationS, losses = false } = scenario;
  if (durationS === undefined) throw new RangeError('durationS: say how long the run is to last.');
  const against = loadOf(load);
  const line = motorLine(motor);
  const members = memberInertias(train, order, inertia.membersKgM2);
  const [inputKgM2, outputKgM2] = [
    (inertia.inputKgM2 ?? 0) + members.inputKgM2,
    (inertia.outputKgM2 ?? 0) + against.inertiaKgM2,
  ];
  if (inputKgM2 <= 0) throw new RangeError('inertia.inputKgM2: a run needs the inertia of the motor, above 0.');
  if (outputKgM2 <= 0)
    throw new RangeError('inertia.outputKgM2: a run needs the inertia at the output, or a mass, above 0.');
  const carriedOver = (from: string, to: string) => outputKgM2 + members.between(from, to);
  const clutchNm = 2 * Math.max(torqueAt(line, 0), torqueAt(line, peakPower(line).rpm));
  const machine = (id: string): Machine => ({
    line,
    load: against,
    inputKgM2,
    outputKgM2: carriedOver(id, id),
    clutchNm,
  });
  return {
    machines: new Map(order.map((id) => [id, machine(id)])),
    carriedOver,
    gearings: gearingsOf(train, order, losses),
    order,
    rule,
    durationS,
    sampleS: scenario.sampleS ?? SAMPLE_S,
    noLoadRpm: noLoadOf(motor),
    marks: [durationS, ...(rule.schedule ?? []).map(([at]) => at), ...against.profile.map(([at]) => at)]
      .filter((at) => at <= durationS)
      .sort((a, b) => a - b),
    stepS,
  };
}
