import { addressOf, ENDPOINTS, type PathParts, type Query, type Reply, type RequestBody } from './endpoints';
import type { EndpointName, ValueEndpoint } from './endpoints';
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

export type Asking<N extends EndpointName> = {
  readonly query?: Query;
  readonly headers?: Readonly<Record<string, string>>;
  /** Lets it be sent to its end while the page goes away, as far as it is small enough for browsers to do so. */
  readonly leaving?: boolean;
  readonly signal?: AbortSignal;
} & (RequestBody<N> extends undefined ? object : { readonly body: RequestBody<N> });

/** A browser sends so much of a request even while its page goes away. */
const LAST_WORD_BYTES = 60_000;

/**
 * Asks an endpoint of the server. It never throws: every way in which this fails is an answer with a sentence.
 * @param parts the changing parts of its address
 * @param asking its body: a value goes as JSON, bytes go as what they say they are
 */
export async function ask<N extends ValueEndpoint>(
  name: N,
  parts: PathParts<N>,
  asking: Asking<N>,
): Promise<ServerAnswer<Reply<N>>> {
  const { method, fields } = ENDPOINTS[name];
  const { query, headers = {}, leaving = false, signal, body } = asking as Asking<N> & { readonly body?: unknown };
  const bytes = body instanceof Blob ? body : null;
  const text = body === undefined || bytes ? undefined : JSON.stringify(body);
  try {
    const response = await fetch(addressOf(name, parts, query), {
      method,
      headers: { ...headers, ...(text !== undefined && { 'content-type': 'application/json' }) },
      ...(bytes && { body: bytes }),
      ...(text !== undefined && { body: text, keepalive: leaving && text.length < LAST_WORD_BYTES }),
      ...(signal && { signal }),
    });
    const answer: unknown = await response.json();
    if (!response.ok) return refusalIn(answer);
    return has<Reply<N> & object>(answer, fields) ? { ok: true, value: answer } : UNCLEAR;
  } catch {
    return unreachable(method === 'GET' ? 'reading' : 'changing');
  }
}

/** Asks for a file. It never throws, see ask. */
export async function askFile<N extends Exclude<EndpointName, ValueEndpoint>>(
  name: N,
  parts: PathParts<N>,
  query?: Query,
): Promise<ServerAnswer<Blob>> {
  try {
    const response = await fetch(addressOf(name, parts, query));
    return response.ok ? { ok: true, value: await response.blob() } : refusalIn(await response.json());
  } catch {
    return unreachable('reading');
  }
}

const has = <T extends object>(answer: unknown, fields: readonly string[]): answer is T =>
  typeof answer === 'object' && answer !== null && fields.every((field) => field in answer);

const refusalIn = (answer: unknown): ServerRefusal =>
  has<{ error: Failure }>(answer, ['error']) && has<Failure>(answer.error, ['code', 'message'])
    ? { ok: false, ...answer.error }
    : UNCLEAR;

const unreachable = (doing: keyof typeof UNREACHABLE): ServerRefusal => ({
  ok: false,
  code: 'unreachable',
  message: UNREACHABLE[doing],
});

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
