import { countedIn, judgeFor, type Counted, type Judge, type Judged, type Log } from '@/core/measurement';
import type { Train } from '@/core/train';

/** A reading that counts, against the train as it is now; refused where such a train cannot give it any more. */
export interface ReadingRow extends Counted {
  readonly id: string;
  readonly judged: Judged | null;
  readonly refused: string | null;
}

export interface Rows {
  readonly judge: Judge;
  readonly rows: readonly ReadingRow[];
}

/**
 * Every reading of a log, the newest first; each is judged when it is first looked at, for of many thousands only some
 * are.
 */
export function rowsOf(train: Train, log: Log): Rows {
  const judge = judgeFor(train);
  const rows = countedIn(log).map((counted): ReadingRow => {
    let known: Pick<ReadingRow, 'judged' | 'refused'> | null = null;
    const look = () => (known ??= judgedOrRefused(judge, counted.reading));
    return {
      ...counted,
      id: counted.reading.id,
      get judged() {
        return look().judged;
      },
      get refused() {
        return look().refused;
      },
    };
  });
  return { judge, rows: rows.reverse() };
}

function judgedOrRefused(judge: Judge, reading: ReadingRow['reading']): Pick<ReadingRow, 'judged' | 'refused'> {
  try {
    return { judged: judge.judge(reading), refused: null };
  } catch (error) {
    if (error instanceof RangeError) return { judged: null, refused: error.message };
    throw error;
  }
}
