import { database, type Database } from '@/server/database';
import { readEntries } from '@/server/heavy';
import { failure, withSent } from '@/server/http';
import { MOST } from '@/server/most';
import { endpoints, replyInPieces } from '@/server/endpoint';
import { addToLog, logPages, takeImportBack } from '@/server/trains/log';
import { keptEntry } from '@/server/wrong';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /** A train's log, in the order in which it was written; an entry that does not read comes with why. */
  readLog: async (_, { id }) => replyInPieces('readLog', 'entries', shown(await database(), id)),

  /** Adds entries, all or none; what is there already stays as it is. */
  addToLog: (request, { id }) =>
    withSent(request, readEntries, async (entries) => {
      const added = await addToLog(await database(), id, entries);
      if (added === 'missing') return failure(404, 'no-train', 'There is no such train on the shelf.');
      return added === 'kept'
        ? {}
        : failure(
            409,
            'full',
            `The limit is ${MOST.entries} entries in one log, and this one has them. Copy the train to go on.`,
          );
    }),

  /** Takes an import back as one thing; single records are never removed. */
  takeImportBack: async (request, { id }) => {
    const name = new URL(request.url).searchParams.get('import') ?? '';
    const taken = name === '' ? 0 : await takeImportBack(await database(), id, name);
    return taken > 0 ? { taken } : failure(404, 'no-import', 'This log has nothing from such an import.');
  },
});

async function* shown(opened: Database, id: string): AsyncGenerator<string> {
  for await (const page of logPages(opened, id))
    for (const { document, ...row } of page) yield JSON.stringify({ ...row, ...keptEntry(row.kind, document) });
}
