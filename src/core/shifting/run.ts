import type { Train } from '../train';
import type { RunEvent } from './events';
import { gearingsOf } from './gearings';
import { loadOf, type Load } from './load';
import { forces, joinedSpeeds, storedJ, type Joined, type Machine, type Motion } from './machine';
import { motorLine, noLoadOf, peakPower, torqueAt } from './motor';
import { RAD_S_PER_RPM, type Gearing } from './operating-point';
import type { Rule, Scenario } from './scenario-schema';
import { verdictsOf, type Verdict } from './verdicts';

export interface Sample {
  readonly timeS: number;
  /** Null between two positions. */
  readonly position: string | null;
  readonly inputRpm: number;
  readonly outputRpm: number;
  readonly inputTorqueNm: number;
  readonly outputTorqueNm: number;
  readonly powerShare: number;
  /** What the detector reads, in the cue's unit. */
  readonly read: number;
}

export interface Run {
  readonly events: readonly RunEvent[];
  readonly samples: readonly Sample[];
  readonly final: { readonly position: string; readonly inputRpm: number; readonly outputRpm: number };
  readonly energy: {
    readonly motorJ: number;
    readonly loadJ: number;
    readonly lossJ: number;
    readonly storedJ: number;
  };
  readonly verdicts: readonly Verdict[];
}

/** Step of the integration, s; events are found to within a millionth. */
const STEP_S = 1e-3;
const EVENT_S = 1e-7;
const SAMPLE_S = 0.01;
/** A run with so many events ends: it chatters without end. */
const MOST_EVENTS = 5000;

interface Settings {
  readonly machine: Machine;
  readonly gearings: ReadonlyMap<string, Gearing>;
  readonly order: readonly string[];
  readonly rule: Rule;
  readonly durationS: number;
  readonly noLoadRpm: number | null;
  readonly stepS: number;
  /** Times at which something changes by itself, the end the last of them. */
  readonly marks: readonly number[];
}

/** What a run is at a moment. */
interface Now {
  readonly timeS: number;
  readonly motion: Motion;
  readonly joined: Joined;
  /** The position that is in, or on its way in. */
  readonly position: string;
  /** The position before it. */
  readonly came: string;
  /** It has been in, or on its way in, since then. */
  readonly since: number;
}

/**
 * A scenario run through time: fourth-order Runge and Kutta in fixed steps, cut where something happens, so that the same scenario gives the same run to the
 * last bit. @throws RangeError where something is missing that a run needs, or a position does not drive.
 */
export function runScenario(
  train: Train,
  scenario: Scenario,
  { stepS = STEP_S }: { readonly stepS?: number } = {},
): Run {
  const settings = settingsOf(train, scenario, stepS);
  const events: RunEvent[] = [];
  const samples: Sample[] = [];
  let now = beginning(settings, scenario);
  const begin = storedJ(settings.machine, now.motion);
  let nextSample = 0;
  while (now.timeS < settings.durationS - EVENT_S && events.length < MOST_EVENTS) {
    if (now.timeS >= nextSample) {
      samples.push(sampleOf(settings, now));
      nextSample = (Math.floor(now.timeS / SAMPLE_S + 1e-9) + 1) * SAMPLE_S;
    }
    const changed = transition(settings, now);
    if (changed) {
      events.push(...changed.events);
      now = changed.now;
      continue;
    }
    now = advance(settings, now);
  }
  samples.push(sampleOf(settings, now));
  const { motion } = now;
  const energy = {
    motorJ: motion.motorJ,
    loadJ: motion.loadJ,
    lossJ: motion.lossJ,
    storedJ: storedJ(settings.machine, motion) - begin,
  };
  return {
    events,
    samples,
    final: { position: now.position, inputRpm: motion.input / RAD_S_PER_RPM, outputRpm: motion.output / RAD_S_PER_RPM },
    energy,
    verdicts: verdictsOf(events, { shiftS: settings.rule.shiftS ?? 0, profile: settings.machine.load.profile }),
  };
}

function settingsOf(train: Train, scenario: Scenario, stepS: number): Settings {
  const { motor, load, inertia = {}, order, rule = { cue: 'hand' }, durationS, losses = false } = scenario;
  if (durationS === undefined) throw new RangeError('durationS: say how long the run is to last.');
  const against: Load = loadOf(load);
  const line = motorLine(motor);
  const machine: Machine = {
    line,
    load: against,
    inputKgM2: inertia.inputKgM2 ?? 0,
    outputKgM2: (inertia.outputKgM2 ?? 0) + against.inertiaKgM2,
    clutchNm: 2 * Math.max(torqueAt(line, 0), torqueAt(line, peakPower(line).rpm)),
  };
  if (machine.inputKgM2 <= 0) throw new RangeError('inertia.inputKgM2: a run needs the inertia of the motor, above 0.');
  if (machine.outputKgM2 <= 0)
    throw new RangeError('inertia.outputKgM2: a run needs the inertia at the output, or a mass, above 0.');
  return {
    machine,
    gearings: gearingsOf(train, order, losses),
    order,
    rule,
    durationS,
    noLoadRpm: noLoadOf(motor),
    marks: [durationS, ...(rule.schedule ?? []).map(([at]) => at), ...against.profile.map(([at]) => at)]
      .filter((at) => at <= durationS)
      .sort((a, b) => a - b),
    stepS,
  };
}

