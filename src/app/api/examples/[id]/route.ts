import { database } from '@/server/database';
import { exampleFolder } from '@/server/examples/read';
import { guarded, savedResponse } from '@/server/http';
import { restoreExample } from '@/server/trains/examples';

/** Makes an example what it was. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(request, async () => savedResponse(await restoreExample(await database(), exampleFolder(), (await params).id)));
