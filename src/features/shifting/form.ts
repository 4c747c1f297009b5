import type { Scenario } from '@/core/shifting';
import { typedNumber } from '@/ui/typed-number';
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

/** What is typed as a number; what is none stays text, which the reader of scenarios refuses at its place. */
const typed = (text: string): number => {
  const value = typedNumber(text);
  return (Number.isNaN(value) ? text : value) as number;
};
const percent = (text: string): number => {
  const value = typed(text);
  return typeof value === 'number' ? Number((value / 100).toPrecision(12)) : value;
};
const isTyped = (text: string): boolean => text.trim() !== '';
const given = <K extends string>(key: K, text: string, read = typed): { readonly [key in K]?: number } =>
  isTyped(text) ? ({ [key]: read(text) } as { [key in K]: number }) : {};

/** Lines of two figures, apart by a comma, a semicolon, a tab or blanks. */
export const scheduleLines = (text: string): readonly (readonly string[])[] =>
  text
    .split(/\r?\n/)
    .map((line) => line.trim().split(/\s*[;,\t]\s*|\s+/))
    .filter(([first]) => first !== '');

const pairsOf = (text: string): [number, number][] =>
  scheduleLines(text).map((cells) => cells.map(typed) as [number, number]);

/** What is typed as a scenario is written; what cannot be read is left for its reader to name. */
export function writtenScenario(form: ShiftingForm): Scenario {
  const { name, heatLimit, inertia, order, start, rule, duration, losses } = form;
  const members = Object.entries(inertia.members).filter(([, text]) => isTyped(text));
  return {
    format: 'tin-wheel/scenario',
    version: 1,
    ...(isTyped(name) && { name }),
    motor: motorOf(form.motor),
    ...given('heatLimit', heatLimit),
    load: loadOf(form.load),
    inertia: {
      ...given('inputKgM2', inertia.input),
      ...given('outputKgM2', inertia.output),
      ...(members.length > 0 && { membersKgM2: Object.fromEntries(members.map(([id, text]) => [id, typed(text)])) }),
    },
    order: [...order],
    start: { position: start.position, ...given('outputRpm', start.outputRpm) },
    rule: {
      cue: rule.cue,
      ...(rule.cue === 'hand'
        ? {
            schedule: scheduleLines(rule.schedule).map(([at = '', ...id]): [number, string] => [
              typed(at),
              id.join(' '),
            ]),
            path: rule.path,
          }
        : { down: thresholdsOf(rule.down, order), up: thresholdsOf(rule.up, order) }),
      ...given('minimumS', rule.minimum),
      ...given('shiftS', rule.shift),
      between: rule.between,
      ...(rule.cue === 'torque' && { detector: detectorOf(form.detector) }),
      ...(rule.cue === 'speed' && isTyped(form.detector.lag) && { detector: given('lagS', form.detector.lag) }),
    },
    ...given('durationS', duration),
    losses,
  };
}

function motorOf({
  kind,
  stallTorque,
  noLoad,
  supply,
  points,
  handTorque,
  handRpm,
}: ShiftingForm['motor']): Scenario['motor'] {
  switch (kind) {
    case 'linear':
      return { kind, stallTorqueNm: typed(stallTorque), noLoadRpm: typed(noLoad), supply: percent(supply) };
    case 'table':
      return { kind, points: pairsOf(points) };
    case 'hand':
      return { kind, torqueNm: typed(handTorque), rpm: typed(handRpm) };
  }
}

function loadOf(load: ShiftingForm['load']): Scenario['load'] {
  const { constant, linear, square, mass, kilograms, diameter, grade, rolling, air, profile } = load;
  return {
    ...given('constantNm', constant),
    ...given('linearNmPerRadS', linear),
    ...given('squareNmPerRadS2', square),
    ...(isTyped(profile) && { profile: pairsOf(profile) }),
    ...(mass !== 'none' && { massKg: typed(kilograms), wheelDiameterMm: typed(diameter) }),
    ...(mass === 'lowered' && { lowering: true }),
    ...(mass === 'vehicle' && {
      grade: isTyped(grade) ? percent(grade) : 0,
      ...given('rolling', rolling),
      ...given('airNAt1MS', air),
    }),
  };
}

const thresholdsOf = (texts: Thresholds, order: readonly string[]): Record<string, number> =>
  Object.fromEntries(order.filter((id) => isTyped(texts[id] ?? '')).map((id) => [id, typed(required(texts[id]))]));

const detectorOf = ({ feels, lag, stiffness, preload, damping, detentOn, detentOff, arm }: DetectorText) => ({
  feels,
  ...given('lagS', lag),
  ...given('stiffnessNmPerDeg', stiffness),
  ...given('preloadNm', preload),
  ...given('dampingNmSPerDeg', damping),
  ...given('detentOnNm', detentOn),
  ...given('detentOffNm', detentOff),
  ...given('armMm', arm),
});
