import { database } from '@/server/database';
import { exampleFolder } from '@/server/examples/read';
import { route } from '@/server/route';
import { listExamples } from '@/server/trains/examples';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route({
  /** The trains that ship with the application, and whether each is on the shelf as it was. */
  GET: async () => Response.json({ examples: await listExamples(await database(), exampleFolder()) }),
});
