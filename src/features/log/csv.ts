import { readFigure } from '@/core/units';
import Papa from 'papaparse';
import { countedIn, readReading, type Log, type Reading } from '@/core/measurement';
import type { Train } from '@/core/train';
import type { Table } from '@/ui/table-text';
import { KINDS } from './kinds';
import { itemAt } from '@/core/required';
import { accept, parseJson, refusalText, refuse, type Result } from '@/core/result';

/** Columns of a log as CSV: what every reading says, then every figure with its unit. */
const HEAD = [
  'id',
  'at',
  'position',
  'engaged',
  'flow',
  'loaded',
  'kind',
  'member',
  'against',
  'way',
  'mesh',
  'gear',
  'part',
  'what',
  'note',
  'instrument',
  'revision',
  'run',
  'picture',
  'simulated',
  'asRead',
] as const;

/** Figures by their keys, each once, with their unit; none where kinds have it in several. */
const FIGURES: ReadonlyMap<string, string> = unitsOf(
  Object.values(KINDS).flatMap(({ fields }) =>
    fields.filter(({ key }) => key !== 'full').map(({ key, unit = '' }) => [key, unit] as const),
  ),
);

function unitsOf(fields: readonly (readonly [key: string, unit: string])[]): ReadonlyMap<string, string> {
  const units = new Map<string, string>();
  for (const [key, unit] of fields) units.set(key, (units.get(key) ?? unit) === unit ? unit : '');
  return units;
}

/** A resolution is in the unit of what its own reading has. */
const headOf = (key: string): string => {
  const unit = FIGURES.get(key);
  return unit ? `${key} (${unit})` : key;
};

/** The readings that count as a table. */
export function csvOf(log: Log): Table {
  const keys = [...HEAD, ...FIGURES.keys()];
  const rows = countedIn(log).map(({ reading }) => {
    const values = reading as unknown as Readonly<Record<string, unknown>>;
    return keys.map((key) => cellOf(values[key]));
  });
  return { head: keys.map(headOf), rows };
}

/** Lists of couplers, and figures as they were read, are written as JSON. */
function cellOf(value: unknown): string {
  if (value === undefined || value === null) return '';
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}

/** What a column of a file can be. */
export const MEANINGS: readonly string[] = [...HEAD.slice(1), ...FIGURES.keys()];

export interface ReadCsv {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** What each column means, as far as its head says; empty where it does not. */
  readonly meant: readonly string[];
}

/** A file's table, and what its heads say. */
export function readCsv(text: string): ReadCsv {
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true });
  const [head = [], ...rows] = data;
  const known = new Set([...MEANINGS, 'id']);
  const meant = head.map((cell) => {
    const key = cell.trim().replace(/\s*\(.*\)$/, '');
    return known.has(key) ? key : '';
  });
  return { head, rows, meant };
}

/**
 * Its rows as readings for a train, by what its columns mean; all, or the first row that is wrong. @param start what
 * readings say that have no column for it
 */
export function readingsOf(
  train: Train,
  { rows }: ReadCsv,
  meant: readonly string[],
  start: Readonly<Record<string, string>>,
): Result<readonly Reading[]> {
  const readings: Reading[] = [];
  for (const [i, row] of rows.entries()) {
    const texts: Record<string, string> = { ...start };
    meant.forEach((key, at) => {
      if (key !== '' && (row[at] ?? '').trim() !== '') texts[key] = itemAt(row, at).trim();
    });
    const written = Object.fromEntries(
      Object.entries(texts)
        .filter(([, text]) => text !== '')
        .map(([key, text]) => [key, valueOf(key, text)]),
    );
    const read = readReading({ id: crypto.randomUUID(), ...written }, train);
    // The first row is the head, and people count from one.
    if (!read.ok) return refuse(`Row ${i + 2}: ${refusalText(read)}`);
    readings.push(read.value);
  }
  return accept(readings);
}

function valueOf(key: string, text: string): unknown {
  if (key === 'simulated' || key === 'loaded') return text === 'true';
  if (key === 'engaged' || key === 'asRead') {
    const read = parseJson(text);
    return read.ok ? read.value : text;
  }
  if (key !== 'revision' && !FIGURES.has(key)) return text;
  const value = readFigure(text, FIGURES.get(key));
  return Number.isNaN(value) ? text : value;
}
