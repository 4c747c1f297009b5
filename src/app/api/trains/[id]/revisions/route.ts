import { database } from '@/server/database';
import { endpoints } from '@/server/endpoint';
import { listRevisions } from '@/server/trains/revisions';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /** The kept states of a train, the newest first. */
  listRevisions: async (_, { id }) => ({ revisions: await listRevisions(await database(), id) }),
});
