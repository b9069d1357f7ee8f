import { z } from 'zod';

import { momentSchema } from '@/core/look';
import { projectIdSchema, vantagePointIdSchema } from '@/core/shared';
import { dataDirOf, getDatabase } from '@/data/db';
import { addPicture, MAX_PICTURE_BYTES, type PictureError } from '@/server/look/pictures';
import { readBody, refuse, respond } from '@/app/api/respond';

const schema = z.object({ projectId: projectIdSchema, vantagePointId: vantagePointIdSchema, moment: momentSchema });

const WORDS: Readonly<Record<PictureError['code'], string>> = {
  picture_too_large: 'This file is larger than 25 MB; send the picture, not the raw file.',
  not_a_picture: 'This file is not a picture that can be read here. JPEG, PNG, WebP, TIFF and AVIF can.',
  picture_damaged: 'This picture is damaged and could not be read to its end. Take or send it again.',
};

/** The picture's bytes are the body; what they are is judged by themselves, not by a name or type. */
export async function POST(request: Request, { params }: { params: Promise<{ projectId: string; vantagePointId: string }> }): Promise<Response> {
  const moment = new URL(request.url).searchParams.get('moment');
  return respond(schema, { ...(await params), moment }, async (input) => {
    const bytes = await readBody(request, MAX_PICTURE_BYTES);
    if (!bytes) return refuse(413, { code: 'picture_too_large', message: WORDS.picture_too_large });
    const added = await addPicture(await getDatabase(), dataDirOf(process.env), { ...input, bytes });
    if (!added.ok) return refuse(422, { code: added.error.code, message: WORDS[added.error.code] });
    return Response.json({ picture: added.value }, { status: 201 });
  });
}
