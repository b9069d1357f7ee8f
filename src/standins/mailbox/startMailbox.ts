import { z } from 'zod';

import {
  startStandin,
  type RunningStandin,
  type StandinAnswer,
  type StandinRequest,
} from '../shared/startStandin';
import type { Mailbox } from './mailbox';
import { mailboxPage } from './mailboxPage';

const short = z.string().min(1).max(300);
const messageSchema = z.object({
  format: z.literal('tin-box-message'),
  version: z.literal(1),
  id: short,
  from: short,
  to: short,
  subject: short,
  text: z.string().max(20_000),
  html: z.string().max(60_000),
  attachments: z
    .array(z.object({ name: short, type: short, base64: z.string().max(30_000_000) }))
    .max(10),
});
const orderSchema = z.object({
  do: z.literal('mood'),
  mood: z.enum(['well', 'down', 'refuses']),
});

/**
 * Starts the simulated mailbox: `PUT /messages/:id` as in docs/devices.md; `GET /` is its own page, `GET
 * /status`, `GET /attachments/:id/:name` and `POST /do` are for it alone.
 * @throws where the port is taken.
 */
export const startMailbox = ({
  port,
  mailbox,
}: {
  readonly port: number;
  readonly mailbox: Mailbox;
}): Promise<RunningStandin> =>
  startStandin({ port, page: mailboxPage, answer: (request) => answer(request, mailbox) });

function answer({ method, path, body }: StandinRequest, mailbox: Mailbox): StandinAnswer {
  if (method === 'GET' && path === '/status')
    return {
      status: 200,
      value: {
        mood: mailbox.mood(),
        messages: mailbox.messages().map(({ attachments, ...message }) => ({
          ...message,
          attachments: attachments.map(({ name }) => ({ name })),
        })),
      },
    };
  if (method === 'POST' && path === '/do') {
    const order = orderSchema.safeParse(body);
    if (!order.success) return fault(400, 'bad_request');
    mailbox.setMood(order.data.mood);
    return { status: 200, value: { mood: mailbox.mood() } };
  }
  const file = /^\/attachments\/([^/]+)\/([^/]+)$/.exec(path);
  if (method === 'GET' && file) {
    const [, id = '', name = ''] = file.map((part) => decodeURIComponent(part));
    const found = mailbox.find(id)?.attachments.find((each) => each.name === name);
    return found && { status: 200, value: Buffer.from(found.base64, 'base64'), type: found.type };
  }
  if (method !== 'PUT' || !/^\/messages\/[^/]{1,100}$/.test(path)) return undefined;
  if (mailbox.mood() === 'down') return fault(503, 'down');
  if (mailbox.mood() === 'refuses') return fault(422, 'refused');
  const message = messageSchema.safeParse(body);
  if (!message.success) return fault(400, 'bad_request');
  mailbox.take(message.data);
  return { status: 200, value: { id: message.data.id } };
}

const fault = (status: number, code: string): StandinAnswer => ({
  status,
  value: { error: { code } },
});
