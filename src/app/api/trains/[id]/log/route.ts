import { shapeOfEntry } from '@/core/measurement';
import { database, type Database } from '@/server/database';
import { failure, readJson, streamed } from '@/server/http';
import { keptDocument, type KeptDocument } from '@/server/kept-row';
import { route } from '@/server/route';
import { addToLog, LOG_KINDS, logPages, type LogKind } from '@/server/trains/log';
import { logRequest } from '@/wire';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string }>({
  /** A train's log, in the order in which it was written; an entry that does not read comes with why. */
  GET: async (_, { id }) => {
    return streamed(logText(await database(), id));
  },

  /** Adds entries, all or none; what is there already stays as it is. */
  POST: async (request, { id }) => {
    const body = await readJson(request);
    if (!body.ok) return body.response;
    const asked = logRequest.safeParse(body.value);
    if (!asked.success)
      return failure(400, 'bad-request', 'Send up to 2000 entries, each with an id, its kind and the document.');
    const { entries } = asked.data;
    for (const [i, { kind, document }] of entries.entries()) {
      const wrong = shapeOfEntry(kind, document);
      if (wrong !== null) return failure(422, 'bad-entry', `entries[${i}].${wrong}`);
    }
    const added = await addToLog(
      await database(),
      id,
      entries.map((entry) => ({ ...entry, document: JSON.stringify(entry.document) })),
    );
    if (added === 'missing') return failure(404, 'no-train', 'There is no such train on the shelf.');
    return added === 'kept'
      ? Response.json({})
      : failure(409, 'full', 'This log has 50 000 entries, which is as many as there can be.');
  },
});

/** The answer in pieces, so that no log, however long, holds up the answers to others. */
async function* logText(opened: Database, id: string): AsyncGenerator<string> {
  let before = '{"entries":[';
  for await (const page of logPages(opened, id)) {
    const texts = page.map(({ document, ...row }) => JSON.stringify({ ...row, ...entryDocument(row.kind, document) }));
    if (texts.length === 0) continue;
    yield before + texts.join(',');
    before = ',';
  }
  yield before === ',' ? ']}' : `${before}]}`;
}

function entryDocument(kind: LogKind, text: string): KeptDocument {
  const read = keptDocument(text);
  if ('unreadable' in read) return read;
  if (!LOG_KINDS.includes(kind)) return { unreadable: 'It is neither a reading nor a correction nor a run.' };
  const wrong = shapeOfEntry(kind, read.document);
  return wrong === null ? read : { unreadable: wrong };
}
