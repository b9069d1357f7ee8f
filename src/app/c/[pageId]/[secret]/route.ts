import { gatherContents } from '@/server/client/pageContents';
import { renderLinkedPage } from '@/server/client/pageFile';
import { noteOpening } from '@/server/client/pages';
import { today } from '@/server/means';
import { linkHandler } from '../../openLink';

/** The page of a client behind their link. */
export const GET = linkHandler(async (request, { db, page, nonce }) => {
  const contents = await gatherContents(db, page, today());
  await noteOpening(db, page.id);
  const base = new URL(request.url).pathname.replace(/\/$/, '');
  return new Response(await renderLinkedPage(contents, { base, nonce }), {
    headers: { 'content-type': 'text/html; charset=utf-8' },
  });
});
