import { nextTestFor, readSeen, suspectsFor } from '@/core/faults';
import { efficiencies, judgedJson, judgeFor, judgeLog, readLog } from '@/core/measurement';
import { toFraction } from '@/core/rational';
import type { Train } from '@/core/train';
import { UsageError } from './options';
import { readText } from './read-text';
import { refusalText } from '@/core/result';

const MOST_BYTES = 20_000_000;

/** Readings of a log against what was computed, and the efficiencies that follow, as JSON. */
export function measureJson(train: Train, file: string | undefined): unknown {
  if (file === undefined) throw new UsageError('--log: name the log file.');
  const read = readLog(readText(file, MOST_BYTES, 'a log'));
  if (!read.ok) throw new UsageError(`${file}: ${refusalText(read)}`);
  try {
    const judged = judgeLog(train, read.value);
    const found = efficiencies(judgeFor(train), judged);
    return {
      readings: judged.map((one) => judgedJson(one, toFraction)),
      efficiency: Object.fromEntries(found.map(({ position, ...efficiency }) => [position, efficiency])),
    };
  } catch (error) {
    if (error instanceof RangeError) throw new UsageError(`${file}: ${error.message}`);
    throw error;
  }
}

/** What could be wrong with a train of which this was seen, and what to try next, as JSON. */
export function diagnoseJson(train: Train, file: string | undefined): unknown {
  if (file === undefined) throw new UsageError('--seen: name the file of what was seen.');
  const read = readSeen(readText(file, MOST_BYTES, 'what was seen'), train);
  if (!read.ok) throw new UsageError(`${file}: ${refusalText(read)}`);
  const suspected = suspectsFor(train, read.value);
  const next = nextTestFor(train, suspected);
  return {
    suspects: suspected.suspects.map(({ faults, agrees, of }) => ({
      fault: faults.map(({ fault }) => fault).join(' + '),
      part: faults.map(({ part }) => part).join(' + '),
      agrees,
      of,
      ...(faults.length > 1 && { faults }),
    })),
    nextTest: next && {
      engaged: next.engaged,
      ...(next.position !== null && { position: next.position }),
      outcomes: next.outcomes.map(({ outcome: { status, ratio }, suspects }) => ({
        status,
        ratio: ratio && toFraction(ratio),
        suspects: suspects.length,
      })),
    },
  };
}
