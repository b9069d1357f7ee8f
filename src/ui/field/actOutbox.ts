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

/** So many go in one request; the desk takes them with one look at its disk. */
const AT_ONCE = 100;

/**
 * Hands some of one project over, in their order; why the desk refuses one of them, and then has none, or undefined where
 * it has all. Throws where there is no answer.
 */
export async function deliverActs(
  entries: readonly Pick<WaitingAct, 'projectId' | 'act'>[],
  request: Request = (url, init) => fetch(url, init),
): Promise<string | undefined> {
  const response = await request(`/api/projects/${entries[0]?.projectId}/acts`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(entries.map(({ act }) => act)),
  });
  return (await readServerAnswer<object>(response)).refusal;
}

/** In the order in which they were done. */
export const createActOutbox = ({
  request,
  ...means
}: Omit<OutboxMeans<WaitingAct>, 'deliver' | 'batchSize'> & {
  readonly request?: Request;
}): Outbox<WaitingAct> =>
  new Outbox({
    ...means,
    batchSize: AT_ONCE,
    deliver: (batch) => deliverActs(batch, request),
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