function beginning({ gearings, order }: Settings, { start }: Scenario): Now {
  const position = start?.position ?? order[0]!;
  const gearing = gearings.get(position)!;
  const output = (start?.outputRpm ?? 0) * RAD_S_PER_RPM;
  const motion: Motion = { input: output * gearing.ratio, output, read: 0, motorJ: 0, loadJ: 0, lossJ: 0 };
  return { timeS: 0, motion, joined: { kind: 'engaged', gearing }, position, came: position, since: 0 };
}

/** What the detector is shown, in the cue's unit. */
function shownTo({ rule, machine, noLoadRpm }: Settings, { joined }: Now, motion: Motion, timeS: number): number {
  if (rule.cue === 'torque') return forces(machine, joined, motion, timeS).out;
  const rpm = motion.input / RAD_S_PER_RPM;
  return noLoadRpm === null ? rpm : rpm / noLoadRpm;
}

const lagOf = ({ rule }: Settings): number => rule.detector?.lagS ?? 0;

/** What the detector reads: what it is shown, or, with a lag, what it has followed so far. */
const readingOf = (settings: Settings, now: Now, motion: Motion, timeS: number): number =>
  lagOf(settings) > 0 ? motion.read : shownTo(settings, now, motion, timeS);

type Rates = { readonly [K in keyof Motion]: number };

function rates(settings: Settings, now: Now, motion: Motion, timeS: number): Rates {
  const { machine } = settings;
  const { motor, load, through, out, inputRate, outputRate } = forces(machine, now.joined, motion, timeS);
  const lag = lagOf(settings);
  const still = now.joined.kind === 'still';
  return {
    input: inputRate,
    output: outputRate,
    read: lag > 0 ? (shownTo(settings, now, motion, timeS) - motion.read) / lag : 0,
    motorJ: motor * motion.input,
    loadJ: still ? 0 : load * motion.output,
    lossJ: still ? 0 : through * motion.input - out * motion.output,
  };
}

const plus = (motion: Motion, rate: Rates, time: number): Motion => ({
  input: motion.input + rate.input * time,
  output: motion.output + rate.output * time,
  read: motion.read + rate.read * time,
  motorJ: motion.motorJ + rate.motorJ * time,
  loadJ: motion.loadJ + rate.loadJ * time,
  lossJ: motion.lossJ + rate.lossJ * time,
});

/** One step of Runge and Kutta. */
function stepped(settings: Settings, now: Now, h: number): Motion {
  const { motion, timeS: t } = now;
  const a = rates(settings, now, motion, t);
  const b = rates(settings, now, plus(motion, a, h / 2), t + h / 2);
  const c = rates(settings, now, plus(motion, b, h / 2), t + h / 2);
  const d = rates(settings, now, plus(motion, c, h), t + h);
  const middle = plus(plus(plus(motion, a, h / 6), b, h / 3), c, h / 3);
  const next = plus(middle, d, h / 6);
  // Held at standstill, not driven backward by what only resists.
  return next.output < 0 && now.joined.kind !== 'engaged' ? { ...next, output: 0 } : next;
}

/** A step, or as much of it as passes before something happens. */
function advance(settings: Settings, now: Now): Now {
  const step = Math.min(settings.stepS, nextMark(settings, now) - now.timeS);
  const after = (h: number): Now => ({ ...now, timeS: now.timeS + h, motion: stepped(settings, now, h) });
  const whole = after(step);
  if (!happens(settings, whole)) return whole;
  let [before, until] = [0, step];
  while (until - before > EVENT_S) {
    const middle = (before + until) / 2;
    if (happens(settings, after(middle))) until = middle;
    else before = middle;
  }
  return after(until);
}

/** The next moment that is known beforehand: a time of the schedule, an end of a shift, a bend of the load, the end. */
function nextMark({ rule, marks }: Settings, { timeS, joined, since }: Now): number {
  const after = timeS + EVENT_S / 2;
  let next = marks.find((at) => at > after)!;
  const also = (at: number) => {
    if (at > after && at < next) next = at;
  };
  also(since + (rule.minimumS ?? 0));
  also(since + (rule.shiftS ?? 0));
  if (joined.kind === 'slip') also(joined.to);
  return next;
}

const happens = (settings: Settings, now: Now): boolean => transition(settings, now) !== null;

