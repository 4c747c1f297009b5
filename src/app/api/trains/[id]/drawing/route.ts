import { SPACES } from '@/core/drawing';
import { database } from '@/server/database';
import { drawDocument } from '@/server/heavy';
import { failure, unreadable } from '@/server/http';
import { endpoints, replyOfJson } from '@/server/endpoint';
import { findTrain } from '@/server/trains/repository';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /**
   * A train with its small side view, for the shelf; or the large side view alone (?for=bench), which the Bench betters
   * itself. The address names the version, so the browser may keep the answer for a while; not one that a better
   * drawing will follow.
   */
  readShelfDrawing: async (request, { id }) => {
    const found = await findTrain(await database(), id, request.signal);
    if (!found) return failure(404, 'no-train', 'There is no such train on the shelf.');
    if (found.unreadable !== null) return unreadable(found);
    const large = new URL(request.url).searchParams.get('for') === 'bench';
    const { json, finished } = await drawDocument(found.document, large ? SPACES.bench : SPACES.shelf, {
      better: !large,
      signal: request.signal,
    });
    const headers: Record<string, string> = finished ? { 'cache-control': 'private, max-age=3600' } : {};
    return large
      ? replyOfJson('readBenchDrawing', { drawn: json }, headers)
      : replyOfJson('readShelfDrawing', { train: found.document, drawn: json }, headers);
  },
});
