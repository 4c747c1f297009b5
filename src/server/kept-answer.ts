import { failure } from './http';

/** A kept text, or bytes, as a file, whether it reads or not: of what does not read, all there is to be had. */
export const asKept = (kept: string | Buffer): Response =>
  typeof kept === 'string'
    ? asFile(kept, 'text/plain; charset=utf-8', 'as-kept.txt')
    : asFile(new Uint8Array(kept), 'application/octet-stream', 'as-kept.bin');

const asFile = (content: BodyInit, type: string, name: string): Response =>
  new Response(content, {
    headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}"` },
  });

export const wantsAsKept = (request: Request): boolean => new URL(request.url).searchParams.has('as-kept');

/** What is answered for one thing that is kept and does not read. */
export const unreadableRow = (noun: string, why: string): Response =>
  failure(422, 'unreadable', `${noun} is kept, but it cannot be read: ${why} It can be had as it is with ?as-kept.`);
