import { database } from '@/server/database';
import { route } from '@/server/route';
import { listRevisions } from '@/server/trains/revisions';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string }>({
  /** The kept states of a train, the newest first. */
  GET: async (_, { id }) => Response.json({ revisions: await listRevisions(await database(), id) }),
});
