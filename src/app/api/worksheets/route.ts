import { database } from '@/server/database';
import { listWorksheets } from '@/server/practice/worksheets';
import { endpoints } from '@/server/endpoint';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /** Worksheets, the newest first. */
  listWorksheets: async () => ({ worksheets: await listWorksheets(await database()) }),
});
