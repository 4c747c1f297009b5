import { capitalised } from './capitalised';
import { messageOf } from './message-of';

/** One thing wrong with what is read: where, as fields and places in lists, and in a sentence what. */
export interface Problem {
  readonly path: readonly (string | number)[];
  readonly message: string;
}

/** What comes of reading something: its value, or what is wrong with it, the first thing first. */
export type Result<T> = { readonly ok: true; readonly value: T } | RefusedResult;

export interface RefusedResult {
  readonly ok: false;
  readonly problems: readonly [Problem, ...Problem[]];
}

export const accept = <T>(value: T): Result<T> => ({ ok: true, value });

export const refuse = (message: string, path: Problem['path'] = []): RefusedResult => ({
  ok: false,
  problems: [{ path, message }],
});

/** "rule.up.2", "tried[0].engaged"; nothing for the whole. */
export const placeText = (path: Problem['path']): string =>
  path.map((step, i) => (typeof step === 'number' ? `[${step}]` : i === 0 ? step : `.${step}`)).join('');

/** A problem in one line with its place. @param whole what the whole is called; by itself it has no name */
export function problemLine({ path, message }: Problem, whole = ''): string {
  const place = placeText(path) || whole;
  return oneLine(place === '' ? message : `${place}: ${message}`);
}

/** The first thing that is wrong: as a command line says it. */
export const refusalText = ({ problems: [first] }: RefusedResult): string => problemLine(first);

/** The first thing that is wrong, as a sentence for a form: the field that it is about is in sight. */
export const refusalSentence = ({ problems: [first] }: RefusedResult): string => capitalised(first.message);

/** The first thing that is wrong at one of these places or within them, as a form says it beside a field. */
export const problemAt = ({ problems }: RefusedResult, ...places: readonly string[]): Problem | undefined =>
  problems.find(({ path }) => places.some((place) => isWithin(placeText(path), place)));

const isWithin = (at: string, place: string): boolean =>
  at === place || at.startsWith(`${place}.`) || at.startsWith(`${place}[`);

/** A file's text as JSON. */
export function parseJson(text: string): Result<unknown> {
  try {
    return accept(JSON.parse(text) as unknown);
  } catch (error) {
    return refuse(`This is not JSON: ${messageOf(error)}`);
  }
}

/** What a schema says of a value. */
export type SchemaOutcome<T> =
  | { readonly success: true; readonly data: T }
  | { readonly success: false; readonly error: { readonly issues: readonly Issue[] } };

interface Issue {
  readonly code: string;
  readonly path: readonly PropertyKey[];
  readonly message: string;
  readonly keys?: readonly string[];
}

/** What a schema found, as a result. */
export function resultOf<T>(checked: SchemaOutcome<T>): Result<T> {
  if (checked.success) return accept(checked.data);
  const [first, ...others] = checked.error.issues.map(problemOf);
  return first ? { ok: false, problems: [first, ...others] } : refuse('This does not read.');
}

const problemOf = ({ code, path, message, keys = [] }: Issue): Problem => ({
  path: path.map((step) => (typeof step === 'symbol' ? String(step) : step)),
  message: code === 'unrecognized_keys' ? `There is no such field: ${keys.join(', ')}.` : message,
});

const oneLine = (text: string): string => text.replace(/[\u0000-\u001f\u007f-\u009f\u2028\u2029]+/g, ' ');
