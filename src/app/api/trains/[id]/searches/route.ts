import { database } from '@/server/database';
import { route } from '@/server/route';
import { listBeside } from '@/server/trains/beside';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string }>({
  /** The searches that are kept beside a train, the newest first, each as its file has it. */
  GET: async (_, { id }) => {
    const kept = await listBeside((await database()).reading.searches, id);
    const searches = kept.map(({ document, ...rest }) => ({ ...rest, search: JSON.parse(document) as unknown }));
    return Response.json({ searches });
  },
});
