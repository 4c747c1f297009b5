import { database } from '@/server/database';
import { guarded, readJson, savedResponse } from '@/server/http';
import { addTrain, listTrains } from '@/server/trains/repository';

/** Every train on the shelf. */
export const GET = () => guarded(async () => Response.json({ trains: await listTrains(await database()) }));

/** Puts a document on the shelf as a new train. */
export const POST = (request: Request) =>
  guarded(async () => {
    const body = await readJson(request);
    return body.ok ? savedResponse(await addTrain(await database(), body.value), true) : body.response;
  });
