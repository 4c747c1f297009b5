import type * as z from 'zod/mini';
import { nameProblems } from './names';
import { ruleProblems } from './rules';
import { withSharedParts } from './shared-parts';
import { parseJson } from '../result';
import { refuseOversize } from './size';
import { withWormsFirst } from './worms-first';
import { trainSchema, type Train } from './schema';
import type { Problem } from './problem';

/** A train, with what had to be put right for it to be told; or what is wrong. */
export type Parsed =
  | { readonly ok: true; readonly train: Train; readonly told: readonly Problem[] }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/**
 * Documents of ordinary trains are a few kB; one at every limit stays well below this. Measured on the document as it
 * is kept, wherever it comes from.
 */
export const MAX_TRAIN_BYTES = 2_000_000;

/** Nobody mends more at once, and a document that is wrong all over is not looked through to its end. */
export const MOST_PROBLEMS = 100;

/**
 * Checks a parsed JSON value against the whole of the format. Nothing is guessed; a worm that is named second in its
 * mesh is turned round, and told.
 * @returns the value itself where it stands in the order of the format, else a train that shares its parts with it
 * @param kept a document that was accepted before: its names need not show anything, as they once did not have to.
 */
export function checkTrain(value: unknown, { kept = false } = {}): Parsed {
  const oversize = refuseOversize(value);
  if (oversize) return { ok: false, problems: [oversize] };
  const result = trainSchema.safeParse(value);
  if (!result.success) return { ok: false, problems: result.error.issues.slice(0, MOST_PROBLEMS).map(toProblem) };
  const { train, told } = withWormsFirst(result.data);
  const size = keptText(train).length;
  if (size > MAX_TRAIN_BYTES)
    return refuse(
      `The train takes ${(size / 1e6).toFixed(1)} MB as it is kept; at most ` +
        `${MAX_TRAIN_BYTES / 1e6} MB are. Shorten its notes or names.`,
    );
  const problems = [...ruleProblems(train, MOST_PROBLEMS), ...(kept ? [] : nameProblems(train))].slice(
    0,
    MOST_PROBLEMS,
  );
  return problems.length > 0 ? { ok: false, problems } : { ok: true, train: withSharedParts(train, value), told };
}

/** Reads a document from its text; see checkTrain. */
export function parseTrain(text: string, options: { readonly kept?: boolean } = {}): Parsed {
  if (text.length > MAX_TRAIN_BYTES) return refuse(`The file is larger than ${MAX_TRAIN_BYTES / 1e6} MB.`);
  const json = parseJson(text);
  return json.ok ? checkTrain(json.value, options) : json;
}

/** The document as its file: one canonical order of keys, so reading and writing again changes no byte. */
export const serialiseTrain = (train: Train): string => keptText(trainSchema.parse(train));

/** serialiseTrain for a train that was just checked, whose keys stand in order already. */
export const keptText = (train: Train): string => `${JSON.stringify(train, null, 1)}\n`;

const refuse = (message: string): Parsed => ({ ok: false, problems: [{ path: [], message }] });

function toProblem(issue: z.core.$ZodIssue): Problem {
  const path = issue.path.map((step) => (typeof step === 'symbol' ? String(step) : step));
  if (issue.code === 'unrecognized_keys') {
    const keys = issue.keys.slice(0, 3).map((key) => `"${key.slice(0, 40)}"`);
    return {
      path,
      message: `${keys.join(', ')} ${keys.length === 1 ? 'is not a known key' : 'are not known keys'} here.`,
    };
  }
  // Every field says itself what it wants; what does not is something else where fields should be.
  if (issue.code === 'invalid_type' && issue.expected === 'object')
    return { path, message: 'This should be an object in braces, with the fields of its kind.' };
  return { path, message: issue.message };
}
