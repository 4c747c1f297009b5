import { toFraction, type Rational } from '@/core/rational';
import { splitFigure } from '@/core/units';
import { typedFigure, writtenFields } from '@/ui/form/fields';
import { LADDER_FACTOR, MODULE, MOST_ERROR, RANGES, SIZES, SPACE, TIME, UNDERCUT } from './fields';
import type { SearchQuestion, SetMember, SetShape, WantedRatio, WrittenSearch } from '@/core/tooth-search';
import type { Train } from '@/core/train';
import { required } from '@/core/required';

export type SearchKind = SearchQuestion['kind'];
export type Spans = readonly [least: string, most: string];

/** Every form of a target at once, so that going from one to another loses nothing. */
export interface WantedText {
  readonly form: WantedRatio['form'];
  readonly ratio: string;
  readonly speedIn: string;
  readonly speedOut: string;
  readonly time: string;
  readonly rimSpeed: string;
  readonly diameter: string;
  readonly turnsIn: string;
  readonly turnsOut: string;
}

/** What limits the wheels, as typed; empty where it does not. */
export interface WheelsText {
  readonly min: string;
  readonly max: string;
  /** Tooth counts in stock; empty for any. */
  readonly stock: string;
  readonly module: string;
  readonly bore: string;
  readonly wall: string;
  readonly space: string;
  readonly undercut: boolean;
  readonly pressureAngle: string;
  readonly shift: string;
}

export interface SetText {
  readonly shape: SetShape;
  readonly input: SetMember;
  readonly output: SetMember;
  readonly held: SetMember;
  readonly sun: Spans;
  readonly planet: Spans;
  readonly second: Spans;
  readonly ring: Spans;
  readonly copies: Spans;
}

export interface OutputText {
  readonly name: string;
  readonly wanted: WantedText;
  readonly turning: TeethForm['turning'];
}

/** A gear whose count may change, and a position whose ratio is wanted. */
export interface FreeText {
  readonly free: boolean;
  readonly span: Spans;
}
export interface TargetText {
  readonly ratio: string;
  readonly weight: string;
}

/** What is asked, as it is typed. */
export interface TeethForm {
  readonly kind: SearchKind;
  readonly wanted: WantedText;
  readonly stages: readonly [least: number, most: number];
  readonly wheels: WheelsText;
  /** Limits of each stage; null while all have the same. */
  readonly perStage: readonly Spans[] | null;
  readonly coprime: 'any' | 'preferred' | 'required';
  readonly equalCentres: boolean;
  readonly same: boolean;
  readonly internal: boolean;
  readonly turning: 'any' | 'same' | 'opposite';
  /** Per cent; empty for any. */
  readonly maxError: string;
  /** Seconds after which the search ends with the best found; empty for none. */
  readonly timeS: string;
  /** Of one mesh, per cent; for the question of how many stages. */
  readonly efficiency: string;
  readonly ladder: {
    readonly from: string;
    readonly to: string;
    readonly positions: string;
    readonly progressive: boolean;
    readonly factor: string;
  };
  readonly ranges: {
    readonly step: string;
    readonly positions: string;
    readonly ranges: string;
    readonly first: string;
  };
  readonly outputs: readonly OutputText[];
  /** The input speed that all outputs are given by; empty where each has its own. */
  readonly motor: string;
  readonly between: readonly [least: number, most: number];
  /** Stages to the first tap. */
  readonly toFirst: readonly [least: number, most: number];
  readonly coaxial: boolean;
  readonly set: SetText;
  readonly behind: SetText | null;
  readonly uneven: boolean;
  readonly fit: {
    readonly free: Readonly<Record<string, FreeText>>;
    readonly targets: Readonly<Record<string, TargetText>>;
    readonly holdCentres: boolean;
  };
}

const SET: SetText = {
  shape: 'simple',
  input: 'sun',
  output: 'carrier',
  held: 'ring',
  sun: ['15', '40'],
  planet: ['15', '40'],
  second: ['12', '30'],
  ring: ['30', '120'],
  copies: ['3', '4'],
};
export const setBehind: SetText = SET;

