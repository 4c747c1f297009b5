import { database } from '@/server/database';
import { failure, readTrainBody, savedResponse } from '@/server/http';
import { endpoints } from '@/server/endpoint';
import { copyBeside } from '@/server/trains/beside';
import { addTrain } from '@/server/trains/repository';
import { listShelf, scheduleSummary } from '@/server/trains/shelf';

/** Trains in one answer where a page of the list is asked for. */
const MOST_LISTED = 500;

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /**
   * The trains on the shelf by name, without their documents: all, or a page of them (?from=200&count=100) with how
   * many there are.
   */
  listTrains: async (request) => {
    const { searchParams } = new URL(request.url);
    const asked = { from: Number(searchParams.get('from') ?? 0), count: Number(searchParams.get('count') ?? Infinity) };
    if (!isWhole(asked.from) || !(asked.count === Infinity || (isWhole(asked.count) && asked.count <= MOST_LISTED))) {
      return failure(
        400,
        'bad-page',
        `A page of the list starts at a whole number and has at most ${MOST_LISTED} trains.`,
      );
    }
    const { rows, total } = await listShelf(await database(), asked);
    return { trains: rows, total };
  },

  /**
   * Puts a document on the shelf as a new train; what is kept beside another one goes along where it is a copy of that
   * (?beside=its-id).
   */
  addTrain: async (request) => {
    const body = await readTrainBody(request, null);
    if (!body.ok) return body.response;
    const added = await addTrain(await database(), body.value.train, request.headers.get('idempotency-key'));
    const original = new URL(request.url).searchParams.get('beside');
    if (added.outcome === 'saved' && original !== null) await copyBeside(await database(), original, added.stored.id);
    if (added.outcome === 'saved') scheduleSummary(await database(), added.stored);
    return savedResponse(added, true);
  },
});

const isWhole = (value: number): boolean => Number.isInteger(value) && value >= 0;
