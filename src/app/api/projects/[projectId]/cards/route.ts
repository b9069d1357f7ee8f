import { z } from 'zod';

import { handler } from '@/app/api/handler';
import { noStore, refuse, respond } from '@/app/api/respond';
import { projectIdSchema } from '@/core/shared';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import { nowIso } from '@/server/means';
import { renderJarSlips, renderKitCard, renderRoutineCard } from '@/server/setUp/renderCards';
import { loadClientFonts } from '@/server/show/clientFonts';

const querySchema = z.object({
  projectId: projectIdSchema,
  what: z.enum(['routine', 'jars', 'kit']),
  /** The routine, the kit, or the room whose jars they are. */
  id: z.string().max(64),
});

/** A card to print: a routine to hang up, slips for jars, a kit's list. */
export const GET = handler(
  async (request: Request, { params }: { params: Promise<{ projectId: string }> }) => {
    const query = Object.fromEntries(new URL(request.url).searchParams);
    return respond(querySchema, { ...query, ...(await params) }, async (input) => {
      const db = await getDatabase();
      const records = await loadRecords(
        db,
        input.projectId,
        'project',
        'people',
        'jars',
        'kits',
        'routines',
      );
      const paper = {
        home: records.project.name,
        now: nowIso(),
        fontCss: await loadClientFonts(),
      };
      const routine = records.routines.find(({ id }) => id === input.id);
      const kit = records.kits.find(({ id }) => id === input.id);
      const html = {
        routine: () => routine && renderRoutineCard(routine, records.people, paper),
        kit: () =>
          kit &&
          renderKitCard(
            kit,
            records.people.find(({ id }) => id === kit.personId),
            paper,
          ),
        jars: () =>
          renderJarSlips(
            records.jars.filter(({ roomId }) => roomId === input.id),
            paper,
          ),
      }[input.what]();
      if (html === undefined)
        return refuse(404, { code: 'not_found', message: 'There is no such card.' });
      return new Response(html, {
        headers: { ...noStore, 'content-type': 'text/html; charset=utf-8' },
      });
    });
  },
);
