import { database } from '@/server/database';
import { listWorksheets } from '@/server/practice/worksheets';
import { route } from '@/server/route';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route({
  /** Worksheets, the newest first. */
  GET: async () => Response.json({ worksheets: await listWorksheets(await database()) }),
});
