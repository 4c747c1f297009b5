import { after } from 'next/server';
import { database } from '@/server/database';
import { failure, keptResponse, readTrainBody, savedResponse } from '@/server/http';
import { endpoints } from '@/server/endpoint';
import { findTrain, putBackTrain, removeTrain, saveTrain } from '@/server/trains/repository';
import { thinRevisions } from '@/server/trains/revisions';
import { scheduleSummary } from '@/server/trains/shelf';
import { versionNumber } from '@/server/version-number';
import { saveStart } from '@/wire/requests';

/** Old states are thinned out once in so many saves. */
const THIN_EVERY = 20;

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  readTrain: async (request, { id }) => {
    const found = await findTrain(await database(), id, request.signal);
    return found ? keptResponse(found) : failure(404, 'no-train', 'There is no such train on the shelf.');
  },

  /** Saves over the version named; 409 with the current state when that is no longer the newest. */
  saveTrain: async (request, { id }) => {
    const body = await readTrainBody(request, 'train');
    if (!body.ok) return body.response;
    const save = saveStart.safeParse(body.value.rest);
    if (!save.success) return failure(400, 'bad-request', 'A save names the version it started from and the train.');
    const { version } = save.data;
    const saved = await saveTrain(await database(), id, version, body.value.train);
    if (saved.outcome === 'saved') {
      scheduleSummary(await database(), saved.stored);
      if (version % THIN_EVERY === 0) after(async () => thinRevisions(await database(), id, new Date()));
    }
    return savedResponse(saved);
  },

  /**
   * Takes the version named (?version=3) off the shelf; it can be put back. 409 when there is a newer one that the
   * sender has not seen.
   */
  removeTrain: async (request, { id }) => {
    const version = versionNumber(new URL(request.url).searchParams.get('version'));
    if (version === null)
      return failure(400, 'bad-version', 'Say which version is to be taken off the shelf: ?version=3.');
    const removed = await removeTrain(await database(), id, version);
    if (removed === 'stale')
      return failure(
        409,
        'stale',
        'This train was changed elsewhere in the meantime; look at it before you delete it.',
      );
    return removed === 'removed' ? {} : failure(404, 'no-train', 'This train is no longer on the shelf.');
  },

  /** Puts a train that was taken off the shelf back. */
  restoreTrain: async (_, { id }) => {
    const back = await putBackTrain(await database(), id);
    return back ? keptResponse(back) : failure(404, 'no-train', 'This train was deleted too long ago to be put back.');
  },
});
