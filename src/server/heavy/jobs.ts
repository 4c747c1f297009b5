import {
  AT_ONCE,
  drawSideView,
  FIRST_SIGHT,
  QUICK,
  THOROUGH,
  type DrawingOptions,
  type DrawingSpace,
} from '@/core/drawing';
import { changeText } from '@/core/difference';
import { summariseTrain } from '@/core/gear-chart';
import { keptJson, type KeptJson } from '../kept-row';
import { plainPicture, type PlainPicture } from '../pictures/plain-picture';
import { sentAnswers, sentDocument, sentEntries } from './sent';
import { checkTrain, keptText, parseTrain, problemText, type Problem, type Train } from '@/core/train';
import { itemAt } from '@/core/required';

/** A document that was checked: as text in its canonical form, or what is wrong with it. */
export type Checked =
  | { readonly ok: true; readonly name: string; readonly document: string }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** A side view as the JSON of a Drawn, and whether more effort might better it. */
export interface DrawnText {
  readonly json: string;
  readonly finished: boolean;
}

/** Checks a parsed document and writes it as it is kept. */
export function checkDocument(value: unknown): Checked {
  const checked = checkTrain(value);
  return checked.ok ? { ok: true, name: checked.train.name, document: keptText(checked.train) } : checked;
}

/**
 * What costs time on the server, as functions from text or bytes to the like: so nothing dear is done on either side of
 * a thread's border. Each may run on the request thread for a small document, and in a worker for any.
 */
export const HEAVY_JOBS = {
  /**
   * Checks the train that a request brings: alone, or under the key `train` beside what else it says. Null for what is
   * not JSON.
   */
  check: (body: string, under: 'train' | null): { readonly rest: unknown; readonly train: Checked } | null => {
    const value = fromJson(body);
    if (value === undefined) return null;
    if (under === null) return { rest: {}, train: checkDocument(value) };
    const { train, ...rest } = typeof value === 'object' && value !== null ? (value as Record<string, unknown>) : {};
    return { rest, train: checkDocument(train) };
  },

  /** Why a kept document does not read; null when it does. */
  unreadable: (document: string): string | null => {
    const parsed = parseTrain(document, { kept: true });
    return parsed.ok ? null : problemText(itemAt(parsed.problems, 0));
  },

  /** What each of these states of a train changed, against the one after it in the list; see changeText. */
  changes: (documents: readonly string[]): readonly (string | null)[] => {
    const states = documents.map((document) => parseTrain(document, { kept: true }));
    return states.map((state, i) => {
      const before = states[i + 1];
      return state.ok && before?.ok ? changeText(before.train, state.train) : null;
    });
  },

  /** What a request brought that is to be kept. */
  sentEntries,
  sentAnswers,
  sentDocument,

  /** A kept text as the JSON of its value. */
  json: (text: string): KeptJson => keptJson(text),

  /** A picture as it may be kept; null for what is none. */
  picture: (bytes: Uint8Array): PlainPicture | null => plainPicture(Buffer.from(bytes)),

  /** What the shelf says of a kept document, as JSON. */
  summarise: (document: string): string => JSON.stringify(summariseTrain(keptTrain(document))),

  /** Its side view, with what can be found at once: a first sight of a tangle. */
  draw: (document: string, space: DrawingSpace): DrawnText => {
    const quick = drawn(document, space, { effort: QUICK, atOnce: AT_ONCE });
    return quick.later ? drawn(document, space, { effort: FIRST_SIGHT }) : quick;
  },

  /** Its side view, with all that is worth trying: nothing better follows. */
  drawWell: (document: string, space: DrawingSpace): DrawnText => ({
    ...drawn(document, space, { effort: THOROUGH }),
    finished: true,
  }),
} as const;

function fromJson(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

function drawn(document: string, space: DrawingSpace, how: DrawingOptions): DrawnText & { readonly later: boolean } {
  const found = drawSideView(keptTrain(document), space, how);
  return {
    json: JSON.stringify(found),
    finished: !found.ok || found.finished,
    later: !found.ok && found.later === true,
  };
}

function keptTrain(document: string): Train {
  const parsed = parseTrain(document, { kept: true });
  if (!parsed.ok) throw new Error(problemText(itemAt(parsed.problems, 0)));
  return parsed.train;
}
