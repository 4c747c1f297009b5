import { database } from '@/server/database';
import { drawDocument } from '@/server/heavy';
import { failure, jsonFields, unreadable } from '@/server/http';
import { route } from '@/server/route';
import { findTrain } from '@/server/trains/repository';

const SPACE = { width: 480, height: 270 };

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string }>({
  /**
   * A train with its small side view, for the shelf. The address names the version, so the browser may keep the answer for a while;
   * not one that a better drawing will follow.
   */
  GET: async (request, { id }) => {
    const found = await findTrain(await database(), id, request.signal);
    if (!found) return failure(404, 'no-train', 'There is no such train on the shelf.');
    if (found.unreadable !== null) return unreadable({ ...found, unreadable: found.unreadable });
    const { json, finished } = await drawDocument(found.document, SPACE, request.signal);
    return jsonFields({ train: found.document, drawn: json }, finished ? { 'cache-control': 'private, max-age=3600' } : {});
  },
});
