import { readFile } from 'node:fs/promises';
import path from 'node:path';

/** The service worker, asked for anew each time, so that a newer version is seen at once. */
export async function GET(): Promise<Response> {
  const file = path.join(process.cwd(), 'build', 'serviceWorker.js');
  try {
    return new Response(new Uint8Array(await readFile(file)), {
      headers: { 'content-type': 'text/javascript; charset=utf-8', 'cache-control': 'no-cache' },
    });
  } catch {
    // A server for development has none.
    return new Response('', { status: 404, headers: { 'cache-control': 'no-store' } });
  }
}
