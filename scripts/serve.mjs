/**
 * The server: Next's own behind a door that lets in what is a request, and closes what stands half
 * open. Started by launch.mjs, and by `npm run dev` with `--dev`.
 *
 *   node scripts/serve.mjs [--port 4310] [--dev]
 */
import http from 'node:http';
import next from 'next';

import { root } from './setup.mjs';

const HOST = '127.0.0.1';
/** Nothing heard or said for so long: the other side is gone. Streams say something every 15 s. */
const IDLE_MS = 60_000;
const METHODS = new Set(['GET', 'HEAD', 'POST', 'PUT', 'DELETE', 'OPTIONS']);

async function main(args) {
  const at = args.indexOf('--port');
  const port = Number(at >= 0 ? args[at + 1] : (process.env.TINBOX_PORT ?? 4310));
  const app = next({ dev: args.includes('--dev'), dir: root, hostname: HOST, port });
  await app.prepare();
  const server = http.createServer(
    // A whole home may take long to send; that it goes on being sent is seen by IDLE_MS.
    { headersTimeout: 15_000, requestTimeout: 0, connectionsCheckingInterval: 5_000 },
    door(app.getRequestHandler()),
  );
  server.timeout = IDLE_MS;
  server.keepAliveTimeout = 5_000;
  server.on('upgrade', (request, socket, head) => app.getUpgradeHandler()(request, socket, head));
  server.on('clientError', (error, socket) => {
    if (socket.writable)
      socket.end(
        `HTTP/1.1 ${error.code === 'HPE_HEADER_OVERFLOW' ? 431 : 400} Bad Request\r\nconnection: close\r\n\r\n`,
      );
  });
  server.once('error', (error) => {
    process.stderr.write(`Tin Box cannot start: ${error.message}.\n`);
    process.exit(1);
  });
  server.listen(port, HOST, () => process.stdout.write('Ready\n'));
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      server.close();
      server.closeAllConnections();
      process.exit(0);
    });
}

/** Answers what is no request of ours with a word; hands everything else on. */
function door(handle) {
  return async (request, response) => {
    const fault = findFault(request);
    if (fault) return refuse(response, fault);
    return handle(request, response);
  };
}

/** What is wrong with a request before anything of it is understood. */
function findFault({ method, url = '', headers }) {
  if (!METHODS.has(method)) return { status: 405, message: 'This method is not answered here.' };
  if (!isReadablePath(url)) return { status: 400, message: 'This address cannot be read.' };
  const isApi = url.startsWith('/api/') || /^\/c\/[\w-]+\/[\w-]+\/answers$/.test(url);
  const isSafe = method === 'GET' || method === 'HEAD' || method === 'OPTIONS';
  if (isApi || isSafe) return undefined;
  // Pages are changed by their actions alone.
  if (method !== 'POST' || headers['next-action'] === undefined)
    return { status: 405, message: 'A page is only read.' };
  if (!/^[0-9a-f]{30,64}$/.test(headers['next-action']))
    return { status: 400, message: 'This change is none that Tin Box knows.' };
  return isFormType(headers['content-type'] ?? '')
    ? undefined
    : { status: 400, message: 'This change cannot be read.' };
}

/** The two ways in which Next's own pages send a change. */
const isFormType = (type) =>
  type.startsWith('text/plain') || /^multipart\/form-data;.*boundary=[^;]+/.test(type);

function refuse(response, { status, message }) {
  response.writeHead(status, {
    'content-type': 'application/json',
    'cache-control': 'no-store',
    connection: 'close',
  });
  response.end(JSON.stringify({ error: { code: 'bad_request', message } }));
}

function isReadablePath(url) {
  try {
    const { pathname } = new URL(url, 'http://127.0.0.1');
    const path = decodeURIComponent(pathname);
    // Next reads a path piece by piece; a piece that is no text in itself is none for it either.
    pathname.split('/').forEach((piece) => decodeURIComponent(piece));
    return !path.includes('\0');
  } catch {
    return false;
  }
}

main(process.argv.slice(2)).catch((error) => {
  process.stderr.write(`Tin Box cannot start: ${error.stack ?? error}\n`);
  process.exitCode = 1;
});
