import { countedIn, judgeFor, type Counted, type Judge, type Judged, type Log } from '@/core/measurement';
import type { Train } from '@/core/train';

/** A reading that counts, against the train as it is now; refused where such a train cannot give it any more. */
export interface Row extends Counted {
  readonly id: string;
  readonly judged: Judged | null;
  readonly refused: string | null;
}

export interface Rows {
  readonly judge: Judge;
  readonly rows: readonly Row[];
}

/** Every reading of a log judged, the newest first. */
export function rowsOf(train: Train, log: Log): Rows {
  const judge = judgeFor(train);
  const rows = countedIn(log).map((counted): Row => {
    const { id } = counted.reading;
    try {
      return { ...counted, id, judged: judge.judge(counted.reading), refused: null };
    } catch (error) {
      if (!(error instanceof RangeError)) throw error;
      return { ...counted, id, judged: null, refused: error.message };
    }
  });
  return { judge, rows: rows.reverse() };
}

export const VERDICTS = {
  agrees: 'agrees',
  'cannot-tell': 'cannot tell',
  'does-not-agree': 'does not agree',
  'no-verdict': '',
} as const;
