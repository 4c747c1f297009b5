import type { Train } from '../train';
import { detentMoves, detectorLag, readingOf, detectorReading } from './detector';
import { EVENT_S, type RunEvent } from './events';
import { forces, joinedSpeeds, storedJ, type MachineMotion } from './machine';
import { peakPower } from './motor';
import { RAD_S_PER_RPM } from './operating-point';
import { wantedBy } from './rule';
import type { Scenario } from './scenario-schema';
import { settingsOf, type Now, type Settings } from './settings';
import { Recorder, type Sample, type Traces } from './traces';
import { verdictsOf, type RunVerdict } from './verdicts';
import { itemAt, lookUp, required } from '../required';

export interface Run {
  readonly events: readonly RunEvent[];
  readonly traces: Traces;
  readonly final: {
    /** Null between two positions. */
    readonly position: string | null;
    /** The position that is left and the one that comes in, while a shift lasts. */
    readonly between?: readonly [from: string, to: string];
    readonly inputRpm: number;
    readonly outputRpm: number;
  };
  readonly energy: {
    readonly motorJ: number;
    readonly loadJ: number;
    readonly lossJ: number;
    readonly storedJ: number;
  };
  readonly verdicts: readonly RunVerdict[];
  /** It went on so far: to its end, unless it was cut short. */
  readonly untilS: number;
  /** Where it was cut short, and why; null where it went to its end. */
  readonly cut: { readonly cutAtS: number; readonly reason: string } | null;
}

/** Step of the integration, s. */
const STEP_S = 1e-3;
/** What is there so far is offered every so many samples. */
const TOLD_EVERY = 100;
/** A run with so many events ends: it chatters without end. */
const MOST_EVENTS = 5000;

export interface RunOptions {
  readonly stepS?: number;
  /** Told on the way, with what fetches the samples so far. */
  readonly tell?: (soFar: () => Traces) => void;
}

/**
 * A scenario run through time: fourth-order Runge and Kutta in fixed steps, cut where something happens, so that the
 * same scenario gives the same run to the last bit. @throws RangeError where something is missing that a run needs, or
 * a position does not drive.
 */
export function runScenario(train: Train, scenario: Scenario, { stepS = STEP_S, tell }: RunOptions = {}): Run {
  const settings = settingsOf(train, scenario, stepS);
  const events: RunEvent[] = [];
  const { order, durationS, sampleS } = settings;
  const recorder = new Recorder(Math.ceil(durationS / sampleS) + 3);
  const record = () => {
    const sample = sampleOf(settings, now);
    recorder.add(sample, sample.position === null ? -1 : order.indexOf(sample.position));
  };
  let now = beginning(settings, scenario);
  const begin = storedJ(now.machine, now.motion);
  let taken = 0;
  while (now.timeS < durationS - EVENT_S && events.length < MOST_EVENTS) {
    if (now.timeS >= taken * sampleS - EVENT_S) {
      record();
      taken = Math.max(taken, Math.floor(now.timeS / sampleS + 1e-9)) + 1;
      if (taken % TOLD_EVERY === 0) tell?.(() => recorder.soFar());
    }
    const changed = transition(settings, now);
    if (changed) {
      events.push(...changed.events);
      now = changed.now;
      continue;
    }
    now = advance(settings, now);
  }
  record();
  const { motion, joined } = now;
  const between = joined.kind === 'gap' || joined.kind === 'slip';
  const isCut = now.timeS < durationS - EVENT_S;
  const energy = {
    motorJ: motion.motorJ,
    loadJ: motion.loadJ,
    lossJ: motion.lossJ,
    storedJ: storedJ(now.machine, motion) - begin,
  };
  return {
    events,
    traces: recorder.soFar(),
    final: {
      position: between ? null : now.position,
      ...(between && { between: [now.came, now.position] as const }),
      inputRpm: motion.input / RAD_S_PER_RPM,
      outputRpm: motion.output / RAD_S_PER_RPM,
    },
    energy,
    verdicts: verdictsOf(events, { rule: settings.rule, profile: now.machine.load.profile }),
    untilS: now.timeS,
    cut: isCut ? { cutAtS: now.timeS, reason: `${MOST_EVENTS} events: it shifts without end.` } : null,
  };
}

