import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { findAnything } from '@/server/desk/findAnything';
import { noStore, respond } from '../respond';
import { handler } from '@/app/api/handler';

const querySchema = z.object({ q: z.string().max(100), project: projectIdSchema.optional() });

export const GET = handler(async (request: Request) => {
  const params = new URL(request.url).searchParams;
  return respond(
    querySchema,
    { q: params.get('q') ?? '', project: params.get('project') ?? undefined },
    async ({ q, project }) =>
      Response.json(
        { hits: await findAnything(await getDatabase(), q, project) },
        { headers: noStore },
      ),
  );
});
