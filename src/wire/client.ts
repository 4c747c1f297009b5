import type { Failure } from './replies';

/** What came of asking the server: done, with what it answered, or a sentence that says what went wrong. */
export type ServerAnswer<T = unknown> = { readonly ok: true; readonly value: T } | ServerRefusal;

export interface ServerRefusal {
  readonly ok: false;
  /** The server's own code for it; `unreachable` where no answer came, `unclear` where it was none of ours. */
  readonly code: string;
  readonly message: string;
  /** What the server has, where a save started from an older version. */
  readonly current?: Failure['current'];
}

export interface Asking {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  /** A value that goes as JSON, or bytes that go as what they say they are. */
  readonly body?: unknown;
  readonly headers?: Readonly<Record<string, string>>;
  /** Lets it be sent to its end while the page goes away, as far as it is small enough for browsers to do so. */
  readonly leaving?: boolean;
  readonly signal?: AbortSignal;
}

/** A browser sends so much of a request even while its page goes away. */
const LAST_WORD_BYTES = 60_000;

/**
 * Asks the server. It never throws: every way in which this fails is an answer with a sentence.
 * @param fields what the reply must have, else it is from another Tin Wheel than this page. Their values are held to
 *   the schemas by the server's tests; checking them here once more would cost every page the whole of the checking
 *   library.
 */
export async function ask<T extends object>(
  fields: readonly (keyof T & string)[],
  address: string,
  { method = 'GET', body, headers = {}, leaving = false, signal }: Asking = {},
): Promise<ServerAnswer<T>> {
  const bytes = body instanceof Blob ? body : null;
  const text = body === undefined || bytes ? undefined : JSON.stringify(body);
  try {
    const response = await fetch(address, {
      method,
      headers: { ...headers, ...(text !== undefined && { 'content-type': 'application/json' }) },
      ...(bytes && { body: bytes }),
      ...(text !== undefined && { body: text, keepalive: leaving && text.length < LAST_WORD_BYTES }),
      ...(signal && { signal }),
    });
    const answer: unknown = await response.json();
    if (response.ok) return has<T>(answer, fields) ? { ok: true, value: answer } : UNCLEAR;
    return has<{ error: Failure }>(answer, ['error']) && has<Failure>(answer.error, ['code', 'message'])
      ? { ok: false, ...answer.error }
      : UNCLEAR;
  } catch {
    return { ok: false, code: 'unreachable', message: UNREACHABLE[method === 'GET' ? 'reading' : 'changing'] };
  }
}

/** Asks for a file. It never throws, see ask. */
export async function askFile(address: string): Promise<ServerAnswer<Blob>> {
  try {
    const response = await fetch(address);
    if (response.ok) return { ok: true, value: await response.blob() };
    const answer: unknown = await response.json();
    return has<{ error: Failure }>(answer, ['error']) && has<Failure>(answer.error, ['code', 'message'])
      ? { ok: false, ...answer.error }
      : UNCLEAR;
  } catch {
    return { ok: false, code: 'unreachable', message: UNREACHABLE.reading };
  }
}

const has = <T extends object>(answer: unknown, fields: readonly (keyof T & string)[]): answer is T =>
  typeof answer === 'object' && answer !== null && fields.every((field) => field in answer);

const UNREACHABLE = {
  reading: 'The server cannot be reached.',
  // The request may have arrived all the same; only reading is sure to have changed nothing.
  changing: 'The server cannot be reached, so this may not have been done. Look again when it is back.',
};

const UNCLEAR: ServerRefusal = {
  ok: false,
  code: 'unclear',
  message: 'The answer is none that this page understands; the server may be a newer one. Load the page again.',
};
