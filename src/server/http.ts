import { problemText, type Problem } from '@/core/train';
import { sqliteCode, StartupError } from './database';
import { checkBody, Stopped, type Checked, type Sent } from './heavy';
import type { Reply } from '@/wire/endpoints';
import type { KeptTrain, Saved, StoredTrain } from './trains/repository';
import { itemAt, required } from '@/core/required';

/** Errors leave the server as {error: {code, message, path?}} with an honest status. */
export const failure = (
  status: number,
  code: string,
  message: string,
  extra: Record<string, unknown> = {},
  headers: Record<string, string> = {},
): Response => jsonText(JSON.stringify({ error: { code, message, ...extra } }), headers, status);

const MAX_BODY_BYTES = 2_200_000;

/** An answer that is JSON already. It says how long it is: without that, Next packs an answer of two letters. */
export function jsonText(text: string, headers: Record<string, string> = {}, status = 200): Response {
  const body = Buffer.from(text);
  return new Response(body, {
    status,
    headers: { 'content-type': 'application/json', 'content-length': String(body.length), ...headers },
  });
}

/** An answer whose fields are JSON already: a document goes out as it is kept. */
export const jsonFields = (fields: Fields, headers: Record<string, string> = {}, status = 200): Response =>
  jsonText(objectText(fields), headers, status);

/**
 * A list under a name, sent in pieces as its rows are made, each as JSON: no list, however long, holds up the answers
 * to others.
 */
export function streamed(name: string, rows: AsyncGenerator<string>): Response {
  const encoder = new TextEncoder();
  const pieces = listText(name, rows);
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { value, done } = await pieces.next();
      if (done) controller.close();
      else controller.enqueue(encoder.encode(value));
    },
    cancel: async () => void (await pieces.return(undefined)),
  });
  return new Response(body, { headers: { 'content-type': 'application/json' } });
}

const PIECE = 65_536;

async function* listText(name: string, rows: AsyncGenerator<string>): AsyncGenerator<string> {
  let piece = `{${JSON.stringify(name)}:[`;
  let comma = '';
  for await (const row of rows) {
    piece += comma + row;
    comma = ',';
    if (piece.length < PIECE) continue;
    yield piece;
    piece = '';
  }
  yield `${piece}]}`;
}

type Fields = Readonly<Record<string, string>>;
/** The fields of a reply, each as JSON. */
type FieldsOf<T> = Readonly<Record<keyof T & string, string>>;

const objectText = (fields: Fields): string =>
  `{${Object.entries(fields)
    .map(([name, json]) => `${JSON.stringify(name)}:${json}`)
    .join(',')}}`;

/** A value as JSON, with one more field whose value is JSON already. */
export const jsonWith = (value: object, field: string, json: string): string =>
  `${JSON.stringify(value).slice(0, -1)},${JSON.stringify(field)}:${json}}`;

/** A train with its document. */
const trainFields = ({
  id,
  version,
  updatedAt,
  document,
}: Pick<KeptTrain, 'id' | 'version' | 'updatedAt' | 'document'>): FieldsOf<Reply<'readTrain'>> => ({
  id: JSON.stringify(id),
  version: String(version),
  updatedAt: JSON.stringify(updatedAt),
  train: document,
});

export const keptResponse = (kept: KeptTrain): Response =>
  kept.unreadable === null ? jsonFields(trainFields(kept)) : unreadable(kept);

/** A request's body, or the answer that refuses it. */
export type BodyRead<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly response: Response };

const refuse = (status: number, code: string, message: string) => ({
  ok: false as const,
  response: failure(status, code, message),
});
const NOT_JSON = () => refuse(400, 'bad-json', 'The body is not valid JSON.');

/** Reads a body that says it is JSON, refusing anything too large before it is all in memory. */
async function readText(request: Request): Promise<BodyRead<string>> {
  if (mediaType(request.headers.get('content-type')) !== 'application/json')
    return refuse(415, 'not-json', 'Send the body as application/json.');
  if (Number(request.headers.get('content-length') ?? 0) > MAX_BODY_BYTES)
    return refuse(413, 'too-large', 'The document is larger than 2 MB.');
  const bytes = await readBytes(request, MAX_BODY_BYTES);
  return bytes
    ? { ok: true, value: bytes.toString('utf8') }
    : refuse(413, 'too-large', 'The document is larger than 2 MB.');
}

/** A body's bytes; null as soon as there are more of them than may be, before they are all in memory. */
export async function readBytes(request: Request, most: number): Promise<Buffer | null> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  if (request.body) {
    for await (const chunk of request.body as unknown as AsyncIterable<Uint8Array>) {
      size += chunk.byteLength;
      if (size > most) return null;
      chunks.push(chunk);
    }
  }
  return Buffer.concat(chunks);
}

