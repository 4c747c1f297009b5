import { database, type BesideModel } from '@/server/database';
import { readDocument, readKept, type KeptKind } from '@/server/heavy';
import { failure, jsonWith, streamed, withSent } from '@/server/http';
import { asKept, wantsAsKept, unreadableRow } from '@/server/kept-answer';
import { keptDocument } from '@/server/kept-row';
import { MOST } from '@/server/most';
import { route } from '@/server/route';
import { keptKey } from '@/wire';
import { besideRows, findBeside, removeBeside, keepBeside, type StoredKind } from './beside';

/** One kind of documents that are kept beside trains. */
export interface BesideKeeping {
  /** "A search" */
  readonly noun: string;
  readonly kind: KeptKind;
  readonly table: StoredKind;
}

/** What is kept beside a train, the newest first, each as its file has it, or with why it does not read. */
export const listRoute = ({ table }: BesideKeeping) =>
  route<{ id: string }>({
    GET: async (request, { id }) => streamed('kept', shown((await database())[table], id, request.signal)),
  });

async function* shown(table: BesideModel, id: string, signal: AbortSignal): AsyncGenerator<string> {
  for await (const { document, ...row } of besideRows(table, id)) {
    const read = await readKept(document, signal);
    yield 'json' in read ? jsonWith(row, 'document', read.json) : JSON.stringify({ ...row, ...read });
  }
}

/** One of them, under a key that the sender chooses; sent again it is kept once. */
export const keptRoute = ({ noun, kind, table }: BesideKeeping) =>
  route<{ id: string; key: string }>({
    /** Its document; with ?as-kept as a file, whether it reads or not. */
    GET: async (request, { id, key }) => {
      const text = await findBeside((await database())[table], id, key);
      if (text === null) return failure(404, 'not-kept', 'It is no longer kept.');
      if (wantsAsKept(request)) return asKept(text);
      const read = keptDocument(text);
      return 'document' in read ? Response.json(read) : unreadableRow(noun, read.unreadable);
    },

    PUT: (request, { id, key }) =>
      withSent(
        request,
        (body, signal) => readDocument(body, kind, signal),
        async (sent) => {
          if (!keptKey.safeParse(key).success)
            return failure(400, 'bad-request', `${noun} is kept with a key of up to 64 letters, digits, - and _.`);
          const kept = await keepBeside(await database(), table, id, { id: key, ...sent });
          if (kept === 'missing') return failure(404, 'no-train', 'There is no such train on the shelf.');
          return kept === 'kept'
            ? Response.json({})
            : failure(
                409,
                'full',
                `Beside this train ${MOST.beside} of them are kept, which is as ` +
                  'many as there can be: remove some first.',
              );
        },
      ),

    DELETE: async (_, { id, key }) =>
      (await removeBeside(await database(), table, id, key))
        ? Response.json({})
        : failure(404, 'not-kept', 'It is no longer kept.'),
  });
