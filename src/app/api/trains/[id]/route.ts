import { after } from 'next/server';
import { z } from 'zod';
import { database } from '@/server/database';
import { failure, guarded, readJson, savedResponse, unreadable } from '@/server/http';
import { findTrain, isReadable, putBackTrain, removeTrain, saveTrain, type KeptTrain } from '@/server/trains/repository';
import { thinRevisions } from '@/server/trains/revisions';
import { keepSummary } from '@/server/trains/shelf';

type Context = { params: Promise<{ id: string }> };

/** Old states are thinned out once in so many saves. */
const THIN_EVERY = 20;

const keptResponse = (kept: KeptTrain): Response => (isReadable(kept) ? Response.json(kept) : unreadable(kept));

const saveSchema = z.strictObject({ version: z.number().int().min(1), train: z.unknown() });

export const GET = (request: Request, { params }: Context) =>
  guarded(request, async () => {
    const found = await findTrain(await database(), (await params).id);
    return found ? keptResponse(found) : failure(404, 'no-train', 'There is no such train on the shelf.');
  });

/** Saves over the version named; 409 with the current state when that is no longer the newest. */
export const PUT = (request: Request, { params }: Context) =>
  guarded(request, async () => {
    const body = await readJson(request);
    if (!body.ok) return body.response;
    const save = saveSchema.safeParse(body.value);
    if (!save.success) return failure(400, 'bad-request', 'A save names the version it started from and the train.');
    const { version, train } = save.data;
    const { id } = await params;
    const saved = await saveTrain(await database(), id, version, train);
    if (saved.outcome === 'saved') {
      after(async () => {
        await keepSummary(await database(), id, saved.stored.version);
        if (version % THIN_EVERY === 0) await thinRevisions(await database(), id, new Date());
      });
    }
    return savedResponse(saved);
  });

/** Takes a train off the shelf; it can be put back. */
export const DELETE = (request: Request, { params }: Context) =>
  guarded(request, async () => ((await removeTrain(await database(), (await params).id)) ? Response.json({}) : failure(404, 'no-train', 'This train is no longer on the shelf.')));

/** Puts a train that was taken off the shelf back. */
export const POST = (request: Request, { params }: Context) =>
  guarded(request, async () => {
    const back = await putBackTrain(await database(), (await params).id);
    return back ? keptResponse(back) : failure(404, 'no-train', 'This train was deleted too long ago to be put back.');
  });
