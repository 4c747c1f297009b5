import { database } from '@/server/database';
import { guarded } from '@/server/http';
import { listRevisions } from '@/server/trains/revisions';

/** The kept states of a train, the newest first. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(request, async () => Response.json({ revisions: await listRevisions(await database(), (await params).id) }));
