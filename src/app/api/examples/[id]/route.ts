import { database } from '@/server/database';
import { exampleFolder } from '@/server/examples/read';
import { savedResponse } from '@/server/http';
import { endpoints } from '@/server/endpoint';
import { restoreExample } from '@/server/trains/examples';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /** Makes an example what it was. */
  restoreExample: async (_, { id }) => savedResponse(await restoreExample(await database(), exampleFolder(), id)),
});
