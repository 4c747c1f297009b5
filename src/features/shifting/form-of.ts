import type { Scenario } from '@/core/shifting';
import { typedFields } from '@/ui/form/fields';
import {
  DETECTOR,
  DURATION,
  HAND_MOTOR,
  HEAT,
  INERTIA,
  LINEAR_MOTOR,
  LOAD_TORQUES,
  massFields,
  RULE_TIMES,
  START,
  VEHICLE,
} from './fields';
import type { ShiftingForm, Mass } from './form';
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
  const { name = '', inertia = {}, order, start, rule, losses = false } = scenario;
  return {
    name,
    motor: motorText(scenario.motor, before?.motor ?? BLANK.motor),
    ...typedFields(HEAT, scenario),
    load: loadText(scenario.load, before?.load ?? BLANK.load),
    inertia: { ...typedFields(INERTIA, inertia), members: texts(inertia.membersKgM2) },
    order,
    start: { position: start?.position ?? itemAt(order, 0), ...typedFields(START, start ?? {}) },
    rule: {
      cue: rule?.cue ?? 'hand',
      down: texts(rule?.down),
      up: texts(rule?.up),
      ...typedFields(RULE_TIMES, rule ?? {}),
      between: rule?.between ?? 'neutral',
      path: rule?.path ?? 'direct',
      schedule: lines(rule?.schedule ?? []),
    },
    detector: { feels: rule?.detector?.feels ?? 'output', ...typedFields(DETECTOR, rule?.detector ?? {}) },
    ...typedFields(DURATION, { durationS: 20, ...scenario }),
    losses,
  };
}

function motorText(motor: Scenario['motor'], before: ShiftingForm['motor']): ShiftingForm['motor'] {
  switch (motor.kind) {
    case 'linear':
      return { ...before, kind: 'linear', ...typedFields(LINEAR_MOTOR, { supply: 1, ...motor }) };
    case 'table':
      return { ...before, kind: 'table', points: lines(motor.points) };
    case 'hand':
      return { ...before, kind: 'hand', ...typedFields(HAND_MOTOR, motor) };
  }
}

function loadText(load: Scenario['load'], before: ShiftingForm['load']): ShiftingForm['load'] {
  const mass = massOf(load);
  const plain = {
    ...before,
    ...typedFields(LOAD_TORQUES, load),
    profile: lines(load.profile ?? []),
    mass,
  };
  if (mass === 'none') return plain;
  const heavy = { ...plain, ...typedFields(massFields(mass === 'vehicle'), load) };
  return mass === 'vehicle' ? { ...heavy, ...typedFields(VEHICLE, { grade: 0, ...load }) } : heavy;
}

function massOf({ massKg, grade, rolling, airNAt1MS, lowering }: Scenario['load']): Mass {
  if (massKg === null || massKg === undefined) return 'none';
  if ([grade, rolling, airNAt1MS].some((value) => value !== null && value !== undefined)) return 'vehicle';
  return lowering ? 'lowered' : 'raised';
}

const texts = (values: Readonly<Record<string, number>> = {}): Readonly<Record<string, string>> =>
  Object.fromEntries(Object.entries(values).map(([key, value]) => [key, String(value)]));
const lines = (pairs: readonly (readonly (number | string)[])[]): string =>
  pairs.map((pair) => pair.map((cell) => (typeof cell === 'number' ? String(cell) : cell)).join(', ')).join('\n');
