import type { Result } from '@/core/result';
import {
  readWrittenSchemes,
  type GivenSet,
  type ReadSchemeSearch,
  type SingleChange,
  type WrittenSchemeSearch,
} from '@/core/schemes';
import { fieldTable, figureText, typedFields, typedFigure, writtenFields } from '@/ui/form/fields';

export type SetKind = 'simple' | 'double-pinion' | 'stepped';

/** A set as it is typed: with counts, or free within a range. */
export interface SetForm {
  readonly id: string;
  readonly kind: SetKind;
  readonly free: boolean;
  readonly sun: string;
  readonly ring: string;
  readonly planet: string;
  readonly second: string;
  readonly least: string;
  readonly most: string;
}

export interface SchemesForm {
  readonly sets: readonly SetForm[];
  /** A list of ratios, or so many positions from a first ratio over a spread. */
  readonly wish: 'list' | 'spread';
  readonly ratios: string;
  readonly positions: string;
  readonly first: string;
  readonly spread: string;
  readonly steps: 'even' | 'progressive';
  readonly tolerance: string;
  readonly reverse: 'any' | 'none' | 'range';
  readonly reverseLeast: string;
  readonly reverseMost: string;
  readonly atMost: string;
  readonly brakes: string;
  readonly clutches: string;
  readonly engaged: string;
  readonly single: SingleChange;
  readonly input: string;
  readonly output: string;
  readonly nested: boolean;
  readonly memberSpeed: string;
  readonly planetSpeed: string;
  readonly elementTorque: string;
  readonly recirculation: string;
  readonly efficiency: string;
  readonly mesh: string;
}

export const LIMIT_FIELDS = fieldTable(
  {
    key: 'memberSpeed',
    path: 'memberSpeed',
    label: 'Fastest member',
    unit: '× in',
    hint: 'Turns for one of the input',
  },
  { key: 'planetSpeed', path: 'planetSpeed', label: 'Fastest planet', unit: '× in', hint: 'On its pin' },
  { key: 'elementTorque', path: 'elementTorque', label: 'Element torque', unit: '× in', hint: 'For one at the input' },
  { key: 'recirculation', path: 'recirculation', label: 'Circling power', unit: '%', scale: 0.01 },
  { key: 'efficiency', path: 'efficiency', label: 'Least efficiency', unit: '%', scale: 0.01 },
  { key: 'mesh', path: 'mesh', label: 'Efficiency of a mesh', unit: '%', scale: 0.01, placeholder: '98' },
);

export const ELEMENT_FIELDS = fieldTable(
  { key: 'atMost', path: 'atMost', label: 'Brakes and clutches', required: true, hint: 'Together, at most' },
  { key: 'brakes', path: 'brakes', label: 'Brakes', placeholder: 'any', hint: 'At most' },
  { key: 'clutches', path: 'clutches', label: 'Clutches', placeholder: 'any', hint: 'At most' },
);

const SET_NAMES = ['front', 'middle', 'rear', 'last'];

/** A set to begin with. */
export const newSet = (taken: readonly SetForm[]): SetForm => ({
  id: SET_NAMES.find((name) => taken.every(({ id }) => id !== name)) ?? `set ${taken.length + 1}`,
  kind: 'simple',
  free: false,
  sun: '30',
  ring: '78',
  planet: '24',
  second: '18',
  least: '1.6',
  most: '3.2',
});

export const firstForm = (): SchemesForm => {
  const front = { ...newSet([]), sun: '28', ring: '74' };
  const rear = { ...newSet([front]), id: 'rear', sun: '42', ring: '66' };
  return {
    sets: [front, rear],
    wish: 'list',
    ratios: '2.6, 1.6, 1',
    positions: '5',
    first: '3.6',
    spread: '4.5',
    steps: 'progressive',
    tolerance: '5',
    reverse: 'any',
    reverseLeast: '2',
    reverseMost: '4',
    atMost: '5',
    brakes: '',
    clutches: '',
    // Any number takes ten times as long: who wants it empties the field.
    engaged: '2',
    single: 'preferred',
    input: '',
    output: '',
    nested: false,
    memberSpeed: '',
    planetSpeed: '',
    elementTorque: '',
    recirculation: '',
    efficiency: '',
    mesh: '',
  };
};

