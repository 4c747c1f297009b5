import type { EntryKind } from '@/wire/kept-names';
import { answersRequest, keepingRequest, logRequest } from '@/wire/requests';
import { wrongInEntry, wrongInScenario, wrongInSearch, wrongInWorksheet } from '../wrong';

/** What a request brought, ready to be kept, or why it is refused. */
export type Sent<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly status: number; readonly code: string; readonly message: string };

/** A row as it is kept: its document as text. */
export interface SentRow {
  readonly id: string;
  readonly document: string;
}

const refused = (status: number, code: string, message: string) => ({ ok: false as const, status, code, message });
const NOT_JSON = refused(400, 'bad-json', 'The body is not valid JSON.');

function fromJson(text: string): { readonly value: unknown } | null {
  try {
    return { value: JSON.parse(text) as unknown };
  } catch {
    return null;
  }
}

/** Entries for a log. */
export function sentEntries(body: string): Sent<readonly (SentRow & { readonly kind: EntryKind })[]> {
  const json = fromJson(body);
  if (!json) return NOT_JSON;
  const asked = logRequest.safeParse(json.value);
  if (!asked.success)
    return refused(400, 'bad-request', 'Send up to 2000 entries, each with an id, its kind and the document.');
  const rows = asked.data.entries.map(({ id, kind, document }) => ({ id, kind, document: JSON.stringify(document) }));
  for (const [i, { kind, document }] of rows.entries()) {
    const wrong = wrongInEntry(kind, document);
    if (wrong !== null) return refused(422, 'bad-entry', `entries[${i}].${wrong}`);
  }
  return { ok: true, value: rows };
}

/** Answers of someone who practises. */
export function sentAnswers(body: string): Sent<readonly SentRow[]> {
  const json = fromJson(body);
  if (!json) return NOT_JSON;
  const asked = answersRequest.safeParse(json.value);
  if (!asked.success)
    return refused(
      400,
      'bad-request',
      'Send up to 1000 answers, each with its id, when it was, the train, the skill and whether it was right.',
    );
  return { ok: true, value: asked.data.answers.map(({ id, answer }) => ({ id, document: JSON.stringify(answer) })) };
}

/** What is kept under a key and a name, by its kind. */
const KEPT = {
  search: { noun: 'A search', wrong: wrongInSearch, code: 'bad-document' },
  scenario: { noun: 'A scenario', wrong: wrongInScenario, code: 'bad-document' },
  worksheet: { noun: 'A worksheet', wrong: wrongInWorksheet, code: 'bad-worksheet' },
} as const;
export type KeptKind = keyof typeof KEPT;

const MOST_LETTERS = 1_000_000;

/** A document with its name. */
export function sentDocument(body: string, kind: KeptKind): Sent<{ readonly name: string; readonly document: string }> {
  const { noun, wrong, code } = KEPT[kind];
  const json = fromJson(body);
  if (!json) return NOT_JSON;
  const keeping = keepingRequest.safeParse(json.value);
  if (!keeping.success)
    return refused(
      400,
      'bad-request',
      `${noun} is kept with a key, a name of 1 to 120 characters and the document itself.`,
    );
  const { name } = keeping.data;
  const document = JSON.stringify(keeping.data.document);
  const message = wrong(document);
  if (message !== null) return refused(422, code, message);
  return document.length > MOST_LETTERS
    ? refused(413, 'too-large', `${noun} can have at most 1 MB.`)
    : { ok: true, value: { name, document } };
}
