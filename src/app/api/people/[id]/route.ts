import { database } from '@/server/database';
import { failure } from '@/server/http';
import { removePerson } from '@/server/practice/people';
import { route } from '@/server/route';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string }>({
  /** Takes a name off, with all that was answered under it. */
  DELETE: async (_, { id }) =>
    (await removePerson(await database(), id))
      ? Response.json({})
      : failure(404, 'no-person', 'There is no such name any more.'),
});
