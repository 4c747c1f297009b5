import { createHash } from 'node:crypto';
import { database } from '@/server/database';
import { readPicture } from '@/server/heavy';
import { failure, readBytes } from '@/server/http';
import { MOST } from '@/server/most';
import { route } from '@/server/route';
import { keepPicture } from '@/server/trains/pictures';

const MOST_BYTES = 5_000_000;

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ id: string }>({
  /** Keeps a PNG or a JPEG without what cameras write beside it. The same picture twice is kept once. */
  POST: async (request, { id }) => {
    const bytes = await readBytes(request, MOST_BYTES);
    if (!bytes) return failure(413, 'too-large', 'A picture can have at most 5 MB.');
    const picture = await readPicture(bytes, request.signal);
    if (!picture)
      return failure(
        415,
        'no-picture',
        'This is neither a PNG nor a JPEG picture of at most 20 million pixels, or it is damaged.',
      );
    const key = createHash('sha256').update(picture.bytes).digest('hex').slice(0, 32);
    const kept = await keepPicture(await database(), id, { id: key, ...picture });
    if (kept === 'missing') return failure(404, 'no-train', 'There is no such train on the shelf.');
    if (kept === 'full')
      return failure(
        409,
        'full',
        `Beside this train ${MOST.pictures} pictures are kept, which is as many as there can be.`,
      );
    return Response.json({ id: key }, { status: 201 });
  },
});
