import type { Log, Reading } from './log-schema';

/** What an import is called: its file, and when it came in. @param at ISO 8601 */
export const importName = (file: string, at: string): string => `${file.slice(0, 160)}, ${at}`;

/** The file and the time of an import's name. */
export function importOf(name: string): { readonly file: string; readonly at: string } {
  const cut = name.lastIndexOf(', ');
  return { file: name.slice(0, cut), at: name.slice(cut + 2) };
}

/** A reading as an import brings it. */
export const broughtBy = (reading: Reading, imported: string): Reading => ({ ...reading, import: imported });

/**
 * A log's file as entries; ids that it has are kept, so that the same file twice is there once.
 * @param imported what the import is called that brings them
 */
export const entriesOfLog = ({ readings, corrections = [], runs = [] }: Log, imported: string) => [
  ...runs.map((run) => ({ id: run.id, kind: 'run' as const, document: run })),
  ...readings.map((reading) => ({ id: reading.id, kind: 'reading' as const, document: broughtBy(reading, imported) })),
  ...corrections.map((correction) => ({
    id: correction.reading.id,
    kind: 'correction' as const,
    document: correction,
  })),
];
