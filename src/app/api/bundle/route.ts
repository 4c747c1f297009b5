import { refusalText } from '@/core/result';
import { createWriteStream } from 'node:fs';
import { open } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { BundleError, inTemporaryFolder, restoreBundle } from '@/server/bundle';
import { checkedChoice, choicesIn } from '@/server/bundle/choices';
import { BUNDLE_LIMITS, megabytes } from '@/server/bundle/limits';
import { database } from '@/server/database';
import { gatherBundle, readBundle } from '@/server/heavy';
import { failure } from '@/server/http';
import type { Unchanging } from '@/core/train';
import { endpoints } from '@/server/endpoint';
import type { Reply } from '@/wire/endpoints';

const MOST_TRAINS = 1000;

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /** Trains with everything beside them as one zip: `?train=…` for each, or everything there is. */
  readBundle: async (request) => {
    const ids = new URL(request.url).searchParams.getAll('train');
    if (ids.length > MOST_TRAINS)
      return failure(400, 'bad-request', `Ask for up to ${MOST_TRAINS} trains, or for everything.`);
    const { file, sql } = await database();
    for (const id of ids)
      if ((await sql('SELECT 1 FROM trains WHERE id = ? AND deleted_at IS NULL', [id])).length === 0)
        return failure(404, 'no-train', `There is no train “${id.slice(0, 80)}” on the shelf.`);
    return inTemporaryFolder(file, async (folder) => {
      const path = join(folder, 'bundle.zip');
      const gathered = await gatherBundle(file, ids.length === 0 ? 'everything' : ids, path, request.signal);
      if (!gathered.ok) return failure(413, 'too-large', refusalText(gathered));
      return new Response(request.method === 'HEAD' ? null : await contentOf(path), {
        headers: {
          'content-type': 'application/zip',
          'content-disposition': `attachment; filename="${ids.length === 1 ? 'train' : 'tin-wheel'}.bundle.zip"`,
          'cache-control': 'no-store',
        },
      });
    });
  },

  /**
   * What a bundle would bring; with `?restore`, brings it: `train-ID=skip|both|replace` for a train that is there
   * already, which is skipped where nothing is said.
   */
  planBundle: async (request) => {
    const { searchParams } = new URL(request.url);
    const choices = choicesIn(searchParams);
    if (!choices) return failure(400, 'bad-request', 'A train is skipped, kept in both states, or replaced.');
    const opened = await database();
    return inTemporaryFolder(opened.file, async (folder) => {
      const [path, stagingFile] = [join(folder, 'bundle.zip'), join(folder, 'staged.sqlite')];
      if (!(await keepBody(request, path)))
        return failure(
          413,
          'too-large',
          `This file is larger than ${megabytes(BUNDLE_LIMITS.zip)}, which is more than a bundle can have.`,
        );
      const plan = await readBundle(opened.file, path, stagingFile, request.signal);
      if (!plan.ok) return failure(422, 'bad-bundle', refusalText(plan));
      if (!searchParams.has('restore')) return { plan: plan.value };
      try {
        const restored = await restoreBundle(opened, stagingFile, checkedChoice(choices));
        return Response.json({ restored } satisfies Unchanging<Reply<'restoreBundle'>>);
      } catch (error) {
        if (error instanceof BundleError) return failure(409, 'full', error.message);
        throw error;
      }
    });
  },
});

/** A file's content as it is read; the file itself may be removed meanwhile. */
async function contentOf(path: string): Promise<ReadableStream> {
  const file = await open(path);
  return Readable.toWeb(file.createReadStream()) as ReadableStream;
}

/** Puts a body into a file as it comes. False as soon as there is more than may be. */
async function keepBody(request: Request, path: string): Promise<boolean> {
  let size = 0;
  const body = (request.body ?? []) as AsyncIterable<Uint8Array>;
  try {
    await pipeline(
      body,
      async function* (chunks: AsyncIterable<Uint8Array>) {
        for await (const chunk of chunks) {
          size += chunk.byteLength;
          if (size > BUNDLE_LIMITS.zip) throw new BundleError();
          yield chunk;
        }
      },
      createWriteStream(path),
    );
    return true;
  } catch (error) {
    if (error instanceof BundleError) return false;
    throw error;
  }
}
