import { drawSideView } from '@/core/drawing';
import { database } from '@/server/database';
import { failure, unreadable } from '@/server/http';
import { route } from '@/server/route';
import { findTrain, isReadable } from '@/server/trains/repository';

const SPACE = { width: 480, height: 270 };

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string }>({
  /** A train with its small side view, for the shelf. The address names the version, so the browser may keep the answer for a while. */
  GET: async (_, { id }) => {
    const found = await findTrain(await database(), id);
    if (!found) return failure(404, 'no-train', 'There is no such train on the shelf.');
    if (!isReadable(found)) return unreadable(found);
    return Response.json({ train: found.train, drawn: drawSideView(found.train, SPACE) }, { headers: { 'cache-control': 'private, max-age=3600' } });
  },
});
