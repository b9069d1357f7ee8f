import type { DecisionEvent } from '@/core/sort';
import { browserMeans } from '../outbox/browserMeans';
import { Outbox, type OutboxMeans } from '../outbox/Outbox';
import { createOutboxJournal, readJson, type OutboxJournal } from '../outbox/outboxJournal';
import { createOutboxStore } from '../outbox/outboxStore';
import { readServerAnswer } from '../outbox/readServerAnswer';
import type { Waiting } from '../outbox/waiting';
import { deviceNow, lastKnownAt, noteServerTime } from './deviceClock';

/** A decision on its way; its id is the event's. */
export interface WaitingDecision extends Waiting {
  readonly event: DecisionEvent;
  /** This device's clock when it was decided, and the server's time as it was last heard before. */
  readonly deviceAt: string;
  readonly knownAt: string | null;
}

const BATCH = 200;
/** Up to so many are sent on even where the page closes meanwhile; a browser takes no more than 64 KB. */
const MOST_KEPT_ALIVE = 50;
const NAME = 'tin-box-decisions';

type Request = (url: string, init: RequestInit) => Promise<Response>;

const deliverBy =
  (request: Request): OutboxMeans<WaitingDecision>['deliver'] =>
  async (batch) => {
    const [first] = batch;
    const response = await request(`/api/projects/${first?.projectId}/decisions`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        events: batch.map(({ event }) => event),
        clock: {
          sentAt: deviceNow(),
          events: batch.map(({ deviceAt, knownAt }) => ({ deviceAt, knownAt })),
        },
      }),
      keepalive: batch.length < MOST_KEPT_ALIVE,
    });
    const { body, refusal } = await readServerAnswer<{ readonly now: string }>(response);
    if (body.now !== undefined) noteServerTime(body.now);
    return refusal;
  };

/** Where the first version kept all that waited, as one list. */
const OLD_KEY = 'tin-box-decisions-waiting';

/** Older versions are read: their decisions had no id beside that of their event, the first no clock. */
export function createDecisionJournal(storage: () => Storage): OutboxJournal<WaitingDecision> {
  const journal = createOutboxJournal<WaitingDecision>({
    storage,
    prefix: 'tin-box-decision ',
    parse: readWaiting,
    compare: (a, b) => a.deviceAt.localeCompare(b.deviceAt),
  });
  const readOld = () => {
    const list = readJson(storage().getItem(OLD_KEY));
    return Array.isArray(list) ? list.flatMap((value) => readWaiting(value) ?? []) : [];
  };
  return {
    ...journal,
    read: () => [...readOld(), ...journal.read()],
    clear: (ids) => {
      storage().removeItem(OLD_KEY);
      journal.clear(ids);
    },
  };
}

function readWaiting(value: unknown): WaitingDecision | undefined {
  const entry = value as Partial<WaitingDecision> | null | undefined;
  if (!entry?.event || entry.projectId === undefined) return undefined;
  const { projectId, event, deviceAt = event.decidedAt, knownAt = null, problem = '' } = entry;
  return { id: event.id, projectId, event, deviceAt, knownAt, problem };
}

export const createDecisionOutbox = ({
  request,
  ...means
}: Omit<OutboxMeans<WaitingDecision>, 'deliver' | 'batchSize'> & {
  readonly request: Request;
}): Outbox<WaitingDecision> =>
  new Outbox({ ...means, deliver: deliverBy(request), batchSize: BATCH });

export const toWaiting = (projectId: string, event: DecisionEvent): WaitingDecision => ({
  id: event.id,
  projectId,
  event,
  deviceAt: deviceNow(),
  knownAt: lastKnownAt(),
  problem: '',
});

export const decisionOutbox = createDecisionOutbox({
  ...browserMeans(NAME),
  store: createOutboxStore(NAME),
  journal: createDecisionJournal(() => window.localStorage),
  request: (url, init) => fetch(url, init),
});
