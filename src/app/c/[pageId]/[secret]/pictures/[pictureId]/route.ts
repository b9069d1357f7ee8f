import { pictureIdSchema } from '@/core/shared';
import { dataDirOf } from '@/data/db';
import { refuse } from '@/app/api/respond';
import { loadPicturesOn } from '@/server/client/pageContents';
import { clientPicture } from '@/server/client/pagePictures';
import { linkHandler } from '../../../../openLink';

/** A picture that is on the page of this link, and no other. */
export const GET = linkHandler<{
  readonly pageId: string;
  readonly secret: string;
  readonly pictureId: string;
}>(async (_request, { db, page }, { pictureId }) => {
  const id = pictureIdSchema.safeParse(pictureId);
  const isOnPage = id.success && (await loadPicturesOn(db, page)).has(id.data);
  const bytes = isOnPage ? await clientPicture(dataDirOf(process.env), id.data) : undefined;
  return bytes
    ? new Response(new Uint8Array(bytes), { headers: { 'content-type': 'image/jpeg' } })
    : refuse(404, { code: 'not_found', message: 'There is no such picture.' });
});
