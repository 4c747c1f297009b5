import { createHash } from 'node:crypto';
import { database } from '@/server/database';
import { readPicture } from '@/server/heavy';
import { failure, readBytes } from '@/server/http';
import { MOST } from '@/server/most';
import { endpoints } from '@/server/endpoint';
import type { Reply } from '@/wire/endpoints';
import { keepPicture } from '@/server/trains/pictures';

const MOST_BYTES = 5_000_000;

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /** Keeps a PNG or a JPEG without what cameras write beside it. The same picture twice is kept once. */
  addPicture: async (request, { id }) => {
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
        `The limit is ${MOST.pictures} pictures in one log, and this one has them. Copy the train to go on.`,
      );
    return Response.json({ id: key } satisfies Reply<'addPicture'>, { status: 201 });
  },
});
