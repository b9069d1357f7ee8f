import type { FieldAct } from '@/core/field';
import { browserMeans } from '../outbox/browserMeans';
import { Outbox, type OutboxMeans } from '../outbox/Outbox';
import { createOutboxJournal } from '../outbox/outboxJournal';
import { createOutboxStore } from '../outbox/outboxStore';
import { readServerAnswer } from '../outbox/readServerAnswer';
import type { Waiting } from '../outbox/waiting';

/** An act on its way; its id is the act's, so that sent twice it counts once. */
export interface WaitingAct extends Waiting {
  readonly act: FieldAct;
}
const NAME = 'tin-box-acts';

type Request = (url: string, init: RequestInit) => Promise<Response>;

/** Hands one over; why the desk refuses it, or undefined where it has it. Throws where there is no answer. */
export async function deliverAct(
  { projectId, act }: Pick<WaitingAct, 'projectId' | 'act'>,
  request: Request = (url, init) => fetch(url, init),
): Promise<string | undefined> {
  const response = await request(`/api/projects/${projectId}/acts`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(act),
  });
  return (await readServerAnswer<object>(response)).refusal;
}

/** One at a time, in the order in which they were done. */
export const createActOutbox = ({
  request,
  ...means
}: Omit<OutboxMeans<WaitingAct>, 'deliver' | 'batchSize'> & {
  readonly request?: Request;
}): Outbox<WaitingAct> =>
  new Outbox({
    ...means,
    batchSize: 1,
    deliver: async ([first]) => (first ? deliverAct(first, request) : undefined),
  });

export const actOutbox = createActOutbox({
  ...browserMeans(NAME),
  store: createOutboxStore(NAME),
  journal: createOutboxJournal<WaitingAct>({
    storage: () => window.localStorage,
    prefix: 'tin-box-act ',
    parse: (value) => {
      const entry = value as Partial<WaitingAct> | null | undefined;
      return entry?.act && entry.projectId !== undefined && entry.id !== undefined
        ? {
            id: entry.id,
            projectId: entry.projectId,
            act: entry.act,
            problem: entry.problem ?? '',
          }
        : undefined;
    },
    compare: (a, b) => a.act.at.localeCompare(b.act.at),
  }),
});
