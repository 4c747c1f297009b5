import type { Scenario } from '@/core/shifting';
import { typedFigure, writtenFields } from '@/ui/form/fields';
import {
  DETECTOR,
  DURATION,
  HAND_MOTOR,
  HEAT,
  INERTIA,
  LAG,
  LINEAR_MOTOR,
  LOAD_TORQUES,
  massFields,
  RULE_TIMES,
  START,
  VEHICLE,
} from './fields';
import { required } from '@/core/required';

export type MotorKind = Scenario['motor']['kind'];
/** What the load is besides the torques that are typed: nothing, a weight on a drum, or a vehicle. */
export type Mass = 'none' | 'raised' | 'lowered' | 'vehicle';
export type Cue = NonNullable<Scenario['rule']>['cue'];
export type BetweenPositions = NonNullable<NonNullable<Scenario['rule']>['between']>;

/** Torques by positions that are left, as typed; empty where they are not left that way. */
export type Thresholds = Readonly<Record<string, string>>;

/** A scenario as it is typed: every kind of motor and load at once, so that going from one to another loses nothing. */
export interface ShiftingForm {
  readonly name: string;
  readonly motor: {
    readonly kind: MotorKind;
    readonly stallTorque: string;
    readonly noLoad: string;
    /** Per cent. */
    readonly supply: string;
    /** Lines of rpm and N·m. */
    readonly points: string;
    readonly handTorque: string;
    readonly handRpm: string;
  };
  readonly heatLimit: string;
  readonly load: {
    readonly constant: string;
    readonly linear: string;
    readonly square: string;
    readonly mass: Mass;
    readonly kilograms: string;
    readonly diameter: string;
    /** Per cent of rise over run. */
    readonly grade: string;
    readonly rolling: string;
    readonly air: string;
    /** Lines of seconds and N·m. */
    readonly profile: string;
  };
  readonly inertia: {
    readonly input: string;
    readonly output: string;
    readonly members: Readonly<Record<string, string>>;
  };
  readonly order: readonly string[];
  readonly start: { readonly position: string; readonly outputRpm: string };
  readonly rule: {
    readonly cue: Cue;
    readonly down: Thresholds;
    readonly up: Thresholds;
    readonly minimum: string;
    readonly shift: string;
    readonly between: BetweenPositions;
    readonly path: 'direct' | 'sequence';
    readonly schedule: string;
  };
  readonly detector: DetectorText;
  readonly duration: string;
  readonly losses: boolean;
}

export interface DetectorText {
  readonly feels: 'output' | 'motor';
  readonly lag: string;
  readonly stiffness: string;
  readonly preload: string;
  readonly damping: string;
  readonly detentOn: string;
  readonly detentOff: string;
  readonly arm: string;
}

const isTyped = (text: string): boolean => text.trim() !== '';

/** Lines of two figures, apart by a comma, a semicolon, a tab or blanks. */
export const scheduleLines = (text: string): readonly (readonly string[])[] =>
  text
    .split(/\r?\n/)
    .map((line) => line.trim().split(/\s*[;,\t]\s*|\s+/))
    .filter(([first]) => first !== '');

const pairsOf = (text: string): [number, number][] =>
  scheduleLines(text).map((cells) => cells.map((cell) => typedFigure(cell)) as [number, number]);

/** What is typed as a scenario is written; what cannot be read is left for its reader to name. */
export function writtenScenario(form: ShiftingForm): Scenario {
  const { name, inertia, order, start, rule, losses } = form;
  const members = Object.entries(inertia.members).filter(([, text]) => isTyped(text));
  return {
    format: 'tin-wheel/scenario',
    version: 1,
    ...(isTyped(name) && { name }),
    motor: motorOf(form.motor),
    ...writtenFields(HEAT, form),
    load: loadOf(form.load),
    inertia: {
      ...writtenFields(INERTIA, inertia),
      ...(members.length > 0 && {
        membersKgM2: Object.fromEntries(members.map(([id, text]) => [id, typedFigure(text, 'kg m²')])),
      }),
    },
    order: [...order],
    start: { position: start.position, ...writtenFields(START, start) },
    rule: {
      cue: rule.cue,
      ...(rule.cue === 'hand'
        ? {
            schedule: scheduleLines(rule.schedule).map(([at = '', ...id]): [number, string] => [
              typedFigure(at, 's'),
              id.join(' '),
            ]),
            path: rule.path,
          }
        : { down: thresholdsOf(rule.down, order), up: thresholdsOf(rule.up, order) }),
      ...writtenFields(RULE_TIMES, rule),
      between: rule.between,
      ...(rule.cue === 'torque' && {
        detector: { feels: form.detector.feels, ...writtenFields(DETECTOR, form.detector) },
      }),
      ...(rule.cue === 'speed' && isTyped(form.detector.lag) && { detector: writtenFields(LAG, form.detector) }),
    },
    ...writtenFields(DURATION, form),
    losses,
  };
}

function motorOf(motor: ShiftingForm['motor']): Scenario['motor'] {
  const { kind } = motor;
  switch (kind) {
    case 'linear':
      return { kind, ...writtenFields(LINEAR_MOTOR, motor) } as Scenario['motor'];
    case 'table':
      return { kind, points: pairsOf(motor.points) };
    case 'hand':
      return { kind, ...writtenFields(HAND_MOTOR, motor) } as Scenario['motor'];
  }
}

function loadOf(load: ShiftingForm['load']): Scenario['load'] {
  const { mass, profile, grade } = load;
  return {
    ...writtenFields(LOAD_TORQUES, load),
    ...(isTyped(profile) && { profile: pairsOf(profile) }),
    ...(mass !== 'none' && writtenFields(massFields(mass === 'vehicle'), load)),
    ...(mass === 'lowered' && { lowering: true }),
    ...(mass === 'vehicle' && { ...(!isTyped(grade) && { grade: 0 }), ...writtenFields(VEHICLE, load) }),
  };
}

const thresholdsOf = (texts: Thresholds, order: readonly string[]): Record<string, number> =>
  Object.fromEntries(
    order.filter((id) => isTyped(texts[id] ?? '')).map((id) => [id, typedFigure(required(texts[id]))]),
  );
