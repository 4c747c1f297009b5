import { capitalised } from '@/core/capitalised';
import { problemAt, type Result } from '@/core/result';
import { readFigure } from '@/core/units';

/** A figure that is typed: where it stands in the form and in the schema, and what is beside it. */
export interface FormField<K extends string = string> {
  /** Its name in the form, where it is text. */
  readonly key: K;
  /** Its name in what the schema reads, where it is a number. */
  readonly path: string;
  readonly label: string;
  /** What stands beside it; none where a figure is pure, or is written with its own. */
  readonly unit?: string;
  /** What there is to know about it, beside its label. */
  readonly hint?: string;
  readonly placeholder?: string;
  /** The schema's measure of one of the unit: 0.01 for per cent. */
  readonly scale?: number;
  /** It is asked for: left empty it goes to the schema, which says so. Others are left out where they are empty. */
  readonly required?: boolean;
}

/** The fields of a form, or of a part of it. */
export type FieldTable<K extends string> = readonly FormField<K>[];

/** A table of fields that knows their names. */
export const fieldTable = <const K extends string>(...fields: FormField<K>[]): FieldTable<K> => fields;

/** A typed figure; what is none stays text, which the schema refuses at its place. */
export function typedFigure(text: string, unit = '', scale = 1): number {
  const value = readFigure(text, unit);
  if (Number.isNaN(value)) return text as unknown as number;
  return scale === 1 ? value : Number((value * scale).toPrecision(12));
}

/** What is typed as the schema's input. */
export const writtenFields = <K extends string>(
  fields: FieldTable<K>,
  form: Readonly<Record<K, string>>,
): Record<string, number> =>
  Object.fromEntries(
    fields
      .filter(({ key, required }) => required || form[key].trim() !== '')
      .map(({ key, path, unit, scale }) => [path, typedFigure(form[key], unit, scale)]),
  );

/** The texts that a value of the schema fills these fields with: the other way round. */
export function typedFields<K extends string>(fields: FieldTable<K>, written: object): Record<K, string> {
  const values = written as Readonly<Record<string, number | null | undefined>>;
  const text = ({ path, scale = 1 }: FormField) => {
    const value = values[path];
    if (value === null || value === undefined) return '';
    // A hundred times a decimal has digits that nobody wrote.
    return scale === 1 ? String(value) : figureText(value / scale, 12);
  };
  return Object.fromEntries(fields.map((field) => [field.key, text(field)])) as Record<K, string>;
}

/** A number as a field is filled with it; four figures are as many as anyone sets by hand. */
export const figureText = (value: number, digits = 4): string => String(Number(value.toPrecision(digits)));

/** What is wrong at one of these places of what was read, as a sentence for beside a field; null where nothing is. */
export function messageAt(read: Result<unknown>, ...places: readonly string[]): string | null {
  const problem = read.ok ? undefined : problemAt(read, ...places);
  return problem ? capitalised(problem.message) : null;
}