/** Sets of a train, typed in: what else could be made of them. */
export const formOfSets = (sets: readonly GivenSet[], forward: readonly string[]): SchemesForm => ({
  ...firstForm(),
  sets: sets.map(typedSet),
  engaged: sets.length > 3 ? '3' : '2',
  ...(forward.length > 0 && { ratios: forward.join(', ') }),
});

/** A search file, typed in. */
export function formOfFile({ sets, wanted, elements, ...file }: WrittenSchemeSearch): SchemesForm {
  const { reverse = 'any' } = wanted;
  return {
    ...firstForm(),
    sets: sets.map(typedSet),
    wish: 'list',
    ratios: wanted.forward.join(', '),
    tolerance: figureText(100 * wanted.tolerance, 12),
    reverse: typeof reverse === 'string' ? reverse : 'range',
    ...(typeof reverse !== 'string' && { reverseLeast: String(reverse[0]), reverseMost: String(reverse[1]) }),
    ...typedFields(ELEMENT_FIELDS, elements),
    ...typedFields(LIMIT_FIELDS, file.limits ?? {}),
    engaged: String(file.engaged ?? ''),
    single: file.single ?? 'preferred',
    input: file.input ?? '',
    output: file.output ?? '',
    nested: file.limits?.nested ?? false,
  };
}

const typedSet = (set: WrittenSchemeSearch['sets'][number] | GivenSet): SetForm => ({
  ...newSet([]),
  id: set.id,
  kind: set.kind,
  ...('ratio' in set
    ? { free: true, least: String(set.ratio[0]), most: String(set.ratio[1]) }
    : { sun: String(set.sun), ring: String(set.ring) }),
  ...('second' in set && { planet: String(set.planet), second: String(set.second) }),
});

/** What is typed as a search file says it. */
export function writtenForm(form: SchemesForm): unknown {
  return {
    format: 'tin-wheel/scheme-search',
    version: 1,
    sets: form.sets.map(writtenSet),
    wanted: {
      forward: form.wish === 'list' ? listed(form.ratios) : ladder(form),
      tolerance: typedFigure(form.tolerance, '%', 0.01),
      reverse:
        form.reverse === 'range' ? [typedFigure(form.reverseLeast), typedFigure(form.reverseMost)] : form.reverse,
    },
    elements: writtenFields(ELEMENT_FIELDS, form),
    engaged: form.engaged.trim() === '' ? null : typedFigure(form.engaged),
    single: form.single,
    input: form.input || null,
    output: form.output || null,
    limits: { ...writtenFields(LIMIT_FIELDS, form), ...(form.nested && { nested: true }) },
    limit: LISTED,
  };
}

/** So many are listed, the best of all that are found. */
const LISTED = 60;

function writtenSet({ id, kind, free, sun, ring, planet, second, least, most }: SetForm): unknown {
  if (free) return { id, kind, ratio: [typedFigure(least), typedFigure(most)] };
  const counts = { id, kind, sun: typedFigure(sun), ring: typedFigure(ring) };
  return kind === 'stepped' ? { ...counts, planet: typedFigure(planet), second: typedFigure(second) } : counts;
}

const listed = (text: string): readonly string[] => text.split(/[\s,;]+/).filter((word) => word !== '');

/** Ratios from the first down to it over the spread: even steps, or steps that shrink evenly to half the first. */
export function ladder({
  positions,
  first,
  spread,
  steps,
}: Pick<SchemesForm, 'positions' | 'first' | 'spread' | 'steps'>): readonly string[] {
  const [count, top, over] = [typedFigure(positions), typedFigure(first), typedFigure(spread)].map(Number);
  if (!count || !top || !over || !Number.isInteger(count) || count < 1 || count > 20) return [];
  if (count === 1) return [String(top)];
  const weights = Array.from({ length: count - 1 }, (_, i) => (steps === 'even' ? 1 : 2 - i / Math.max(1, count - 2)));
  const whole = weights.reduce((sum, weight) => sum + weight, 0);
  let ratio = top;
  return [
    round(top),
    ...weights.map((weight) => {
      ratio /= over ** (weight / whole);
      return round(ratio);
    }),
  ];
}

const round = (ratio: number): string => String(Number(ratio.toPrecision(5)));

export const readForm = (form: SchemesForm): Result<ReadSchemeSearch> => readWrittenSchemes(writtenForm(form));
