import { database } from '@/server/database';
import { failure } from '@/server/http';
import { route } from '@/server/route';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string; key: string }>({
  /** A kept picture; its address is made of its bytes, so it never changes. */
  GET: async (_, { id, key }) => {
    const found = await (await database()).reading.pictures.findOne({ where: { trainId: id, id: key } });
    if (!found) return failure(404, 'no-picture', 'This picture is not kept.');
    const { type, bytes } = found.get();
    return new Response(new Uint8Array(bytes), {
      headers: { 'content-type': type, 'x-content-type-options': 'nosniff', 'cache-control': 'private, max-age=31536000, immutable' }, // prettier-ignore
    });
  },
});
