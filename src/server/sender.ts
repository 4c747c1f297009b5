/** Why a request is not answered, as {error: …} with a status. */
export interface SenderRefusal {
  readonly status: number;
  readonly code: string;
  readonly message: string;
}

/** Requests must name a host that is served here, and writes must come from its own pages; null when all is well. */
export function senderRefusal({ method, headers }: Pick<Request, 'method' | 'headers'>): SenderRefusal | null {
  const host = (headers.get('host') ?? '').toLowerCase();
  if (!isServed(host)) return { status: 421, code: 'host', message: 'This address is not served here.' };
  if (method === 'GET' || method === 'HEAD') return null;
  const origin = headers.get('origin');
  const ownPage = origin === null ? headers.get('sec-fetch-site') === null : hostOf(origin) === host;
  return ownPage ? null : { status: 403, code: 'origin', message: 'Changes are accepted from this site only.' };
}

const LOCAL = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** This machine by its local names, and what TINWHEEL_HOSTS adds (comma separated). */
function isServed(host: string): boolean {
  const name = host.replace(/:\d+$/, '');
  return LOCAL.has(name) || (name !== '' && (process.env.TINWHEEL_HOSTS ?? '').toLowerCase().split(',').includes(name));
}

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}
