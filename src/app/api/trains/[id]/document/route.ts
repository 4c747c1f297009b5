import { database } from '@/server/database';
import { failure } from '@/server/http';
import { endpoints } from '@/server/endpoint';
import { findDocument } from '@/server/trains/repository';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /** The document of a train as it is kept, as a file: for one that does not read, all there is to be had. */
  readDocument: async (_, { id }) => {
    const found = await findDocument(await database(), id);
    if (!found) return failure(404, 'no-train', 'There is no such train on the shelf.');
    return new Response(found.document, {
      headers: {
        'content-type': 'application/json; charset=utf-8',
        'content-disposition': 'attachment; filename="train-as-kept.json"',
      },
    });
  },
});
