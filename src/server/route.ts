import { refuseArriving } from './gate';
import { failure, guarded } from './http';

const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'] as const;
type Method = (typeof METHODS)[number];

type Handler<P> = (request: Request, params: P) => Promise<Response>;
export type Handlers<P> = { readonly [M in Exclude<Method, 'HEAD' | 'OPTIONS'>]?: Handler<P> };
/** An address without changing parts comes without params. */
interface Context<P> {
  readonly params?: Promise<P>;
}
type Route<P> = (request: Request, context: Context<P>) => Promise<Response>;

/**
 * One address of the API. Every method is answered by it: those given do their work; the others get 405 with what is
 * allowed. Answers are not stored by browsers unless they say so themselves.
 */
export function route<P extends Record<string, string | string[]> = Record<string, never>>(
  handlers: Handlers<P>,
): Record<Method, Route<P>> {
  const given = (Object.keys(handlers) as (keyof Handlers<P>)[]).flatMap((method): Method[] =>
    method === 'GET' ? ['GET', 'HEAD'] : [method],
  );
  const allow = [...given, 'OPTIONS'].join(', ');
  const answer = async (request: Request, method: Method, context: Context<P>): Promise<Response> => {
    // The gate is before this too, unless somebody starts Next without it.
    const { pathname, search } = new URL(request.url);
    const turned = refuseArriving({ method, url: `${pathname}${search}`, headers: request.headers });
    if (turned) return failure(turned.status, turned.code, turned.message, {}, turned.headers);
    const params = (await context.params) ?? ({} as P);
    // Such a character ends a statement of SQL; nothing is kept under it.
    if (
      Object.values(params)
        .flat()
        .some((part) => part.includes('\u0000'))
    )
      return failure(404, 'nowhere', 'There is nothing at this address.');
    if (method === 'OPTIONS') return new Response(null, { status: 204, headers: { allow } });
    const handler = handlers[method === 'HEAD' ? 'GET' : method];
    if (!handler) return failure(405, 'method', `This address answers ${given.join(', ')} only.`, {}, { allow });
    return handler(request, params);
  };
  const of =
    (method: Method): Route<P> =>
    async (request, context) =>
      unstored(await guarded(() => answer(request, method, context)));
  return Object.fromEntries(METHODS.map((method) => [method, of(method)])) as Record<Method, Route<P>>;
}

function unstored(response: Response): Response {
  if (!response.headers.has('cache-control')) response.headers.set('cache-control', 'no-store');
  return response;
}
