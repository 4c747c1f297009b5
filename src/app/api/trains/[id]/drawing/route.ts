import { SPACES } from '@/core/drawing';
import { database } from '@/server/database';
import { drawDocument } from '@/server/heavy';
import { failure, jsonFields, unreadable } from '@/server/http';
import { route } from '@/server/route';
import { findTrain } from '@/server/trains/repository';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string }>({
  /**
   * A train with its small side view, for the shelf; or the large side view alone (?for=bench), which the Bench betters
   * itself. The address names the version, so the browser may keep the answer for a while; not one that a better
   * drawing will follow.
   */
  GET: async (request, { id }) => {
    const found = await findTrain(await database(), id, request.signal);
    if (!found) return failure(404, 'no-train', 'There is no such train on the shelf.');
    if (found.unreadable !== null) return unreadable(found);
    const large = new URL(request.url).searchParams.get('for') === 'bench';
    const { json, finished } = await drawDocument(found.document, large ? SPACES.bench : SPACES.shelf, {
      better: !large,
      signal: request.signal,
    });
    return jsonFields(
      { ...(!large && { train: found.document }), drawn: json },
      finished ? { 'cache-control': 'private, max-age=3600' } : {},
    );
  },
});
