import { readWritten } from '@/core/tooth-search';
import { database } from '@/server/database';
import { failure, readJson } from '@/server/http';
import { route } from '@/server/route';
import { forgetBeside, keepBeside } from '@/server/trains/beside';
import { searchRequest } from '@/wire';

const MOST_LETTERS = 100_000;

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string; key: string }>({
  /** Keeps a search beside a train under a key that the sender chooses; sent again it is kept once. */
  PUT: async (request, { id, key }) => {
    const body = await readJson(request);
    if (!body.ok) return body.response;
    const keeping = searchRequest.safeParse(body.value);
    if (!keeping.success || !/^[\w-]{1,64}$/.test(key))
      return failure(
        400,
        'bad-request',
        'A kept search has a key, a name of 1 to 120 characters and the search itself.',
      );
    const { name, search } = keeping.data;
    const read = readWritten(search);
    if (!read.ok) return failure(422, 'bad-search', read.message);
    const document = JSON.stringify(search);
    if (document.length > MOST_LETTERS) return failure(413, 'too-large', 'The search is larger than 100 kB.');
    const opened = await database();
    const kept = await keepBeside(opened, opened.searches, id, { id: key, name, document });
    if (kept === 'missing') return failure(404, 'no-train', 'There is no such train on the shelf.');
    return kept === 'kept'
      ? Response.json({})
      : failure(
          409,
          'full',
          'Beside this train 200 searches are kept, which is as many as there can be: remove some first.',
        );
  },

  DELETE: async (_, { id, key }) =>
    (await forgetBeside((await database()).searches, id, key))
      ? Response.json({})
      : failure(404, 'no-search', 'This search is no longer kept.'),
});
