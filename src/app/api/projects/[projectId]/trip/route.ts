import { z } from 'zod';

import { handler } from '@/app/api/handler';
import { asDownload, refuse, respond } from '@/app/api/respond';
import { projectIdSchema } from '@/core/shared';
import { openHome } from '@/server/desk/openRoom';
import { loadPriceList } from '@/server/shop/roomShopping';
import { loadTrip } from '@/server/shop/trip';
import { writeTripCsv } from '@/server/shop/tripCsv';
import { toTripLists } from '@/ui/shop/toTripLists';

type Context = { params: Promise<{ projectId: string }> };

/** The shopping list of all rooms, as CSV. */
export const GET = handler(async (_request: Request, { params }: Context) =>
  respond(z.object({ projectId: projectIdSchema }), await params, async ({ projectId }) => {
    const opened = await openHome(projectId, 'giftCards', 'shortages');
    if (!opened) return refuse(404, { code: 'not_found', message: 'There is no such home.' });
    const answered = await loadTrip(opened, await loadPriceList(opened.db));
    const view = answered.state === 'fresh' ? answered.answer : await answered.coming;
    const roomName = (id: string) =>
      opened.records.rooms.find((room) => room.id === id)?.name ?? id;
    const lists = toTripLists(view.request, view.answer, { ...view, roomName });
    return new Response(writeTripCsv(lists, roomName), {
      headers: asDownload('shopping-trip.csv', 'text/csv; charset=utf-8'),
    });
  }),
);
