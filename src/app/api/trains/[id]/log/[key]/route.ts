import { database } from '@/server/database';
import { failure } from '@/server/http';
import { asKept } from '@/server/kept-answer';
import { endpoints } from '@/server/endpoint';
import { findEntry, putEntryAside } from '@/server/trains/log';

const MISSING = () => failure(404, 'no-entry', 'There is no such entry in this log.');

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /** An entry as a file, whether it reads or not. */
  readEntry: async (_, { id, key }) => {
    const text = await findEntry(await database(), id, key);
    return text === null ? MISSING() : asKept(text);
  },

  /** Puts an entry that does not read aside, where it can still be had. Others are never changed and never removed. */
  putEntryAside: async (_, { id, key }) => {
    const put = await putEntryAside(await database(), id, key);
    if (put === 'missing') return MISSING();
    return put === 'put aside'
      ? {}
      : failure(409, 'reads', 'An entry of a log is never removed; it can be corrected by another one.');
  },
});
