import { database } from '@/server/database';
import { failure } from '@/server/http';
import { asKept } from '@/server/kept-answer';
import { route } from '@/server/route';
import { findEntry, putEntryAside } from '@/server/trains/log';

const MISSING = () => failure(404, 'no-entry', 'There is no such entry in this log.');

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string; key: string }>({
  /** An entry as a file, whether it reads or not. */
  GET: async (_, { id, key }) => {
    const text = await findEntry(await database(), id, key);
    return text === null ? MISSING() : asKept(text);
  },

  /** Puts an entry that does not read aside, where it can still be had. Others are never changed and never removed. */
  DELETE: async (_, { id, key }) => {
    const put = await putEntryAside(await database(), id, key);
    if (put === 'missing') return MISSING();
    return put === 'put aside'
      ? Response.json({})
      : failure(409, 'reads', 'An entry of a log is never removed; it can be corrected by another one.');
  },
});
