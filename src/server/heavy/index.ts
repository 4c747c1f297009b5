import type { DrawingSpace } from '@/core/drawing';
import { HEAVY_JOBS, type Checked, type DrawnText } from './jobs';
import { inWorker, Stopped } from './pool';
import { contentKey, Results } from './results';
import type { KeptKind } from './sent';
import type { Plan } from '../bundle/plan';
import type { GatheredBundle } from '../bundle/gather';
import type { Result } from '@/core/result';
import type { PlainPicture } from '../pictures/plain-picture';

export { checkDocument, type Checked, type DrawnText } from './jobs';
export type { KeptKind, Sent } from './sent';
export { isSlowToDraw, Stopped, stopWorkers, workersNow } from './pool';

/**
 * Up to so many characters a document is read and checked where the request is: that takes a few milliseconds, as the
 * way to a worker does.
 */
const LIGHT = 32_000;

/** Checks the train in a request's body, alone or under the key `train`; null for what is not JSON. */
export const checkBody = async (
  body: string,
  under: 'train' | null,
  signal?: AbortSignal,
): Promise<{ readonly rest: unknown; readonly train: Checked } | null> =>
  body.length <= LIGHT ? HEAVY_JOBS.check(body, under) : inWorker('check', [body, under], signal);

/** Entries for a log that a request brought. */
export const readEntries = async (body: string, signal?: AbortSignal) =>
  body.length <= LIGHT ? HEAVY_JOBS.sentEntries(body) : inWorker('sentEntries', [body], signal);

/** Answers that a request brought. */
export const readAnswers = async (body: string, signal?: AbortSignal) =>
  body.length <= LIGHT ? HEAVY_JOBS.sentAnswers(body) : inWorker('sentAnswers', [body], signal);

/**
 * A document that a request brought, with its name. All questions of a worksheet have to be made, however short it is.
 */
export const readDocument = async (body: string, kind: KeptKind, signal?: AbortSignal) =>
  body.length <= LIGHT && kind !== 'worksheet'
    ? HEAVY_JOBS.sentDocument(body, kind)
    : inWorker('sentDocument', [body, kind], signal);

/** A kept text as the JSON of its value, or why it cannot be read. */
export const readKept = async (text: string, signal?: AbortSignal) =>
  text.length <= LIGHT ? HEAVY_JOBS.json(text) : inWorker('json', [text], signal);

/** What each of these states changed, the newest first; null for the oldest, and beside one that does not read. */
export const readChanges = (documents: readonly string[], signal?: AbortSignal) =>
  inWorker('changes', [documents], signal);

/** Writes a bundle to a path, see bundle/gather.ts. */
export const gatherBundle = (
  database: string,
  ids: readonly string[] | 'everything',
  path: string,
  signal?: AbortSignal,
): Promise<Result<GatheredBundle>> => inWorker('bundle', [database, ids, path], signal);

/** Reads a bundle into a staging file and says what it would bring, see bundle/stage.ts. */
export const readBundle = (
  database: string,
  path: string,
  stagingFile: string,
  signal?: AbortSignal,
): Promise<Result<Plan>> => inWorker('unbundle', [database, path, stagingFile], signal);

/** A picture as it may be kept; null for what is none. */
export async function readPicture(bytes: Uint8Array, signal?: AbortSignal): Promise<PlainPicture | null> {
  const read = await inWorker('picture', [bytes], signal);
  // Over a thread's border bytes come as plain ones.
  return read && { ...read, bytes: Buffer.from(read.bytes) };
}

const reasons = new Results<string>(500);

/** Why a kept document does not read; null when it does. */
export async function whyUnreadable(document: string, signal?: AbortSignal): Promise<string | null> {
  if (document.length <= LIGHT) return HEAVY_JOBS.unreadable(document);
  // The empty text stands for none: results are texts.
  return (
    (await reasons.of(
      contentKey(document),
      async (ends) => (await inWorker('unreadable', [document], ends)) ?? '',
      signal,
    )) || null
  );
}

/** What the shelf says of a document that reads, as JSON. */
export const summariseDocument = (document: string): Promise<string> => inWorker('summarise', [document]);

const quick = new Results<DrawnText>(100);
const thorough = new Results<DrawnText>(200);

/**
 * The side view of a document that reads: the best that is known, else what can be found at once.
 * @param better where more effort might better it, that is made in the background, for whoever asks next.
 */
export async function drawDocument(
  document: string,
  space: DrawingSpace,
  { better, signal }: { readonly better: boolean; readonly signal?: AbortSignal },
): Promise<DrawnText> {
  const key = contentKey(JSON.stringify(space), document);
  const best = thorough.get(key);
  if (best) return best;
  const first = await quick.of(key, (ends) => inWorker('draw', [document, space], ends), signal);
  if (better && !first.finished && !thorough.has(key)) {
    void thorough
      .of(key, () =>
        inWorker('drawWell', [document, space]).catch((error: unknown) => {
          // The quick one stays what there is; it is not tried again and again.
          if (error instanceof Stopped) return { ...first, finished: true };
          throw error;
        }),
      )
      .catch((error: unknown) => console.error(error));
  }
  return first;
}
