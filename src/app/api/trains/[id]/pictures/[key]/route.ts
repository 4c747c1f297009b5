import { database } from '@/server/database';
import { failure } from '@/server/http';
import { asKept, wantsAsKept, unreadableRow } from '@/server/kept-answer';
import { endpoints } from '@/server/endpoint';
import { findPicture } from '@/server/trains/pictures';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /**
   * A kept picture; its address is made of its bytes, so it never changes. With ?as-kept as a file, whether it is one
   * or not.
   */
  readPicture: async (request, { id, key }) => {
    const found = await findPicture(await database(), id, key);
    if (!found) return failure(404, 'no-picture', 'This picture is not kept.');
    const { type, bytes, reads } = found;
    if (wantsAsKept(request)) return asKept(bytes);
    if (!reads) return unreadableRow('This picture', 'It is neither a PNG nor a JPEG, or it is damaged.');
    return new Response(new Uint8Array(bytes), {
      headers: {
        'content-type': type,
        'x-content-type-options': 'nosniff',
        'cache-control': 'private, max-age=31536000, immutable',
      },
    });
  },
});
