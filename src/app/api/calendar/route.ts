import { handler } from '@/app/api/handler';
import { getDatabase } from '@/data/startData';
import { loadDesk } from '@/server/desk/loadDesk';
import { nowIso, today } from '@/server/means';
import { listVisits } from '@/server/visits/saveVisit';
import { writeDeskCalendar } from '@/server/visits/visitFiles';

/** The visits of all homes, with what is due in them, as a calendar that can be subscribed to. */
export const GET = handler(async () => {
  const db = await getDatabase();
  const calendar = writeDeskCalendar(
    { homes: await loadDesk(db), visits: await listVisits(db), today: today() },
    nowIso(),
  );
  return new Response(calendar, {
    headers: { 'content-type': 'text/calendar; charset=utf-8', 'cache-control': 'no-store' },
  });
});