/** Reads a small JSON body. */
export async function readJson(request: Request): Promise<BodyRead<unknown>> {
  const read = await readText(request);
  if (!read.ok) return read;
  try {
    return { ok: true, value: JSON.parse(read.value) as unknown };
  } catch {
    return NOT_JSON();
  }
}

/** Reads a body, has it looked at, and does with it what is to be done; what is refused is answered at once. */
export async function withSent<T, R>(
  request: Request,
  read: (body: string, signal: AbortSignal) => Promise<Sent<T>>,
  work: (value: T) => Promise<R>,
): Promise<R | Response> {
  const body = await readText(request);
  if (!body.ok) return body.response;
  const sent = await read(body.value, request.signal);
  return sent.ok ? work(sent.value) : failure(sent.status, sent.code, sent.message);
}

/** Reads a body that is a train, or holds one under the key `train` beside what else it says, and checks it. */
export async function readTrainBody(
  request: Request,
  under: 'train' | null,
): Promise<BodyRead<{ readonly rest: unknown; readonly train: Checked }>> {
  const read = await readText(request);
  if (!read.ok) return read;
  const checked = await checkBody(read.value, under, request.signal);
  return checked ? { ok: true, value: checked } : NOT_JSON();
}

/** The type and subtype of a content type, as the standard compares them: without parameters, in any case. */
const mediaType = (contentType: string | null): string =>
  itemAt((contentType ?? '').split(';'), 0)
    .trim()
    .toLowerCase();

const refused = (problems: readonly Problem[]): Response => {
  const [first] = problems;
  return failure(422, 'bad-train', problemText(required(first)), {
    path: required(first).path,
    problems: problems.map(problemText),
  });
};

/**
 * A train is kept that does not read; its document can be had as it is, and replaced by a save that names its version.
 */
export const unreadable = ({ version, unreadable: why }: Pick<KeptTrain, 'version' | 'unreadable'>): Response =>
  failure(
    422,
    'unreadable',
    `This train is saved, but it cannot be read: ${why} It can be saved as it is, put aside or replaced on the shelf.`,
    { version },
  );

const stale = (current: KeptTrain): Response =>
  jsonFields(
    {
      error: objectText({
        code: '"stale"',
        message: '"This train was changed elsewhere since you opened it."',
        current: objectText(trainFields(current)),
      }),
    },
    {},
    409,
  );

const storedReply = ({ id, version, updatedAt }: StoredTrain): Reply<'saveTrain'> => ({ id, version, updatedAt });

/** What a save came to, as a response. */
export function savedResponse(saved: Saved, created = false): Response {
  switch (saved.outcome) {
    case 'saved':
      // Who saved has the document; only what the next save must name goes back.
      return jsonText(JSON.stringify(storedReply(saved.stored)), {}, created ? 201 : 200);
    case 'stale':
      return saved.current.unreadable === null ? stale(saved.current) : unreadable(saved.current);
    case 'other request':
      return failure(
        409,
        'key-used',
        'The Idempotency-Key of this request was used for another document. Send it with a key of its own.',
      );
    case 'missing':
      return failure(404, 'no-train', 'This train is no longer on the shelf.');
    case 'refused':
      return refused(saved.problems);
  }
}

/** What keeps the database from storing; then nothing was stored. */
const STORING: Record<string, { readonly status: number; readonly code: string; readonly message: string }> = {
  SQLITE_FULL: {
    status: 507,
    code: 'full',
    message:
      'There is no room on the server’s disk, so nothing was saved. What you ' +
      'changed waits in this browser until there is.',
  },
  SQLITE_READONLY: {
    status: 503,
    code: 'read-only',
    message: 'The server may not write to its database, so nothing was saved. What you changed waits in this browser.',
  },
  SQLITE_BUSY: {
    status: 503,
    code: 'busy',
    message: 'The database is held by another program, so nothing was saved. It is tried again.',
  },
};

/** Does the work for a request. Nothing about a failure but a sentence leaves the server; the rest is for its log. */
export async function guarded(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof StartupError) return failure(503, 'database', error.message);
    if (error instanceof Stopped)
      return failure(
        503,
        'stopped',
        'The server is too busy to finish this in time. Nothing was changed; try it again in a moment.',
      );
    const told = STORING[sqliteCode(error) ?? ''];
    console.error(error);
    if (told) return failure(told.status, told.code, told.message);
    return failure(
      500,
      'server',
      'The server could not finish this, and its log says why. Look at what is there before you do it again.',
    );
  }
}
