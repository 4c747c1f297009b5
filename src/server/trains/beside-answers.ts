import { database, type BesideModel } from '@/server/database';
import { readDocument, readKept, type KeptKind } from '@/server/heavy';
import { failure, jsonWith, withSent } from '@/server/http';
import { asKept, wantsAsKept, unreadableRow } from '@/server/kept-answer';
import { keptDocument } from '@/server/kept-row';
import { MOST } from '@/server/most';
import { keptKey } from '@/wire';
import type { PathParts } from '@/wire/endpoints';
import { replyInPieces } from '../endpoint';
import { besideRows, findBeside, removeBeside, keepBeside, type StoredKind } from './beside';

/** One kind of documents that are kept beside trains. */
interface BesideKeeping {
  /** "A search" */
  readonly noun: string;
  readonly kind: KeptKind;
  readonly table: StoredKind;
}

export const SEARCHES: BesideKeeping = { noun: 'A search', kind: 'search', table: 'searches' };
// The positions that a scenario names are those of the train as it is on the page, which may be saved a moment later.
export const SCENARIOS: BesideKeeping = { noun: 'A scenario', kind: 'scenario', table: 'scenarios' };

type OfTrain = PathParts<'listSearches' | 'listScenarios'>;
type OfDocument = PathParts<'readSearch' | 'readScenario'>;

/** What is kept beside a train, the newest first, each as its file has it, or with why it does not read. */
export const listBeside =
  ({ table }: BesideKeeping) =>
  async (request: Request, { id }: OfTrain): Promise<Response> =>
    replyInPieces('listSearches', 'kept', shown((await database())[table], id, request.signal));

async function* shown(table: BesideModel, id: string, signal: AbortSignal): AsyncGenerator<string> {
  for await (const { document, ...row } of besideRows(table, id)) {
    const read = await readKept(document, signal);
    yield 'json' in read ? jsonWith(row, 'document', read.json) : JSON.stringify({ ...row, ...read });
  }
}

/** One of them; with ?as-kept as a file, whether it reads or not. */
export const readOneBeside =
  ({ noun, table }: BesideKeeping) =>
  async (request: Request, { id, key }: OfDocument) => {
    const text = await findBeside((await database())[table], id, key);
    if (text === null) return notKept();
    if (wantsAsKept(request)) return asKept(text);
    const read = keptDocument(text);
    return 'document' in read ? read : unreadableRow(noun, read.unreadable);
  };

/** Keeps one under a key that the sender chooses; sent again it is kept once. */
export const keepOneBeside =
  ({ noun, kind, table }: BesideKeeping) =>
  (request: Request, { id, key }: OfDocument) =>
    withSent(
      request,
      (body, signal) => readDocument(body, kind, signal),
      async (sent) => {
        if (!keptKey.safeParse(key).success)
          return failure(400, 'bad-request', `${noun} is kept with a key of up to 64 letters, digits, - and _.`);
        const kept = await keepBeside(await database(), table, id, { id: key, ...sent });
        if (kept === 'missing') return failure(404, 'no-train', 'There is no such train on the shelf.');
        return kept === 'kept'
          ? {}
          : failure(409, 'full', `The limit is ${MOST.beside} beside one train: remove some first.`);
      },
    );

export const removeOneBeside =
  ({ table }: BesideKeeping) =>
  async (_: Request, { id, key }: OfDocument) =>
    (await removeBeside(await database(), table, id, key)) ? {} : notKept();

const notKept = () => failure(404, 'not-kept', 'It is no longer kept.');