export const wantedAs = (ratio: string): WantedText => ({
  form: 'ratio',
  ratio,
  speedIn: '1500 rpm',
  speedOut: '25 rpm',
  time: '24 h',
  rimSpeed: '0.2 m/s',
  diameter: '400 mm',
  turnsIn: '235',
  turnsOut: '19',
});

export const outputOf = (name: string): OutputText => ({ name, wanted: wantedAs('100'), turning: 'any' });

/** What is wanted of an output, by the speed of the motor that all have. */
export const outputWanted = ({ wanted }: OutputText, motor: string): WantedText =>
  motor.trim() === '' ? wanted : { ...wanted, speedIn: motor };

/** The form as it opens: the open train's own ratio is the target, its gears may change a little. */
export function firstForm(train: Train | null, ratio: Rational | null): TeethForm {
  return {
    kind: 'chains',
    wanted: wantedAs(ratio ? toFraction(ratio).replace('-', '') : '9.87'),
    stages: [2, 2],
    wheels: {
      min: '12',
      max: '100',
      stock: '',
      module: '',
      bore: '',
      wall: '',
      space: '',
      undercut: false,
      pressureAngle: '20',
      shift: '0',
    },
    perStage: null,
    coprime: 'any',
    equalCentres: false,
    same: false,
    internal: false,
    turning: 'any',
    maxError: '',
    timeS: '',
    efficiency: '98',
    ladder: { from: '4', to: '1', positions: '5', progressive: false, factor: '1.05' },
    ranges: { step: '1.25', positions: '4', ranges: '2', first: '1' },
    outputs: [
      { ...outputOf('minute'), wanted: { ...wantedAs('60'), form: 'period', time: '1 h' } },
      { ...outputOf('hour'), wanted: { ...wantedAs('720'), form: 'period', time: '12 h' } },
    ],
    motor: '1 rpm',
    between: [1, 2],
    toFirst: [1, 2],
    coaxial: false,
    set: SET,
    behind: null,
    uneven: false,
    fit: {
      free: Object.fromEntries((train?.gears ?? []).map(({ id, teeth }) => [id, spanAround(teeth)])),
      targets: {},
      holdCentres: true,
    },
  };
}

/** A span of a few teeth either way. */
export const spanAround = (teeth: number, by = 4): FreeText => ({
  free: false,
  span: [String(Math.max(4, teeth - by)), String(teeth + by)],
});

/** What is typed as a search is written; what cannot be read is left for the reader of searches to name. */
export function writtenSearch(form: TeethForm, train: Train | null): WrittenSearch {
  const { kind, wheels, coprime } = form;
  const head = {
    format: 'tin-wheel/search',
    version: 1,
    limit: kind === 'fit' ? 20 : 100,
    ...writtenFields(TIME, form),
  } as const;
  const limits = { teeth: teethOf(wheels), coprime };
  const target = { wanted: wantedOf(form.wanted) };
  const error = { maxError: null, ...writtenFields(MOST_ERROR, form) };
  switch (kind) {
    case 'chains': {
      const { stages, perStage, equalCentres, same, internal, turning } = form;
      const own = perStage?.slice(0, stages[1]).map(([min, max]) => teethOf({ ...wheels, stock: '', min, max }));
      return {
        ...head,
        ...target,
        ...limits,
        stages: [...stages],
        ...(own && { perStage: own }),
        equalCentres,
        same,
        internal,
        turning,
        ...error,
      };
    }
    case 'planetary': {
      const { set, behind, uneven } = form;
      const planetary = { ...setOf(set), uneven, ...(behind && { behind: setOf(behind) }) };
      return { ...head, ...target, ...error, teeth: { ...teethOf({ ...wheels, stock: '' }) }, planetary };
    }
    case 'ladder': {
      const { from, to, positions, progressive } = form.ladder;
      const steps = progressive
        ? ({ steps: 'progressive', ...writtenFields(LADDER_FACTOR, form.ladder) } as const)
        : {};
      return {
        ...head,
        ...limits,
        ladder: { from: ratioText(from), to: ratioText(to), positions: typedFigure(positions), ...steps },
      };
    }
    case 'ranges': {
      const ranges = { ...writtenFields(RANGES, form.ranges), first: ratioText(form.ranges.first) };
      return { ...head, ...limits, ranges: ranges as WrittenSearch['ranges'] };
    }
    case 'outputs':
      return {
        ...head,
        ...limits,
        stages: [...form.between],
        firstStages: [...form.toFirst],
        coaxial: form.coaxial,
        outputs: form.outputs.map((output) => ({
          name: output.name,
          wanted: wantedOf(outputWanted(output, form.motor)),
          turning: output.turning,
        })),
      };
    case 'fit': {
      const { free, targets, holdCentres } = form.fit;
      const gears = (train?.gears ?? []).filter(({ id }) => free[id]?.free);
      const wanted = (train?.positions ?? []).filter(({ id }) => (targets[id]?.ratio ?? '').trim() !== '');
      return {
        ...head,
        coprime,
        fit: {
          free: Object.fromEntries(gears.map(({ id }) => [id, spanOf(required(free[id]).span)])),
          targets: Object.fromEntries(wanted.map(({ id }) => [id, ratioText(required(targets[id]).ratio)])),
          weights: Object.fromEntries(wanted.map(({ id }) => [id, typedFigure(required(targets[id]).weight || '1')])),
          holdCentres,
        },
      };
    }
  }
}

