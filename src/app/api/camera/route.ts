import { z } from 'zod';

import { momentSchema } from '@/core/look';
import { fetchCameraPicture, isCameraThere } from '@/server/devices/cameraFeed';
import { noStore, refuse, respond } from '../respond';
import { handler } from '@/app/api/handler';

const schema = z.object({ spot: z.string().max(80), moment: momentSchema });

/**
 * Takes a picture with the camera beside the app; what comes is sent on like any picture from a phone.
 * With `?there`, says only whether one answers.
 */
export const GET = handler(async (request: Request) => {
  const query = new URL(request.url).searchParams;
  if (query.has('there'))
    return Response.json({ isThere: await isCameraThere(process.env) }, { headers: noStore });
  return respond(
    schema,
    { spot: query.get('spot') ?? '', moment: query.get('moment') },
    async (input) => {
      const picture = await fetchCameraPicture(process.env, input);
      if (!picture)
        return refuse(503, {
          code: 'no_camera',
          message: 'No camera answers. The simulated one: npm run camera.',
        });
      return new Response(picture, { headers: { ...noStore, 'content-type': 'image/jpeg' } });
    },
  );
});
