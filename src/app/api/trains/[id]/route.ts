import { z } from 'zod';
import { database } from '@/server/database';
import { failure, guarded, readJson, savedResponse } from '@/server/http';
import { findTrain, removeTrain, saveTrain } from '@/server/trains/repository';

type Context = { params: Promise<{ id: string }> };

const saveSchema = z.strictObject({ version: z.number().int().min(1), train: z.unknown() });

export const GET = (_request: Request, { params }: Context) =>
  guarded(async () => {
    const found = await findTrain(await database(), (await params).id);
    return found ? Response.json(found) : failure(404, 'no-train', 'There is no such train on the shelf.');
  });

/** Saves over the version named; 409 with the current state when that is no longer the newest. */
export const PUT = (request: Request, { params }: Context) =>
  guarded(async () => {
    const body = await readJson(request);
    if (!body.ok) return body.response;
    const save = saveSchema.safeParse(body.value);
    if (!save.success) return failure(400, 'bad-request', 'A save names the version it started from and the train.');
    return savedResponse(await saveTrain(await database(), (await params).id, save.data.version, save.data.train));
  });

/** Takes a train off the shelf and answers with what it was, so that it can be put back. */
export const DELETE = (_request: Request, { params }: Context) =>
  guarded(async () => {
    const removed = await removeTrain(await database(), (await params).id);
    return removed ? Response.json(removed) : failure(404, 'no-train', 'This train is no longer on the shelf.');
  });