export function wantedOf(wanted: WantedText): WantedRatio {
  const { form, ratio, speedIn, speedOut, time, rimSpeed, diameter, turnsIn, turnsOut } = wanted;
  switch (form) {
    case 'ratio':
      return { form, ratio: /:/.test(ratio) ? ratioText(ratio) : ratio };
    case 'speeds':
      return { form, in: speedIn, out: speedOut };
    case 'period':
      return { form, in: speedIn, time };
    case 'tip':
      return { form, in: speedIn, speed: rimSpeed, diameter };
    case 'turns':
      return { form, in: turnsIn, out: turnsOut };
  }
}

export function teethOf(wheels: WheelsText) {
  const { min, max, stock, bore, undercut } = wheels;
  const list = stockOf(stock);
  return {
    ...given('min', min),
    ...given('max', max),
    ...(list.length > 0 && { stock: list }),
    ...writtenFields(bore.trim() === '' ? [...MODULE, ...SPACE] : SIZES, wheels),
    ...(undercut && { undercut: writtenFields(UNDERCUT, wheels) as { pressureAngle: number; shift: number } }),
  };
}

const setOf = ({ shape, input, output, held, sun, planet, second, ring, copies }: SetText) => ({
  shape,
  input,
  output,
  held,
  sun: spanOf(sun),
  planet: spanOf(planet),
  ...(shape !== 'simple' && { second: spanOf(second) }),
  ring: spanOf(ring),
  copies: spanOf(copies),
});

const given = <K extends string>(key: K, text: string): { [key in K]?: number } =>
  text.trim() === '' ? {} : ({ [key]: typedFigure(text, 'teeth') } as { [key in K]: number });
const spanOf = ([least, most]: Spans): [number, number] => [typedFigure(least, 'teeth'), typedFigure(most, 'teeth')];

/** A list of counts as it is typed: "17 20-24, 30" has seven; what is no count goes on as it is, to be refused. */
function stockOf(text: string): number[] {
  const items = text.replace(/(\d)\s*[-–]\s*(?=\d)/g, '$1-').split(/[\s,;]+/);
  return items.filter(Boolean).flatMap((item) => {
    const [, least, most] = /^(\d{1,6})-(\d{1,6})$/.exec(item)?.map(Number) ?? [];
    if (least === undefined || most === undefined || most < least || most - least > MOST_IN_STOCK)
      return [typedFigure(item)];
    return Array.from({ length: most - least + 1 }, (_, i) => least + i);
  });
}
const MOST_IN_STOCK = 500;

/**
 * A ratio as the reader of searches has it: what is typed with a comma, as "2 1/2" or as "3:1", as a fraction.
 */
function ratioText(typed: string): string {
  const text = typed.replace(/^\s*(\d+)\s*:\s*(\d+)\s*$/, '$1/$2');
  const written = splitFigure(text);
  const sign = /^\s*\+/.test(text) ? '+' : '';
  return written?.unit === '' ? sign + toFraction(written.value) : text;
}
