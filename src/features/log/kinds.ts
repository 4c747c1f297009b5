import { typedFigure, type FormField } from '@/ui/form/fields';
import type { Reading } from '@/core/measurement';

export type ReadingKind = Reading['kind'];

/** A figure of a reading, as a field. */
export interface FigureField extends FormField {
  readonly unit: string;
  /** What it begins with. */
  readonly start?: string;
  /** It stays from one reading to the next: what is set up once a day. */
  readonly stays?: boolean;
  /** It says what the input does, whichever kind of reading is taken. */
  readonly shared?: boolean;
  readonly optional?: boolean;
}

/** A kind of reading: how it is called and picked, and what is typed for it. */
export interface KindForm {
  readonly letter: string;
  readonly name: string;
  /** What the reading is of. */
  readonly of: 'member' | 'mesh' | 'gear' | 'part' | null;
  readonly fields: readonly FigureField[];
}

const field = (key: string, label: string, unit: string, more: Partial<FigureField> = {}): FigureField => ({
  key,
  path: key,
  label,
  unit,
  ...more,
});
const stays = (start: string): Partial<FigureField> => ({ stays: true, start });
const INPUT_TURNS = field('inputTurns', 'Input made', 'turns', { ...stays('1'), shared: true });
const OF_INPUT = { stays: true, shared: true, optional: true };
const INPUT_SPEED = field('inputRpm', 'Input read at the same time', 'rpm', OF_INPUT);
const INPUT_TORQUE = field('inputTorqueNm', 'Input torque', 'N·m', OF_INPUT);

export const KINDS: Readonly<Record<ReadingKind, KindForm>> = {
  marks: {
    letter: 'm',
    name: 'Marks passed',
    of: 'member',
    fields: [
      field('passed', 'Marks that passed', 'marks'),
      field('full', 'besides full turns', 'turns', { optional: true }),
      field('marks', 'of', 'on a turn', stays('24')),
      INPUT_TURNS,
      field('resolution', 'Resolution ±', 'marks', stays('0.5')),
    ],
  },
  turns: {
    letter: 't',
    name: 'Turns counted',
    of: 'member',
    fields: [
      field('turns', 'It made', 'turns'),
      INPUT_TURNS,
      field('resolution', 'Resolution ±', 'turns', stays('0.25')),
    ],
  },
  angle: {
    letter: 'a',
    name: 'Angle',
    of: 'member',
    fields: [field('degrees', 'It turned by', '°'), INPUT_TURNS, field('resolution', 'Resolution ±', '°', stays('1'))],
  },
  frames: {
    letter: 'f',
    name: 'Frames of a film',
    of: 'member',
    fields: [
      field('frames', 'It took', 'frames'),
      field('turns', 'for', 'turns', stays('1')),
      field('frameRate', 'at', 'frames/s', stays('50')),
      field('resolution', 'Resolution ±', 'frames', stays('0.5')),
      INPUT_SPEED,
    ],
  },
  tachometer: {
    letter: 'o',
    name: 'Tachometer',
    of: 'member',
    fields: [field('rpm', 'It shows', 'rpm'), field('resolution', 'Resolution ±', 'rpm', stays('1')), INPUT_SPEED],
  },
  scale: {
    letter: 's',
    name: 'Scale on an arm',
    of: 'member',
    fields: [
      field('grams', 'It shows', 'g'),
      field('resolutionG', 'Resolution ±', 'g', stays('1')),
      field('armMm', 'on an arm of', 'mm', stays('100')),
      field('resolutionMm', 'Resolution ±', 'mm', stays('1')),
      INPUT_TORQUE,
    ],
  },
  weight: {
    letter: 'w',
    name: 'Pull of a weight',
    of: 'member',
    fields: [
      field('massKg', 'It just lifts', 'kg'),
      field('resolutionKg', 'Resolution ±', 'kg', stays('0.01')),
      field('drumMm', 'on a drum of', 'mm', stays('80')),
      field('resolutionMm', 'Resolution ±', 'mm', stays('1')),
      INPUT_TORQUE,
    ],
  },
  slowing: {
    letter: 'l',
    name: 'Motor slowed down',
    of: null,
    fields: [
      field('rpm', 'With the box or load it turns at', 'rpm'),
      field('freeRpm', 'alone at', 'rpm', stays('250')),
      field('stallTorqueNm', 'Its stall torque', 'N·m', stays('0.6')),
      field('resolution', 'Resolution ±', 'rpm', stays('1')),
    ],
  },
  radii: {
    letter: 'u',
    name: 'Two radii',
    of: 'mesh',
    fields: [
      field('radiusMm', 'First wheel', 'mm'),
      field('otherMm', 'Second wheel', 'mm'),
      field('resolutionMm', 'Resolution ±', 'mm', stays('0.5')),
    ],
  },
  teeth: { letter: 'c', name: 'Teeth counted', of: 'gear', fields: [field('teeth', 'Teeth', 'teeth')] },
  tip: {
    letter: 'p',
    name: 'Tip speed',
    of: 'member',
    fields: [
      field('rpm', 'It turns at', 'rpm'),
      field('resolution', 'Resolution ±', 'rpm', stays('1')),
      field('diameterMm', 'Diameter', 'mm', stays('100')),
      field('resolutionMm', 'Resolution ±', 'mm', stays('1')),
    ],
  },
  event: { letter: 'e', name: 'Event', of: 'part', fields: [] },
};

