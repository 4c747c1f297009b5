import { database } from '@/server/database';
import { exampleFolder } from '@/server/examples/read';
import { savedResponse } from '@/server/http';
import { route } from '@/server/route';
import { restoreExample } from '@/server/trains/examples';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string }>({
  /** Makes an example what it was. */
  POST: async (_, { id }) => savedResponse(await restoreExample(await database(), exampleFolder(), id)),
});
