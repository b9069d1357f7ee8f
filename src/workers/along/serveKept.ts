import { findKept, listHomes, type KeptAnswer } from './alongStore';

const pathOf = (url: URL): string => url.pathname + url.search;

/** What is kept for an address: with its query, else without. */
export async function findKeptFor(address: string): Promise<KeptAnswer | undefined> {
  const url = new URL(address);
  return (await findKept(pathOf(url))) ?? (await findKept(url.pathname));
}

/** An answer of the desk, given again; a page says in its first tag (`data-kept-at`) when that was. */
export async function toResponse(kept: KeptAnswer): Promise<Response> {
  if (kept.leadsTo !== undefined) return Response.redirect(kept.leadsTo, 302);
  const headers = new Headers(kept.headers.map(([name, value]): [string, string] => [name, value]));
  headers.set('cache-control', 'no-store');
  if (!kept.isZipped) return new Response(kept.body, { headers });
  const text = await new Response(
    new Blob([kept.body]).stream().pipeThrough(new DecompressionStream('gzip')),
  ).text();
  return new Response(text.replace('<html ', `<html data-kept-at="${kept.at}" `), { headers });
}

const escaped = (text: string): string =>
  text.replace(
    /[&<>"']/g,
    (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] ?? '&#39;',
  );

/** What is shown for a page that was not taken along: what was, and that nothing is lost. */
export async function renderNotAlong(): Promise<Response> {
  const homes = await listHomes();
  const list = homes
    .map(
      ({ projectId, name, takenAt }) =>
        `<li><a href="/projects/${encodeURIComponent(projectId)}/home">${escaped(name)}</a>, as of ` +
        `<time>${escaped(new Date(takenAt).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' }))}</time></li>`,
    )
    .join('');
  const body =
    '<!doctype html><html lang="en-GB"><head><meta charset="utf-8">' +
    '<meta name="viewport" content="width=device-width, initial-scale=1"><title>No connection · Tin Box</title>' +
    '<style>body{font:18px/1.5 system-ui,sans-serif;margin:0;background:#f3ede0;color:#22201b}' +
    'main{max-width:34rem;margin:0 auto;padding:2rem 1.25rem}h1{font-size:1.5rem}' +
    'a{display:inline-block;min-height:48px;padding:.6rem 0;color:#23407a;font-weight:650}' +
    'li{list-style:none}ul{padding:0}</style></head><body><main>' +
    '<h1>No connection, and this page was not taken along</h1>' +
    '<p>What waits on this device is kept, and sent as soon as the desk answers.</p>' +
    (homes.length > 0
      ? `<h2>Taken along</h2><ul>${list}</ul>`
      : '<p>No home was taken along on this device. That is done on the first page of a home, with a connection.</p>') +
    '<p><a href="">Try again</a></p></main></body></html>';
  return new Response(body, {
    status: 503,
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'",
      'cache-control': 'no-store',
    },
  });
}
