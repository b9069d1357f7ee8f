import { browserMeans } from '../outbox/browserMeans';
import { Outbox, type OutboxMeans } from '../outbox/Outbox';
import { createOutboxJournal } from '../outbox/outboxJournal';
import { createOutboxStore } from '../outbox/outboxStore';
import { readServerAnswer } from '../outbox/readServerAnswer';
import type { Waiting } from '../outbox/waiting';

/** What was said at a stop, as the route reads it. */
export interface AtStopSaid {
  readonly id: string;
  readonly destinationId: string | null;
  readonly destinationName: string;
  readonly tripId: string | null;
  readonly boxIds: readonly string[];
  readonly thingIds: readonly string[];
  readonly refused: readonly { readonly thingId: string; readonly reason: string }[];
  readonly at: string;
  readonly by: string;
  readonly receiptNumber: string;
}
/** A handover on its way; its id is the handover's, so that sent twice it counts once. */
export interface WaitingHandover extends Waiting {
  readonly said: AtStopSaid;
}
const NAME = 'tin-box-handovers';

type Request = (url: string, init: RequestInit) => Promise<Response>;

/** One at a time: what a later one finds waiting depends on those before. */
export const createHandoverOutbox = ({
  request,
  ...means
}: Omit<OutboxMeans<WaitingHandover>, 'deliver' | 'batchSize'> & {
  readonly request: Request;
}): Outbox<WaitingHandover> =>
  new Outbox({
    ...means,
    batchSize: 1,
    deliver: async ([first]) => {
      if (!first) return undefined;
      const response = await request(`/api/projects/${first.projectId}/handovers`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(first.said),
      });
      return (await readServerAnswer<object>(response)).refusal;
    },
  });

export const handoverOutbox = createHandoverOutbox({
  ...browserMeans(NAME),
  store: createOutboxStore(NAME),
  journal: createOutboxJournal<WaitingHandover>({
    storage: () => window.localStorage,
    prefix: 'tin-box-handover ',
    parse: (value) => {
      const entry = value as Partial<WaitingHandover> | null | undefined;
      return entry?.said && entry.projectId !== undefined && entry.id !== undefined
        ? {
            id: entry.id,
            projectId: entry.projectId,
            said: entry.said,
            problem: entry.problem ?? '',
          }
        : undefined;
    },
    compare: (a, b) => a.said.at.localeCompare(b.said.at),
  }),
  request: (url, init) => fetch(url, init),
});
