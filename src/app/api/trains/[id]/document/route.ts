import { database } from '@/server/database';
import { failure, guarded } from '@/server/http';
import { findDocument } from '@/server/trains/repository';

/** The document of a train as it is kept, as a file: for one that does not read, all there is to be had. */
export const GET = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  guarded(request, async () => {
    const found = await findDocument(await database(), (await params).id);
    if (!found) return failure(404, 'no-train', 'There is no such train on the shelf.');
    return new Response(found.document, {
      headers: { 'content-type': 'application/json; charset=utf-8', 'content-disposition': 'attachment; filename="train-as-kept.json"', 'cache-control': 'no-store' },
    });
  });
