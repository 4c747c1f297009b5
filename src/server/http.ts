import { problemText, type Problem } from '@/core/train';
import { sqliteCode, StartupError } from './database';
import { senderRefusal } from './sender';
import type { Saved, UnreadableTrain } from './trains/repository';

/** Errors leave the server as {error: {code, message, path?}} with an honest status. */
export const failure = (status: number, code: string, message: string, extra: Record<string, unknown> = {}, headers: Record<string, string> = {}): Response =>
  Response.json({ error: { code, message, ...extra } }, { status, headers });

const MAX_BODY_BYTES = 2_200_000;

export type Body = { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly response: Response };

/** Reads a JSON body, refusing other types and anything too large before it is all in memory. */
export async function readJson(request: Request): Promise<Body> {
  const refuse = (status: number, code: string, message: string): Body => ({ ok: false, response: failure(status, code, message) });
  if (mediaType(request.headers.get('content-type')) !== 'application/json') return refuse(415, 'not-json', 'Send the body as application/json.');
  if (Number(request.headers.get('content-length') ?? 0) > MAX_BODY_BYTES) return refuse(413, 'too-large', 'The document is larger than 2 MB.');
  const chunks: Uint8Array[] = [];
  let size = 0;
  if (request.body) {
    for await (const chunk of request.body as unknown as AsyncIterable<Uint8Array>) {
      size += chunk.byteLength;
      if (size > MAX_BODY_BYTES) return refuse(413, 'too-large', 'The document is larger than 2 MB.');
      chunks.push(chunk);
    }
  }
  try {
    return { ok: true, value: JSON.parse(Buffer.concat(chunks).toString('utf8')) as unknown };
  } catch {
    return refuse(400, 'bad-json', 'The body is not valid JSON.');
  }
}

/** The type and subtype of a content type, as the standard compares them: without parameters, in any case. */
const mediaType = (contentType: string | null): string => (contentType ?? '').split(';')[0]!.trim().toLowerCase();

const refused = (problems: readonly Problem[]): Response => {
  const [first] = problems;
  return failure(422, 'bad-train', problemText(first!), { path: first!.path, problems: problems.map(problemText) });
};

/** A train is kept that does not read; its document can be had as it is, and replaced by a save that names its version. */
export const unreadable = ({ version, unreadable: why }: Pick<UnreadableTrain, 'version' | 'unreadable'>): Response =>
  failure(422, 'unreadable', `This train is kept, but it cannot be read: ${why} It can be saved as it is, put aside or replaced on the shelf.`, { version });

/** What a save came to, as a response. */
export function savedResponse(saved: Saved, created = false): Response {
  switch (saved.outcome) {
    case 'saved':
      // Who saved has the document; only what the next save must name goes back.
      return Response.json({ id: saved.stored.id, version: saved.stored.version, updatedAt: saved.stored.updatedAt }, { status: created ? 201 : 200 });
    case 'stale':
      return failure(409, 'stale', 'This train was changed elsewhere since you opened it.', { current: saved.current });
    case 'unreadable':
      return unreadable(saved.kept);
    case 'missing':
      return failure(404, 'no-train', 'This train is no longer on the shelf.');
    case 'refused':
      return refused(saved.problems);
  }
}

/** What keeps the database from storing; then nothing was stored. */
const STORING: Record<string, { readonly status: number; readonly code: string; readonly message: string }> = {
  SQLITE_FULL: { status: 507, code: 'full', message: 'There is no room on the server’s disk, so nothing was saved. What you changed waits in this browser until there is.' },
  SQLITE_READONLY: { status: 503, code: 'read-only', message: 'The server may not write to its database, so nothing was saved. What you changed waits in this browser.' },
  SQLITE_BUSY: { status: 503, code: 'busy', message: 'The database is held by another program, so nothing was saved. It is tried again.' },
};

/** Does the work for a request that comes from where it may. Nothing about a failure but a sentence leaves the server; the rest is for its log. */
export async function guarded(request: Request, work: () => Promise<Response>): Promise<Response> {
  const refusal = senderRefusal(request);
  if (refusal) return failure(refusal.status, refusal.code, refusal.message);
  try {
    return await work();
  } catch (error) {
    if (error instanceof StartupError) return failure(503, 'database', error.message);
    const told = STORING[sqliteCode(error) ?? ''];
    console.error(error);
    if (told) return failure(told.status, told.code, told.message);
    return failure(500, 'server', 'The server could not finish this, and its log says why. Look at what is there before you do it again.');
  }
}
