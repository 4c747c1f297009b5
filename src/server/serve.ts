import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
import type { Duplex } from 'node:stream';
import { refusalHeaders, securityHeaders, refuseArriving, type Redirected } from './gate';
import { itemAt } from '@/core/required';

/**
 * Requests that are under way when the server is asked to stop may take so long; a client that hangs keeps nobody
 * waiting.
 */
const KEEP_ALIVE_MS = 65_000;
const GRACE_MS = 3_000;
const PORT = Number(process.env.PORT ?? 3210);
const LISTEN = process.env.TINWHEEL_LISTEN ?? '127.0.0.1';

/**
 * Threads that wait for the disk: SQLite's two connections each hold one while they work, files and packing take
 * others. With Node's own four, reading waits for what is being written (see docs/decisions/0019-what-is-kept.md).
 */
const DISK_THREADS = 8;

/** The program that serves Tin Wheel: a gate for every request, and Next behind it. `--dev` follows the sources. */
async function serve(): Promise<void> {
  // Before anything has been asked of them.
  process.env.UV_THREADPOOL_SIZE ??= String(DISK_THREADS);
  const dev = process.argv.includes('--dev');
  Object.assign(process.env, { NODE_ENV: dev ? 'development' : 'production' });
  const { default: next } = await import('next');
  const app = next({ dev, hostname: LISTEN, port: PORT });
  const handle = app.getRequestHandler();
  await app.prepare();
  const server = createServer((request, response) => {
    const { method = 'GET', url = '/' } = request;
    for (const [name, value] of Object.entries(securityHeaders(url))) response.setHeader(name, value);
    oneContentType(response);
    const turned = refuseArriving({ method, url, headers: headersOf(request) });
    if (turned) return answer(response, turned);
    void handle(request, response);
  });
  // Longer than a page thinks between two requests: one that is sent as its connection is closed would be lost.
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  server.on('clientError', refuseUnread);
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

/** An answer's type reaches the compression as a list of one, which it does not know: as a text, it does. */
function oneContentType(response: ServerResponse): void {
  const setHeader = response.setHeader.bind(response);
  response.setHeader = (name, value) =>
    setHeader(name, name.toLowerCase() === 'content-type' && Array.isArray(value) ? itemAt(value, 0) : value);
}

const UNREAD: Readonly<Record<string, string>> = {
  HPE_HEADER_OVERFLOW: '431 Request Header Fields Too Large',
  ERR_HTTP_REQUEST_TIMEOUT: '408 Request Timeout',
};

/** What is no request, or has too long a head, gets its status with the headers of every other answer. */
function refuseUnread({ code }: NodeJS.ErrnoException, socket: Duplex): void {
  if (code === 'ECONNRESET' || !socket.writable) return void socket.destroy();
  const lines = Object.entries({ ...refusalHeaders, 'content-length': '0', connection: 'close' });
  socket.end(
    [
      `HTTP/1.1 ${UNREAD[code ?? ''] ?? '400 Bad Request'}`,
      ...lines.map(([name, value]) => `${name}: ${value}`),
      '',
      '',
    ].join('\r\n'),
  );
}

function headersOf({ headers }: IncomingMessage): Headers {
  const { host = '', origin, 'sec-fetch-site': site } = headers;
  return new Headers({
    host,
    ...(origin !== undefined && { origin }),
    ...(typeof site === 'string' && { 'sec-fetch-site': site }),
  });
}

function answer(response: ServerResponse, { status, code, message, headers = {} }: Redirected): void {
  const body = status === 204 ? undefined : JSON.stringify({ error: { code, message } });
  response.writeHead(status, {
    ...refusalHeaders,
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
