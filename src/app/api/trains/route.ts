import { database } from '@/server/database';
import { guarded, readJson, savedResponse } from '@/server/http';
import { addTrain } from '@/server/trains/repository';
import { listShelf } from '@/server/trains/shelf';

/** Every train on the shelf, without its document. */
export const GET = (request: Request) => guarded(request, async () => Response.json({ trains: await listShelf(await database()) }));

/** Puts a document on the shelf as a new train. */
export const POST = (request: Request) =>
  guarded(request, async () => {
    const body = await readJson(request);
    return body.ok ? savedResponse(await addTrain(await database(), body.value), true) : body.response;
  });
