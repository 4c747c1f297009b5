import { messageOf } from '@/core/message-of';
import { issueText, pathText, type Train } from '../train';
import { judgeFor, type Judged } from './judge';
import { correctionSchema, logSchema, readingSchema, runSchema, type Log, type Reading } from './log-schema';
import { itemAt } from '../required';

export type ReadLog = { readonly ok: true; readonly value: Log } | { readonly ok: false; readonly message: string };

/** Reads a log out of a file's text. What is wrong is one sentence that names the place. */
export function readLog(text: string): ReadLog {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return { ok: false, message: `This is not JSON: ${messageOf(error)}` };
  }
  const parsed = logSchema.safeParse(json);
  if (!parsed.success) return { ok: false, message: issueText(itemAt(parsed.error.issues, 0)) };
  const wrong = wrongIn(parsed.data);
  return wrong === null ? { ok: true, value: parsed.data } : { ok: false, message: wrong };
}

/** What no schema sees: ids that stand twice, and corrections of nothing. */
function wrongIn({ readings, corrections = [] }: Log): string | null {
  const seen = new Set<string>();
  for (const [i, { id }] of readings.entries()) {
    if (seen.has(id)) return `readings[${i}].id: "${id}" stands in the log twice.`;
    seen.add(id);
  }
  for (const [i, { of, reading }] of corrections.entries()) {
    if (!seen.has(of)) return `corrections[${i}].of: there is no reading "${of}".`;
    if (seen.has(reading.id) && reading.id !== of)
      return `corrections[${i}].reading.id: "${reading.id}" stands in the log already.`;
    seen.add(reading.id);
  }
  return null;
}

/** What is wrong with an entry of a log, whatever train it is of; null where nothing is. */
export function shapeOfEntry(kind: keyof typeof ENTRIES, document: unknown): string | null {
  const parsed = ENTRIES[kind].safeParse(document);
  return parsed.success ? null : issueText(itemAt(parsed.error.issues, 0));
}

const ENTRIES = { reading: readingSchema, correction: correctionSchema, run: runSchema };

export type ReadReading =
  | { readonly ok: true; readonly value: Reading }
  | { readonly ok: false; readonly message: string; readonly place: string };

/** Reads one reading for a train: its shape, and whether such a train can give it. */
export function readReading(json: unknown, train: Train): ReadReading {
  const parsed = readingSchema.safeParse(json);
  if (!parsed.success) {
    const issue = itemAt(parsed.error.issues, 0);
    return { ok: false, message: issueText(issue), place: pathText(issue.path as (string | number)[]) };
  }
  try {
    judgeFor(train).judge(parsed.data);
    return { ok: true, value: parsed.data };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { ok: false, message: error.message, place: error.message.slice(0, error.message.indexOf(':')) };
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