interface Changed {
  readonly now: Now;
  readonly events: readonly RunEvent[];
}

/** What changes at this moment by itself: a shift begins or ends, a clutch locks, everything comes to a stand or moves again. */
function transition(settings: Settings, now: Now): Changed | null {
  const { joined, motion, timeS, position } = now;
  const { rule, machine } = settings;
  const event = (kind: RunEvent['kind']): RunEvent => ({ timeS, kind, from: position, to: position });
  switch (joined.kind) {
    case 'gap':
      return timeS < now.since + (rule.shiftS ?? 0) - EVENT_S ? null : engage(settings, now);
    case 'slip': {
      const slip = motion.input - joined.gearing.ratio * motion.output;
      return timeS < joined.to - EVENT_S && slip * joined.sign > 0 ? null : engage(settings, now);
    }
    case 'still':
      if (forces(machine, { kind: 'engaged', gearing: joined.gearing }, motion, timeS).inputRate > 0)
        return { now: { ...now, joined: { ...joined, kind: 'engaged' } }, events: [event('moves')] };
      break;
    case 'engaged':
      if (motion.input <= 0 && forces(machine, joined, motion, timeS).inputRate <= 0)
        return {
          now: { ...now, motion: { ...motion, input: 0, output: 0 }, joined: { ...joined, kind: 'still' } },
          events: [event('stall')],
        };
  }
  const to = wantedBy(settings, now);
  return to === null ? null : leave(settings, now, to);
}

/** The position that the rule wants instead of the one that is in; null where it wants none. */
function wantedBy(settings: Settings, now: Now): string | null {
  const { rule, order } = settings;
  const { timeS, position, since } = now;
  if (rule.cue === 'hand') {
    const wanted = (rule.schedule ?? []).filter(([at]) => at <= timeS + EVENT_S).at(-1)?.[1];
    return wanted === undefined || wanted === position ? null : wanted;
  }
  if (timeS < since + (rule.minimumS ?? 0) - EVENT_S) return null;
  const read = readingOf(settings, now, now.motion, timeS);
  const at = order.indexOf(position);
  const [down, up] = [rule.down?.[position], rule.up?.[position]];
  const falls = down !== undefined && (rule.cue === 'speed' ? read <= down : read >= down);
  const rises = up !== undefined && (rule.cue === 'speed' ? read >= up : read <= up);
  return (falls ? order[at - 1] : rises ? order[at + 1] : undefined) ?? null;
}

/** Leaves a position for another: through neutral, by a clutch that takes over, or at once. */
function leave(settings: Settings, now: Now, to: string): Changed {
  const { rule, gearings } = settings;
  const { timeS, motion, position } = now;
  const { between = 'neutral', shiftS = 0 } = rule;
  const gearing = gearings.get(to)!;
  const on: Now = { ...now, position: to, came: position, since: timeS, joined: { kind: 'gap' } };
  const shift: RunEvent = { timeS, kind: 'shift', from: position, to };
  const slip = motion.input - gearing.ratio * motion.output;
  if (between === 'one-way' || shiftS === 0 || (between === 'overlap' && slip === 0)) {
    const engaged = engage(settings, on);
    return { now: engaged.now, events: [shift, ...engaged.events] };
  }
  if (between === 'neutral') return { now: on, events: [shift] };
  const joined = { kind: 'slip', gearing, from: timeS, to: timeS + shiftS, sign: slip > 0 ? 1 : -1 } as const;
  return { now: { ...on, joined }, events: [shift] };
}

/** Joins both sides at once; what their speeds differ by is lost. */
function engage({ machine, gearings }: Settings, now: Now): Changed {
  const { motion, position, came, timeS } = now;
  const gearing = gearings.get(position)!;
  const speeds = joinedSpeeds(machine, gearing, motion);
  const lossJ = motion.lossJ + storedJ(machine, motion) - storedJ(machine, speeds);
  return {
    now: { ...now, motion: { ...motion, ...speeds, lossJ }, joined: { kind: 'engaged', gearing }, since: timeS },
    events: [{ timeS, kind: 'engaged', from: came, to: position }],
  };
}

function sampleOf(settings: Settings, now: Now): Sample {
  const { machine } = settings;
  const { motion, timeS, joined, position } = now;
  const { motor, out } = forces(machine, joined, motion, timeS);
  const inputRpm = motion.input / RAD_S_PER_RPM;
  const { power } = peakPower(machine.line);
  return {
    timeS,
    position: joined.kind === 'gap' || joined.kind === 'slip' ? null : position,
    inputRpm,
    outputRpm: motion.output / RAD_S_PER_RPM,
    inputTorqueNm: motor,
    outputTorqueNm: out,
    powerShare: power > 0 ? (motor * inputRpm) / power : 0,
    read: readingOf(settings, now, motion, timeS),
  };
}