function beginning({ machines, gearings, order }: Settings, { start }: Scenario): Now {
  const position = start?.position ?? itemAt(order, 0);
  const [machine, gearing] = [lookUp(machines, position), lookUp(gearings, position)];
  const output = (start?.outputRpm ?? 0) * RAD_S_PER_RPM;
  const motion: MachineMotion = { input: output * gearing.ratio, output, read: 0, motorJ: 0, loadJ: 0, lossJ: 0 };
  const joined = { kind: 'engaged', gearing } as const;
  return { timeS: 0, motion, joined, machine, position, came: position, since: 0, letGo: false };
}

type Rates = { readonly [K in keyof MachineMotion]: number };

function rates(settings: Settings, now: Now, motion: MachineMotion, timeS: number): Rates {
  const { motor, load, through, out, inputRate, outputRate } = forces(now.machine, now.joined, motion, timeS);
  const lag = detectorLag(settings.rule.detector);
  const still = now.joined.kind === 'still';
  return {
    input: inputRate,
    output: outputRate,
    read: lag > 0 ? (detectorReading(settings, now, motion, timeS) - motion.read) / lag : 0,
    motorJ: motor * motion.input,
    loadJ: still ? 0 : load * motion.output,
    lossJ: still ? 0 : through * motion.input - out * motion.output,
  };
}

const plus = (motion: MachineMotion, rate: Rates, time: number): MachineMotion => ({
  input: motion.input + rate.input * time,
  output: motion.output + rate.output * time,
  read: motion.read + rate.read * time,
  motorJ: motion.motorJ + rate.motorJ * time,
  loadJ: motion.loadJ + rate.loadJ * time,
  lossJ: motion.lossJ + rate.lossJ * time,
});

/** One step of Runge and Kutta. */
function stepped(settings: Settings, now: Now, h: number): MachineMotion {
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
  let next = required(marks.find((at) => at > after));
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

/**
 * What changes at this moment by itself: a shift begins or ends, a clutch locks, everything comes to a stand or moves
 * again.
 */
function transition(settings: Settings, now: Now): Changed | null {
  const { joined, motion, timeS, position, machine } = now;
  const { rule } = settings;
  const event = (kind: RunEvent['kind']): RunEvent => ({ timeS, kind, from: position, to: position });
  if (detentMoves(settings, now)) return { now: { ...now, letGo: !now.letGo }, events: [] };
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

/** Leaves a position for another: through neutral, by a clutch that takes over, or at once. */
function leave(settings: Settings, now: Now, to: string): Changed {
  const { rule, gearings } = settings;
  const { timeS, motion, position } = now;
  const { between = 'neutral', shiftS = 0 } = rule;
  const gearing = lookUp(gearings, to);
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
function engage({ machines, gearings, carriedOver }: Settings, now: Now): Changed {
  const { motion, position, came, timeS } = now;
  const [machine, gearing] = [lookUp(machines, position), lookUp(gearings, position)];
  const speeds = joinedSpeeds(machine, carriedOver(came, position), gearing, motion);
  const lossJ = motion.lossJ + storedJ(now.machine, motion) - storedJ(machine, speeds);
  const joined = { kind: 'engaged', gearing } as const;
  return {
    now: { ...now, motion: { ...motion, ...speeds, lossJ }, joined, machine, since: timeS },
    events: [{ timeS, kind: 'engaged', from: came, to: position }],
  };
}

function sampleOf(settings: Settings, now: Now): Sample {
  const { motion, timeS, joined, position, machine } = now;
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
