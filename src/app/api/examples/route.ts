import { database } from '@/server/database';
import { exampleFolder } from '@/server/examples/read';
import { guarded } from '@/server/http';
import { listExamples } from '@/server/trains/examples';

/** The trains that ship with the application, and whether each is on the shelf as it was. */
export const GET = (request: Request) => guarded(request, async () => Response.json({ examples: await listExamples(await database(), exampleFolder()) }));
