import { parseJson, refuse, resultOf, type RefusedResult, type Result } from '../result';
import type { Train } from '../train';
import { judgeFor, type Judged } from './judge';
import { correctionSchema, logSchema, readingSchema, runSchema, type Log, type Reading } from './log-schema';

/** Reads a log out of a file's text. */
export function readLog(text: string): Result<Log> {
  const json = parseJson(text);
  if (!json.ok) return json;
  const read = resultOf(logSchema.safeParse(json.value));
  return read.ok ? (wrongIn(read.value) ?? read) : read;
}

/** What no schema sees: ids that stand twice, and corrections of nothing. */
function wrongIn({ readings, corrections = [] }: Log): RefusedResult | null {
  const seen = new Set<string>();
  for (const [i, { id }] of readings.entries()) {
    if (seen.has(id)) return refuse(`"${id}" stands in the log twice.`, ['readings', i, 'id']);
    seen.add(id);
  }
  for (const [i, { of, reading }] of corrections.entries()) {
    if (!seen.has(of)) return refuse(`there is no reading "${of}".`, ['corrections', i, 'of']);
    if (seen.has(reading.id) && reading.id !== of)
      return refuse(`"${reading.id}" stands in the log already.`, ['corrections', i, 'reading', 'id']);
    seen.add(reading.id);
  }
  return null;
}

/** Whether a value has the shape of an entry of a log, whatever train it is of. */
export const shapeOfEntry = (kind: keyof typeof ENTRIES, document: unknown): Result<unknown> =>
  resultOf<unknown>(ENTRIES[kind].safeParse(document));

const ENTRIES = { reading: readingSchema, correction: correctionSchema, run: runSchema };

/** Reads one reading for a train: its shape, and whether such a train can give it. */
export function readReading(json: unknown, train: Train): Result<Reading> {
  const read = resultOf(readingSchema.safeParse(json));
  if (!read.ok) return read;
  try {
    judgeFor(train).judge(read.value);
    return read;
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    // It says the figure first: "marks: marks is a number above 0."
    const [, figure, says] = /^([\w.[\]]+): (.*)$/s.exec(error.message) ?? [];
    return figure !== undefined && says !== undefined ? refuse(says, [figure]) : refuse(error.message);
  }
}

/** A reading as it now counts: itself, or what corrected it last. */
export interface Counted {
  readonly reading: Reading;
  /** What it stands for: the readings that were corrected, the first one first. */
  readonly was: readonly { readonly reading: Reading; readonly why: string }[];
}

/** The readings that count, each with what it corrects; nothing is ever changed or lost. */
export function countedIn({ readings, corrections = [] }: Log): readonly Counted[] {
  const correcting = new Map(corrections.map((correction) => [correction.of, correction]));
  return readings.map((first) => {
    const was: { reading: Reading; why: string }[] = [];
    let reading = first;
    for (
      let next = correcting.get(reading.id);
      next && was.length <= corrections.length;
      next = correcting.get(reading.id)
    ) {
      was.push({ reading, why: next.why });
      // A correction under the same id would correct itself for ever.
      if (next.reading.id === reading.id) {
        reading = next.reading;
        break;
      }
      reading = next.reading;
    }
    return { reading, was };
  });
}

/** All that counts, judged. @throws RangeError naming the reading that cannot be one of this train */
export function judgeLog(train: Train, log: Log): readonly Judged[] {
  const { judge } = judgeFor(train);
  return countedIn(log).map(({ reading }) => {
    try {
      return judge(reading);
    } catch (error) {
      if (error instanceof RangeError) throw new RangeError(`reading "${reading.id}": ${error.message}`);
      throw error;
    }
  });
}
