import { z } from 'zod';

import {
  startStandin,
  type RunningStandin,
  type StandinAnswer,
  type StandinRequest,
} from '../shared/startStandin';
import type { CollectionDiary } from './diary';
import { diaryPage } from './diaryPage';

const amount = z.number().min(0).max(1e9);
const bookingSchema = z.object({
  format: z.literal('tin-box-pick-up'),
  version: z.literal(1),
  slotId: z.string().min(1).max(80),
  litres: amount,
  massG: amount,
  heaviestG: amount,
});
const orderSchema = z.discriminatedUnion('do', [
  z.object({ do: z.literal('mood'), mood: z.enum(['well', 'slow', 'down']) }),
  z.object({ do: z.literal('fill'), slotId: z.string() }),
  z.object({ do: z.literal('call_off'), id: z.string() }),
]);
const SLOW_MS = 4000;

/**
 * Starts the simulated collection service: `GET /slots`, `PUT`, `GET` and `DELETE /bookings/:id` as in
 * docs/devices.md; `GET /` is its own page, `GET /status` and `POST /do` are for it alone.
 * @throws where the port is taken.
 */
export const startCollection = ({
  port,
  diary,
}: {
  readonly port: number;
  readonly diary: CollectionDiary;
}): Promise<RunningStandin> =>
  startStandin({ port, page: diaryPage, answer: (request) => answer(request, diary) });

function answer(request: StandinRequest, diary: CollectionDiary): StandinAnswer {
  const { method, path, body } = request;
  if (method === 'GET' && path === '/status')
    return {
      status: 200,
      value: { mood: diary.mood(), slots: diary.slots(), bookings: diary.bookings() },
    };
  if (method === 'POST' && path === '/do') {
    const order = orderSchema.safeParse(body);
    if (!order.success) return fault(400, { code: 'bad_request', message: 'no such order' });
    if (order.data.do === 'mood') diary.setMood(order.data.mood);
    else if (order.data.do === 'fill') diary.fill(order.data.slotId);
    else diary.callOff(order.data.id);
    return { status: 200, value: { mood: diary.mood() } };
  }
  if (diary.mood() === 'down') return fault(503, { code: 'down', message: 'nobody is here' });
  const given = answerWell(request, diary);
  return given && diary.mood() === 'slow' ? { ...given, afterMs: SLOW_MS } : given;
}

function answerWell({ method, path, body }: StandinRequest, diary: CollectionDiary): StandinAnswer {
  if (method === 'GET' && path === '/slots')
    return { status: 200, value: { format: 'tin-box-slots', version: 1, slots: diary.slots() } };
  const raw = /^\/bookings\/([^/]{1,100})$/.exec(path)?.[1];
  if (raw === undefined) return undefined;
  const id = decodeURIComponent(raw);
  if (method === 'PUT') {
    const asked = bookingSchema.safeParse(body);
    if (!asked.success) {
      const [issue] = asked.error.issues;
      return fault(400, { code: 'bad_request', message: issue?.message, path: issue?.path });
    }
    const { slotId, litres, massG, heaviestG } = asked.data;
    const booked = diary.book(id, { slotId, litres, massG, heaviestG });
    return 'code' in booked ? fault(409, booked) : { status: 200, value: booked };
  }
  const found = method === 'DELETE' ? diary.cancel(id) : diary.find(id);
  return found && { status: 200, value: found };
}

const fault = (status: number, error: object): StandinAnswer => ({ status, value: { error } });
