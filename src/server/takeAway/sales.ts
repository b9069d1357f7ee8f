import 'server-only';

import {
  fetchIdSchema,
  saleIdSchema,
  type ProjectId,
  type SaleId,
  type ThingId,
} from '@/core/shared';
import type { Fetch, Sale } from '@/core/takeAway';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { fetchRecord, loadRecords, saleRecord } from '@/data/records';
import { createId, nowIso } from '../means';

/** Notes what is known of a sale; one a thing. @errors `not_found`: no such thing. */
export const noteSale = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      thingId,
      ...said
    }: { readonly thingId: ThingId } & Partial<Omit<Sale, 'id' | 'projectId' | 'thingId'>>,
  ): Promise<void> => {
    const { things, sales } = await loadRecords(db, projectId, 'things', 'sales');
    const thing = things.find(({ id }) => id === thingId);
    if (!thing) throw new DataError('not_found', 'there is no such thing');
    const before = sales.find((sale) => sale.thingId === thingId);
    const sale: Sale = {
      ...(before ?? {
        id: saleIdSchema.parse(createId()),
        projectId,
        thingId,
        askingMinor: null,
        offeredAt: '',
        offeredOn: null,
        byDay: null,
        reservedFor: '',
        soldMinor: null,
        soldOn: null,
        feeMinor: 0,
      }),
      ...said,
    };
    const deed = { code: 'sale_noted', name: thing.name } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      writer.put(saleRecord, sale),
    );
  },
);

/** It is not offered any more. @errors `not_found`. */
export const removeSale = atomic(
  async (db: Db, projectId: ProjectId, saleId: SaleId): Promise<void> => {
    const { sales, things } = await loadRecords(db, projectId, 'sales', 'things');
    const sale = sales.find(({ id }) => id === saleId);
    if (!sale) throw new DataError('not_found', 'nothing so is offered');
    const name = things.find(({ id }) => id === sale.thingId)?.name ?? '';
    await recordChange(
      db,
      { projectId, deed: { code: 'sale_removed', name }, now: nowIso() },
      (writer) => writer.remove(saleRecord, saleId),
    );
  },
);

/** Until when something waits for a person, and the note to them. */
export const noteFetch = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { person, ...said }: Pick<Fetch, 'person'> & Partial<Pick<Fetch, 'byDay' | 'note'>>,
  ): Promise<void> => {
    const { fetches } = await loadRecords(db, projectId, 'fetches');
    const before = fetches.find((each) => each.person.toLowerCase() === person.toLowerCase());
    const fetch: Fetch = {
      ...(before ?? {
        id: fetchIdSchema.parse(createId()),
        projectId,
        person,
        byDay: null,
        note: '',
      }),
      ...said,
    };
    await recordChange(
      db,
      { projectId, deed: { code: 'fetch_noted', name: person }, now: nowIso() },
      (writer) => writer.put(fetchRecord, fetch),
    );
  },
);
