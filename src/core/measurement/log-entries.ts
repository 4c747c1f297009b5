import type { Log } from './log-schema';

/** A log's file as entries; ids that it has are kept, so that the same file twice is there once. */
export const entriesOfLog = ({ readings, corrections = [], runs = [] }: Log) => [
  ...runs.map((run) => ({ id: run.id, kind: 'run' as const, document: run })),
  ...readings.map((reading) => ({ id: reading.id, kind: 'reading' as const, document: reading })),
  ...corrections.map((correction) => ({
    id: correction.reading.id,
    kind: 'correction' as const,
    document: correction,
  })),
];
