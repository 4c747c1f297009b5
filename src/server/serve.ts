import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import { isApi, SECURITY_HEADERS, turnedAway, type Turned } from './gate';

/** Requests that are under way when the server is asked to stop may take so long; a client that hangs keeps nobody waiting. */
const GRACE_MS = 3_000;
const PORT = Number(process.env.PORT ?? 3210);
const LISTEN = process.env.TINWHEEL_LISTEN ?? '127.0.0.1';

/** The program that serves Tin Wheel: a gate for every request, and Next behind it. `--dev` follows the sources. */
async function serve(): Promise<void> {
  const dev = process.argv.includes('--dev');
  Object.assign(process.env, { NODE_ENV: dev ? 'development' : 'production' });
  const { default: next } = await import('next');
  const app = next({ dev, hostname: LISTEN, port: PORT });
  const handle = app.getRequestHandler();
  await app.prepare();
  const server = createServer((request, response) => {
    for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.setHeader(name, value);
    const { method = 'GET', url = '/' } = request;
    const turned = turnedAway({ method, url, headers: headersOf(request) });
    if (turned) return answer(response, turned);
    // All of the API is JSON. Said here and not with each answer, it is a type that gets compressed: what an answer says itself reaches the compression as a list, which it does not know.
    if (isApi(url)) response.setHeader('content-type', 'application/json; charset=utf-8');
    void handle(request, response);
  });
  server.on('error', (error: NodeJS.ErrnoException) => {
    console.error(
      error.code === 'EADDRINUSE'
        ? `Something is already running on port ${PORT}. Stop it first, or choose another: PORT=${PORT + 1}.`
        : error.message,
    );
    process.exit(1);
  });
  server.listen(PORT, LISTEN, () =>
    console.log(`Tin Wheel: http://${LISTEN.includes(':') ? `[${LISTEN}]` : LISTEN}:${PORT}`),
  );
  for (const signal of ['SIGTERM', 'SIGINT'] as const) {
    // What was acknowledged is in the database by then.
    process.once(signal, () => {
      server.close(() => process.exit(0));
      server.closeIdleConnections();
      setTimeout(() => process.exit(0), GRACE_MS).unref();
    });
  }
}

function headersOf({ headers }: IncomingMessage): Headers {
  const { host = '', origin, 'sec-fetch-site': site } = headers;
  return new Headers({
    host,
    ...(origin !== undefined && { origin }),
    ...(typeof site === 'string' && { 'sec-fetch-site': site }),
  });
}

function answer(response: ServerResponse, { status, code, message, headers = {} }: Turned): void {
  const body = status === 204 ? undefined : JSON.stringify({ error: { code, message } });
  response.writeHead(status, {
    ...headers,
    'cache-control': 'no-store',
    ...(body !== undefined && { 'content-type': 'application/json; charset=utf-8' }),
    connection: 'close',
  });
  response.end(body);
}

serve().catch((error: Error) => {
  console.error(error.message);
  process.exit(1);
});
