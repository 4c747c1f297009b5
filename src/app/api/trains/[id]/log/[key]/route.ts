import { database } from '@/server/database';
import { failure } from '@/server/http';
import { asKept } from '@/server/kept-answer';
import { route } from '@/server/route';
import { findEntry } from '@/server/trains/log';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string; key: string }>({
  /** An entry as a file, whether it reads or not. Entries are never changed and never removed. */
  GET: async (_, { id, key }) => {
    const text = await findEntry(await database(), id, key);
    return text === null ? failure(404, 'no-entry', 'There is no such entry in this log.') : asKept(text);
  },
});
