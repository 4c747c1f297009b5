import { shapeOfEntry } from '@/core/measurement';
import { readWorksheet } from '@/core/practice';
import { shapeOfScenario } from '@/core/shifting';
import { isSchemeSearch, readWrittenSchemes } from '@/core/schemes';
import { readWritten } from '@/core/tooth-search';
import { parseTrain, problemText } from '@/core/train';
import { entryKind, type EntryKind } from '@/wire/kept-names';
import { answerDocument } from '@/wire/requests';
import { keptDocument, type KeptDocument } from './kept-row';
import { plainPicture } from './pictures/plain-picture';
import { itemAt } from '@/core/required';
import { refusalText, type Result } from '@/core/result';

/**
 * What is wrong with a kept text, or why it may not be kept; null where it reads. The same for what the API is sent and
 * what a bundle brings.
 */
type Wrong = (text: string) => string | null;

export const wrongInTrain: Wrong = (text) => {
  const parsed = parseTrain(text, { kept: true });
  return parsed.ok ? null : problemText(itemAt(parsed.problems, 0));
};

/** For tooth counts or for schemes: both are kept beside a train. */
export const wrongInSearch: Wrong = (text) =>
  wrongInDocument(text, (document) =>
    isSchemeSearch(document) ? readWrittenSchemes(document) : readWritten(document),
  );
export const wrongInScenario: Wrong = (text) => wrongInDocument(text, shapeOfScenario);

export const wrongInWorksheet: Wrong = (text) => {
  const read = readWorksheet(text);
  return read.ok ? null : refusalText(read);
};

/** What someone answered as a value, or why it does not read. */
export function keptAnswer(text: string): KeptDocument {
  const kept = keptDocument(text);
  if ('unreadable' in kept) return kept;
  const answer = answerDocument.safeParse(kept.document);
  return answer.success ? { document: answer.data } : { unreadable: 'It is no answer.' };
}

const isEntryKind = (kind: string): kind is EntryKind => entryKind.safeParse(kind).success;

/** An entry of a log as a value, or why it does not read. */
export function keptEntry(kind: string, text: string): KeptDocument {
  if (!isEntryKind(kind)) return { unreadable: 'It is neither a reading nor a correction nor a run.' };
  const kept = keptDocument(text);
  if ('unreadable' in kept) return kept;
  const read = shapeOfEntry(kind, kept.document);
  return read.ok ? kept : { unreadable: refusalText(read) };
}

export function wrongInEntry(kind: string, text: string): string | null {
  const kept = keptEntry(kind, text);
  return 'unreadable' in kept ? kept.unreadable : null;
}

/** Is a picture as it would be kept, of the type that it is said to be? */
export const isPicture = (type: string, bytes: Uint8Array): boolean => plainPicture(Buffer.from(bytes))?.type === type;

function wrongInDocument(text: string, read: (document: object) => Result<unknown>): string | null {
  const kept = keptDocument(text);
  if ('unreadable' in kept) return kept.unreadable;
  const result = read(kept.document);
  return result.ok ? null : refusalText(result);
}
