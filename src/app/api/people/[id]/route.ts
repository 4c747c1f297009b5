import { database } from '@/server/database';
import { failure } from '@/server/http';
import { removePerson } from '@/server/practice/people';
import { endpoints } from '@/server/endpoint';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /** Takes a name off, with all that was answered under it. */
  removePerson: async (_, { id }) =>
    (await removePerson(await database(), id)) ? {} : failure(404, 'no-person', 'There is no such name any more.'),
});
