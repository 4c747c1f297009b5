import type * as z from 'zod/mini';
import type { Unchanging } from '@/core/train';
import { BODIES } from '@/wire/bodies';
import {
  ENDPOINTS,
  type EndpointName,
  type PathParts,
  type Reply,
  type RequestBody,
  type ValueEndpoint,
} from '@/wire/endpoints';
import { failure, jsonFields, jsonText, readJson, streamed, type BodyRead } from './http';
import { route, type Handlers } from './route';

type ReplyValue<N extends EndpointName> = N extends ValueEndpoint ? Unchanging<Reply<N>> : never;

/** Answers with the value of the reply, or with a response: a refusal, a file, a reply that is JSON already. */
type Answer<N extends EndpointName> = (request: Request, parts: PathParts<N>) => Promise<Response | ReplyValue<N>>;

/** The route of the address that these endpoints share, see route. */
export function endpoints<N extends EndpointName>(answers: { readonly [K in N]: Answer<K> }) {
  const handlers = (Object.keys(answers) as N[]).map((name) => [
    ENDPOINTS[name].method,
    async (request: Request, parts: PathParts<N>) => {
      const answered = await answers[name](request, parts);
      return answered instanceof Response ? answered : jsonText(JSON.stringify(answered));
    },
  ]);
  return route<Record<string, string>>(Object.fromEntries(handlers) as Handlers<Record<string, string>>);
}

/** A reply whose fields are JSON already: a document goes out as it is kept. */
export const replyOfJson = <N extends ValueEndpoint>(
  _: N,
  fields: Readonly<Record<keyof Reply<N> & string, string>>,
  headers: Record<string, string> = {},
): Response => jsonFields(fields, headers);

/** A reply that is one list, sent in pieces as its rows are made, each as JSON. */
export const replyInPieces = <N extends ValueEndpoint>(
  _: N,
  field: keyof Reply<N> & string,
  rows: AsyncGenerator<string>,
): Response => streamed(field, rows);

/**
 * The body of a small request as the endpoint's schema reads it.
 * @param otherwise what to send instead, as a sentence
 */
export async function readRequest<N extends EndpointName>(
  name: N,
  request: Request,
  otherwise: string,
): Promise<BodyRead<RequestBody<N>>> {
  const body = await readJson(request);
  if (!body.ok) return body;
  const schema: z.ZodMiniType | null = BODIES[name].request;
  const read = schema?.safeParse(body.value);
  return read?.success
    ? { ok: true, value: read.data as RequestBody<N> }
    : { ok: false, response: failure(400, 'bad-request', otherwise) };
}
