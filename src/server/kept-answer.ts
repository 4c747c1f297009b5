import { failure } from './http';

/** A kept text as a file, whether it reads or not: of what does not read, all there is to be had. */
export const asKept = (text: string): Response =>
  new Response(text, {
    headers: {
      'content-type': 'text/plain; charset=utf-8',
      'content-disposition': 'attachment; filename="as-kept.txt"',
    },
  });

export const asksAsKept = (request: Request): boolean => new URL(request.url).searchParams.has('as-kept');

/** What is answered for one thing that is kept and does not read. */
export const unreadableRow = (noun: string, why: string): Response =>
  failure(422, 'unreadable', `${noun} is kept, but it cannot be read: ${why} It can be had as it is with ?as-kept.`);
