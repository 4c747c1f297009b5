import { database } from '@/server/database';
import { exampleFolder } from '@/server/examples/read';
import { endpoints } from '@/server/endpoint';
import { listExamples } from '@/server/trains/examples';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /** The trains that ship with the application, and whether each is on the shelf as it was. */
  listExamples: async () => ({ examples: await listExamples(await database(), exampleFolder()) }),
});