export const KIND_ORDER = Object.keys(KINDS) as ReadingKind[];

/** Kinds that tell a ratio, and with it which way it turns. */
export const HAS_WAY: ReadonlySet<ReadingKind> = new Set(['marks', 'turns', 'angle']);

/** What is typed for a reading. */
export interface ReadingDraft {
  readonly kind: ReadingKind;
  readonly figures: Readonly<Record<string, string>>;
  /** What was typed for other kinds, each its own: how finely one can be read says nothing of the next. */
  readonly stayed?: Partial<Record<ReadingKind, Readonly<Record<string, string>>>>;
  readonly member: string;
  readonly mesh: string;
  readonly gear: string;
  readonly part: string;
  readonly what: string;
  readonly note: string;
  readonly loaded: boolean;
  /** The way it turned, seen against the input; empty where nobody looked. */
  readonly way: '' | 'same' | 'reverse';
}

/** The fields of a kind as the next reading begins: what is set up once a day stays. */
export const emptyFigures = (
  kind: ReadingKind,
  before: Readonly<Record<string, string>> = {},
): Readonly<Record<string, string>> =>
  withInstrument(
    before.instrument,
    Object.fromEntries(
      KINDS[kind].fields.map(({ key, start = '', stays: keeps }) => [key, keeps ? (before[key] ?? start) : '']),
    ),
  );

/** What it is read with stays beside the figures of its kind. */
const withInstrument = (instrument: string | undefined, figures: Readonly<Record<string, string>>) =>
  instrument === undefined ? figures : { ...figures, instrument };

/** A draft of another kind: its figures as they were left, those of the input as they are. */
export function ofKind(draft: ReadingDraft, kind: ReadingKind): ReadingDraft {
  const stayed = { ...draft.stayed, [draft.kind]: draft.figures };
  const own = stayed[kind] ?? {};
  const figures = Object.fromEntries(
    KINDS[kind].fields.map(({ key, start = '', shared }) => [
      key,
      (shared ? draft.figures[key] : undefined) ?? own[key] ?? start,
    ]),
  );
  return { ...draft, kind, figures: withInstrument(own.instrument, figures), stayed };
}

/** Figures that were read in a unit of their own, as they were read. */
const readInOwnUnit = (fields: readonly FigureField[], figures: Readonly<Record<string, string>>) =>
  Object.fromEntries(
    fields.flatMap(({ key }) => {
      const text = (figures[key] ?? '').trim();
      return /[^\d\s.,/+\u2212-]/.test(text) ? [[key, text.slice(0, MOST_READ)] as const] : [];
    }),
  );
const MOST_READ = 40;

/** How finely a named instrument was last read in a kind: its resolutions, as fields have them. */
export function resolutionsOf(kind: ReadingKind, instrument: string, readings: readonly Reading[]) {
  const last = readings.findLast((one) => one.kind === kind && one.instrument === instrument);
  const values = last as unknown as Readonly<Record<string, unknown>> | undefined;
  return Object.fromEntries(
    KINDS[kind].fields.flatMap(({ key }) =>
      /^resolution/.test(key) && typeof values?.[key] === 'number' ? [[key, String(values[key])] as const] : [],
    ),
  );
}

/** What is wrong before anything is computed; null where nothing is. */
export function wrongMarks({ kind, figures }: ReadingDraft): string | null {
  if (kind !== 'marks') return null;
  const [passed, marks] = [typedFigure(figures.passed ?? ''), typedFigure(figures.marks ?? '')];
  if (typeof passed !== 'number' || typeof marks !== 'number' || passed <= marks || (figures.full ?? '').trim() !== '')
    return null;
  return (
    `More marks than the ${marks} of one turn: say how many full turns it ` +
    'made besides (0 where you counted through).'
  );
}

/** What is typed as a reading is written. */
export function writtenReading(
  draft: ReadingDraft,
  rest: { readonly id: string; readonly position: string | null; readonly engaged: readonly string[] } & object,
): object {
  const { kind, figures, note, loaded, way } = draft;
  const { of, fields } = KINDS[kind];
  const { position, engaged, ...others } = rest;
  const given = fields.filter(
    ({ key, optional }) => key !== 'full' && !(optional && (figures[key] ?? '').trim() === ''),
  );
  const values = Object.fromEntries(given.map(({ key, unit }) => [key, typedFigure(figures[key] ?? '', unit)]));
  const full = typedFigure(figures.full ?? '');
  if (
    kind === 'marks' &&
    typeof full === 'number' &&
    typeof values.passed === 'number' &&
    typeof values.marks === 'number'
  )
    values.passed = values.passed + full * values.marks;
  const placed = of === 'member' || kind === 'slowing' || kind === 'event';
  const instrument = (figures.instrument ?? '').trim();
  const asRead = readInOwnUnit(given, figures);
  return {
    ...others,
    kind,
    ...(of === 'member' && { member: draft.member }),
    ...(HAS_WAY.has(kind) && way !== '' && { way }),
    ...(of === 'mesh' && { mesh: draft.mesh }),
    ...(of === 'gear' && { gear: draft.gear }),
    ...(of === 'part' && { part: draft.part, what: draft.what }),
    ...(placed && (position === null ? { engaged } : { position })),
    ...(placed && { loaded }),
    ...values,
    ...(Object.keys(asRead).length > 0 && { asRead }),
    ...(instrument !== '' && { instrument }),
    ...(note.trim() !== '' && { note: note.trim() }),
  };
}
