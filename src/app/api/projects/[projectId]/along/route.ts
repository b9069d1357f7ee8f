import { z } from 'zod';

import { handler } from '@/app/api/handler';
import { noStore, refuse, respond } from '@/app/api/respond';
import { listAlongPages } from '@/core/along';
import { projectIdSchema } from '@/core/shared';
import { openHome } from '@/server/desk/openRoom';
import { stepRegistry } from '@/ui/shell/stepRegistry';

const pathsOf = (pages: readonly (readonly [path: string, label: string])[]): string[] =>
  pages.map(([path]) => path);

/** What a device fetches to have this home along: addresses of its pages and of its pictures. */
export const GET = handler(
  async (_: Request, { params }: { params: Promise<{ projectId: string }> }) =>
    respond(z.object({ projectId: projectIdSchema }), await params, async ({ projectId }) => {
      const opened = await openHome(projectId, 'units', 'pictures', 'thingPictures');
      if (!opened) return refuse(404, { code: 'not_found', message: 'There is no such home.' });
      const { project, rooms, units, pictures, thingPictures } = opened.records;
      const pages = listAlongPages({
        projectId,
        steps: Object.entries(stepRegistry).map(([step, { home, room }]) => ({
          step,
          home: pathsOf(home),
          room: pathsOf(room),
        })),
        rooms: rooms.map(({ id }) => ({
          id,
          unitIds: units.filter((unit) => unit.roomId === id).map((unit) => unit.id),
        })),
      });
      return Response.json(
        {
          name: project.name,
          pages,
          pictures: [...pictures, ...thingPictures].map(({ id }) => `/api/pictures/${id}`),
        },
        { headers: noStore },
      );
    }),
);
