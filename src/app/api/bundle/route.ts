import { checkedChoice, choicesIn } from '@/server/bundle/choices';
import { gatherBundle, MOST_ZIP_BYTES, planRestore, restoreBundle } from '@/server/bundle';
import { database } from '@/server/database';
import { readBundle, zipFiles } from '@/server/heavy';
import { failure, readBytes } from '@/server/http';
import { route } from '@/server/route';

const MOST_TRAINS = 1000;

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route({
  /** Trains with everything beside them as one zip: `?train=…` for each, or everything there is. */
  GET: async (request) => {
    const ids = new URL(request.url).searchParams.getAll('train');
    if (ids.length > MOST_TRAINS) return failure(400, 'bad-request', `Ask for up to ${MOST_TRAINS} trains, or for everything.`); // prettier-ignore
    const gathered = await gatherBundle(await database(), ids.length === 0 ? 'everything' : ids);
    if (!gathered.ok) return failure(404, 'no-train', gathered.message);
    const zip = await zipFiles(gathered.files, request.signal);
    return new Response(new Uint8Array(zip), {
      headers: {
        'content-type': 'application/zip',
        'content-disposition': `attachment; filename="${ids.length === 1 ? 'train' : 'tin-wheel'}.bundle.zip"`,
        'cache-control': 'no-store',
      },
    });
  },

  /** What a bundle would bring; with `?restore`, brings it: `train-ID=skip|both|replace` for a train that is there already, which is skipped where nothing is said. */
  POST: async (request) => {
    const bytes = await readBytes(request, MOST_ZIP_BYTES);
    if (!bytes)
      return failure(413, 'too-large', 'This file is larger than 200 MB, which is more than a bundle can have.');
    const bundle = await readBundle(bytes, request.signal);
    if (!bundle.ok) return failure(422, 'bad-bundle', bundle.message);
    const { searchParams } = new URL(request.url);
    const opened = await database();
    if (!searchParams.has('restore')) return Response.json({ plan: await planRestore(opened, bundle) });
    const choices = choicesIn(searchParams);
    if (!choices) return failure(400, 'bad-request', 'A train is skipped, kept in both states, or replaced.');
    return Response.json({ restored: await restoreBundle(opened, bundle, checkedChoice(choices)) });
  },
});
