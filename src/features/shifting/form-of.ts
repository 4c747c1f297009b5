import type { Scenario } from '@/core/shifting';
import type { DetectorText, ShiftingForm, Mass } from './form';
import { itemAt } from '@/core/required';

/** What stands in fields that a scenario says nothing of. */
const BLANK: Pick<ShiftingForm, 'motor' | 'load'> = {
  motor: {
    kind: 'linear',
    stallTorque: '0.6',
    noLoad: '250',
    supply: '100',
    points: '0, 0.6\n125, 0.4\n250, 0',
    handTorque: '2',
    handRpm: '60',
  },
  load: {
    constant: '',
    linear: '',
    square: '',
    mass: 'none',
    kilograms: '2',
    diameter: '80',
    grade: '10',
    rolling: '',
    air: '',
    profile: '',
  },
};

/** The form that a scenario fills; kinds of motors and masses that it is not of keep what was typed before. */
export function shiftingFormOf(scenario: Scenario, before: ShiftingForm | null = null): ShiftingForm {
  const { name = '', inertia = {}, order, start, rule, durationS, losses = false, heatLimit } = scenario;
  return {
    name,
    motor: motorText(scenario.motor, before?.motor ?? BLANK.motor),
    heatLimit: text(heatLimit),
    load: loadText(scenario.load, before?.load ?? BLANK.load),
    inertia: { input: text(inertia.inputKgM2), output: text(inertia.outputKgM2), members: texts(inertia.membersKgM2) },
    order,
    start: { position: start?.position ?? itemAt(order, 0), outputRpm: text(start?.outputRpm) },
    rule: {
      cue: rule?.cue ?? 'hand',
      down: texts(rule?.down),
      up: texts(rule?.up),
      minimum: text(rule?.minimumS),
      shift: text(rule?.shiftS),
      between: rule?.between ?? 'neutral',
      path: rule?.path ?? 'direct',
      schedule: lines(rule?.schedule ?? []),
    },
    detector: detectorText(rule?.detector),
    duration: text(durationS ?? 20),
    losses,
  };
}

function motorText(motor: Scenario['motor'], before: ShiftingForm['motor']): ShiftingForm['motor'] {
  switch (motor.kind) {
    case 'linear': {
      const { kind, stallTorqueNm, noLoadRpm, supply = 1 } = motor;
      return { ...before, kind, stallTorque: text(stallTorqueNm), noLoad: text(noLoadRpm), supply: perCent(supply) };
    }
    case 'table':
      return { ...before, kind: 'table', points: lines(motor.points) };
    case 'hand':
      return { ...before, kind: 'hand', handTorque: text(motor.torqueNm), handRpm: text(motor.rpm) };
  }
}

function loadText(load: Scenario['load'], before: ShiftingForm['load']): ShiftingForm['load'] {
  const mass = massOf(load);
  const plain = {
    ...before,
    constant: text(load.constantNm),
    linear: text(load.linearNmPerRadS),
    square: text(load.squareNmPerRadS2),
    profile: lines(load.profile ?? []),
    mass,
  };
  if (mass === 'none') return plain;
  const { massKg, wheelDiameterMm, grade, rolling, airNAt1MS } = load;
  const heavy = { ...plain, kilograms: text(massKg), diameter: text(wheelDiameterMm) };
  return mass === 'vehicle'
    ? { ...heavy, grade: perCent(grade ?? 0), rolling: text(rolling), air: text(airNAt1MS) }
    : heavy;
}

function massOf({ massKg, grade, rolling, airNAt1MS, lowering }: Scenario['load']): Mass {
  if (massKg === null || massKg === undefined) return 'none';
  if ([grade, rolling, airNAt1MS].some((value) => value !== null && value !== undefined)) return 'vehicle';
  return lowering ? 'lowered' : 'raised';
}

type Written = NonNullable<NonNullable<Scenario['rule']>['detector']>;

const detectorText = (detector: Written = {}): DetectorText => ({
  feels: detector.feels ?? 'output',
  lag: text(detector.lagS),
  stiffness: text(detector.stiffnessNmPerDeg),
  preload: text(detector.preloadNm),
  damping: text(detector.dampingNmSPerDeg),
  detentOn: text(detector.detentOnNm),
  detentOff: text(detector.detentOffNm),
  arm: text(detector.armMm),
});

const text = (value: number | null | undefined): string => (value === null || value === undefined ? '' : String(value));
/** A hundred times a decimal has digits that nobody wrote. */
const perCent = (value: number): string => text(Number((value * 100).toPrecision(12)));
const texts = (values: Readonly<Record<string, number>> = {}): Readonly<Record<string, string>> =>
  Object.fromEntries(Object.entries(values).map(([key, value]) => [key, text(value)]));
const lines = (pairs: readonly (readonly (number | string)[])[]): string =>
  pairs.map((pair) => pair.map((cell) => (typeof cell === 'number' ? text(cell) : cell)).join(', ')).join('\n');
