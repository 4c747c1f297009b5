import { database, type BesideModel, type Database } from '@/server/database';
import { failure, readJson } from '@/server/http';
import { asKept, asksAsKept, unreadableRow } from '@/server/kept-answer';
import { keptDocument } from '@/server/kept-row';
import { route } from '@/server/route';
import { keepingRequest } from '@/wire';
import { findBeside, forgetBeside, keepBeside, listBeside } from './beside';

/** One kind of documents that are kept beside trains. */
export interface BesideKeeping {
  /** "A search" */
  readonly noun: string;
  readonly table: (tables: Pick<Database, 'searches' | 'scenarios'>) => BesideModel;
  /** What is wrong with one; null when it reads. */
  readonly wrong: (document: object) => string | null;
}

const MOST_LETTERS = 1_000_000;

/** What is kept beside a train, the newest first, each as its file has it, or with why it does not read. */
export const listRoute = ({ table }: BesideKeeping) =>
  route<{ id: string }>({
    GET: async (_, { id }) => {
      const rows = await listBeside(table((await database()).reading), id);
      return Response.json({ kept: rows.map(({ document, ...row }) => ({ ...row, ...keptDocument(document) })) });
    },
  });

/** One of them, under a key that the sender chooses; sent again it is kept once. */
export const keptRoute = ({ noun, table, wrong }: BesideKeeping) =>
  route<{ id: string; key: string }>({
    /** Its document; with ?as-kept as a file, whether it reads or not. */
    GET: async (request, { id, key }) => {
      const text = await findBeside(table((await database()).reading), id, key);
      if (text === null) return failure(404, 'not-kept', 'It is no longer kept.');
      if (asksAsKept(request)) return asKept(text);
      const read = keptDocument(text);
      return 'document' in read ? Response.json(read) : unreadableRow(noun, read.unreadable);
    },

    PUT: async (request, { id, key }) => {
      const body = await readJson(request);
      if (!body.ok) return body.response;
      const keeping = keepingRequest.safeParse(body.value);
      if (!keeping.success || !/^[\w-]{1,64}$/.test(key))
        return failure(400, 'bad-request', `${noun} is kept with a key, a name of 1 to 120 characters and the document itself.`); // prettier-ignore
      const { name, document } = keeping.data;
      const message = wrong(document);
      if (message !== null) return failure(422, 'bad-document', message);
      const text = JSON.stringify(document);
      if (text.length > MOST_LETTERS) return failure(413, 'too-large', `${noun} can have at most 1 MB.`);
      const opened = await database();
      const kept = await keepBeside(opened, table(opened), id, { id: key, name, document: text });
      if (kept === 'missing') return failure(404, 'no-train', 'There is no such train on the shelf.');
      return kept === 'kept'
        ? Response.json({})
        : failure(409, 'full', 'Beside this train 200 of them are kept, which is as many as there can be: remove some first.'); // prettier-ignore
    },

    DELETE: async (_, { id, key }) =>
      (await forgetBeside(table(await database()), id, key))
        ? Response.json({})
        : failure(404, 'not-kept', 'It is no longer kept.'),
  });
