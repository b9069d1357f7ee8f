'use server';

import { z } from 'zod';

import { daySchema } from '@/core/agree';
import {
  fetchIdSchema,
  handoverIdSchema,
  haulBoxIdSchema,
  haulDestinationIdSchema,
  haulTripIdSchema,
  projectIdSchema,
  saleIdSchema,
  thingIdSchema,
} from '@/core/shared';
import { conditions, type PickUpSlot } from '@/core/takeAway';
import { getDatabase } from '@/data/startData';
import { loadRecords } from '@/data/records';
import {
  askPickUp,
  bookPickUp,
  cancelPickUp,
  collectionAddressOf,
  listSlots,
  type CollectionFault,
} from '@/server/takeAway/collection';
import { atStopSchema } from '@/server/takeAway/atStop';
import { correctHandover, handOver, removeHandover } from '@/server/takeAway/handOver';
import {
  changeBox,
  changeTrip,
  choosePlace,
  noteWiped,
  planLeaving,
  saveLeavingTerms,
} from '@/server/takeAway/leaving';
import { noteFetch, noteSale, removeFetch, removeSale } from '@/server/takeAway/sales';
import type { Result } from '@/core/shared';
import type { ActionResult } from '@/ui/actionResult';
import { fetchFormSchema, saleFormSchema, termsFormSchema } from '@/ui/takeAway/takeAwayForms';
import { collectionFaultWords, handOverFaultWords, planFaultWords } from '@/ui/takeAway/faultWords';
import { answer, done } from './answer';

const ofHome = z.object({ projectId: projectIdSchema });
const minute = z.number().int().min(0).max(1440);

export async function choosePlaceAction(
  projectId: string,
  thingIds: readonly string[],
  destinationId: string,
): Promise<ActionResult> {
  return answer(
    ofHome.extend({
      thingIds: z.array(thingIdSchema).min(1).max(5000),
      destinationId: z.union([z.literal('').transform(() => undefined), haulDestinationIdSchema]),
    }),
    { projectId, thingIds, destinationId },
    async (input) => {
      await choosePlace(await getDatabase(), input.projectId, input);
      return done;
    },
  );
}

export async function noteWipedAction(
  projectId: string,
  thingId: string,
  isWiped: boolean,
): Promise<ActionResult> {
  return answer(
    ofHome.extend({ thingId: thingIdSchema, isWiped: z.boolean() }),
    { projectId, thingId, isWiped },
    async (input) => {
      await noteWiped(await getDatabase(), input.projectId, input);
      return done;
    },
  );
}

export async function saveLeavingTermsAction(
  projectId: string,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    ofHome.extend({ form: termsFormSchema }),
    { projectId, form: typed },
    async (input) => {
      await saveLeavingTerms(await getDatabase(), input.projectId, input.form);
      return done;
    },
  );
}

/** Adds a time at which a trip could leave, or takes it away. */
export async function changeDepartureAction(
  projectId: string,
  change: { readonly day: string; readonly minute: number; readonly isAdded: boolean },
): Promise<ActionResult> {
  return answer(
    ofHome.extend({ day: daySchema, minute, isAdded: z.boolean() }),
    { projectId, ...change },
    async (input) => {
      const db = await getDatabase();
      const { leavings } = await loadRecords(db, input.projectId, 'leavings');
      const others = (leavings[0]?.departures ?? []).filter(
        (each) => each.day !== input.day || each.minute !== input.minute,
      );
      await saveLeavingTerms(db, input.projectId, {
        departures: [
          ...others,
          ...(input.isAdded ? [{ day: input.day, minute: input.minute }] : []),
        ].slice(-20),
      });
      return done;
    },
  );
}

/** How far a destination is from this home; undefined: as usual. */
export async function saveWayAction(
  projectId: string,
  destinationId: string,
  minutes: number | undefined,
): Promise<ActionResult> {
  return answer(
    ofHome.extend({
      destinationId: haulDestinationIdSchema,
      minutes: z.number().int('Whole minutes').min(0).max(600, 'At most 600').optional(),
    }),
    { projectId, destinationId, minutes },
    async (input) => {
      const db = await getDatabase();
      const { leavings } = await loadRecords(db, input.projectId, 'leavings');
      const others = (leavings[0]?.minutes ?? []).filter(
        (each) => each.destinationId !== input.destinationId,
      );
      await saveLeavingTerms(db, input.projectId, {
        minutes: [
          ...others,
          ...(input.minutes === undefined
            ? []
            : [{ destinationId: input.destinationId, minutes: input.minutes }]),
        ],
      });
      return done;
    },
  );
}

export async function planLeavingAction(projectId: string): Promise<ActionResult> {
  return answer(ofHome, { projectId }, async (input) => {
    const planned = await planLeaving(await getDatabase(), input.projectId);
    return planned.ok ? done : { ok: false, message: planFaultWords(planned.error) };
  });
}

const boxChangeSchema = z.discriminatedUnion('do', [
  z.object({ do: z.enum(['pack', 'unpack', 'leave_out', 'take_in', 'free']) }),
  z.object({ do: z.literal('to_trip'), tripId: haulTripIdSchema.optional() }),
]);

export async function changeBoxAction(
  projectId: string,
  boxId: string,
  change: z.input<typeof boxChangeSchema>,
): Promise<ActionResult> {
  return answer(
    ofHome.extend({ boxId: haulBoxIdSchema, change: boxChangeSchema }),
    { projectId, boxId, change },
    async (input) => {
      await changeBox(await getDatabase(), input.projectId, {
        boxId: input.boxId,
        change:
          input.change.do === 'to_trip'
            ? { do: 'to_trip', tripId: input.change.tripId }
            : input.change,
      });
      return done;
    },
  );
}

export async function changeTripAction(
  projectId: string,
  tripId: string,
  change: { readonly day?: string | null; readonly departMinute?: number | null },
): Promise<ActionResult> {
  return answer(
    ofHome.extend({
      tripId: haulTripIdSchema,
      day: daySchema.nullable().optional(),
      departMinute: minute.nullable().optional(),
    }),
    { projectId, tripId, ...change },
    async ({ projectId: home, ...input }) => {
      await changeTrip(await getDatabase(), home, {
        tripId: input.tripId,
        ...(input.day === undefined ? {} : { day: input.day }),
        ...(input.departMinute === undefined ? {} : { departMinute: input.departMinute }),
      });
      return done;
    },
  );
}

export async function startTripAction(
  projectId: string,
  tripId: string,
  startedAt: string | null,
): Promise<ActionResult> {
  return answer(
    ofHome.extend({ tripId: haulTripIdSchema, startedAt: z.iso.datetime().nullable() }),
    { projectId, tripId, startedAt },
    async (input) => {
      await changeTrip(await getDatabase(), input.projectId, {
        tripId: input.tripId,
        startedAt: input.startedAt,
      });
      return done;
    },
  );
}

export async function handOverAction(projectId: string, said: unknown): Promise<ActionResult> {
  return answer(ofHome.extend({ said: atStopSchema }), { projectId, said }, async (input) => {
    const kept = await handOver(await getDatabase(), input.projectId, input.said);
    return kept.ok ? done : { ok: false, message: handOverFaultWords(kept.error) };
  });
}

const lineChangeSchema = z.object({
  thingId: thingIdSchema,
  condition: z.enum(conditions),
  lowMinor: z.number().int().min(0).max(1e9).nullable(),
  highMinor: z.number().int().min(0).max(1e9).nullable(),
});

export async function correctHandoverAction(
  projectId: string,
  handoverId: string,
  change: {
    readonly receiptNumber?: string;
    readonly lines?: readonly z.input<typeof lineChangeSchema>[];
  },
): Promise<ActionResult> {
  return answer(
    ofHome.extend({
      handoverId: handoverIdSchema,
      receiptNumber: z.string().trim().max(60, 'At most 60 letters').optional(),
      lines: z.array(lineChangeSchema).max(2000).optional(),
    }),
    { projectId, handoverId, ...change },
    async (input) => {
      const db = await getDatabase();
      const { handovers } = await loadRecords(db, input.projectId, 'handovers');
      const before = handovers.find(({ id }) => id === input.handoverId);
      await correctHandover(db, input.projectId, {
        handoverId: input.handoverId,
        change: {
          ...(input.receiptNumber === undefined ? {} : { receiptNumber: input.receiptNumber }),
          ...(input.lines === undefined || !before
            ? {}
            : {
                lines: before.lines.map((line) => {
                  const said = input.lines?.find(({ thingId }) => thingId === line.thingId);
                  if (!said) return line;
                  const { condition, lowMinor, highMinor } = said;
                  const value =
                    lowMinor === null || highMinor === null
                      ? null
                      : { lowMinor, highMinor: Math.max(lowMinor, highMinor) };
                  return { ...line, condition, value };
                }),
              }),
        },
      });
      return done;
    },
  );
}

export async function removeHandoverAction(
  projectId: string,
  handoverId: string,
): Promise<ActionResult> {
  return answer(
    ofHome.extend({ handoverId: handoverIdSchema }),
    { projectId, handoverId },
    async (input) => {
      await removeHandover(await getDatabase(), input.projectId, input.handoverId);
      return done;
    },
  );
}

export async function noteSaleAction(
  projectId: string,
  thingId: string,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    ofHome.extend({ thingId: thingIdSchema, form: saleFormSchema }),
    { projectId, thingId, form: typed },
    async (input) => {
      await noteSale(await getDatabase(), input.projectId, {
        thingId: input.thingId,
        ...input.form,
      });
      return done;
    },
  );
}

export async function removeSaleAction(projectId: string, saleId: string): Promise<ActionResult> {
  return answer(ofHome.extend({ saleId: saleIdSchema }), { projectId, saleId }, async (input) => {
    await removeSale(await getDatabase(), input.projectId, input.saleId);
    return done;
  });
}

export async function noteFetchAction(
  projectId: string,
  person: string,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    ofHome.extend({ person: z.string().trim().min(1).max(80), form: fetchFormSchema }),
    { projectId, person, form: typed },
    async (input) => {
      await noteFetch(await getDatabase(), input.projectId, {
        person: input.person,
        ...input.form,
      });
      return done;
    },
  );
}

export async function removeFetchAction(projectId: string, fetchId: string): Promise<ActionResult> {
  return answer(
    ofHome.extend({ fetchId: fetchIdSchema }),
    { projectId, fetchId },
    async (input) => {
      await removeFetch(await getDatabase(), input.projectId, input.fetchId);
      return done;
    },
  );
}

const saySlots = <T>(result: Result<T, CollectionFault>): ActionResult<T> =>
  result.ok
    ? { ok: true, value: result.value }
    : { ok: false, message: collectionFaultWords(result.error) };

export async function listSlotsAction(): Promise<ActionResult<readonly PickUpSlot[]>> {
  return answer(z.object({}), {}, async () =>
    saySlots(await listSlots(collectionAddressOf(process.env))),
  );
}

export async function bookPickUpAction(
  projectId: string,
  destinationId: string,
  slot: Omit<PickUpSlot, 'left'>,
): Promise<ActionResult> {
  return answer(
    ofHome.extend({
      destinationId: haulDestinationIdSchema,
      slot: z.object({ id: z.string().min(1).max(80), day: daySchema, from: minute, to: minute }),
    }),
    { projectId, destinationId, slot },
    async (input) =>
      saySlots(
        await bookPickUp(await getDatabase(), input.projectId, {
          ...input,
          address: collectionAddressOf(process.env),
        }),
      ),
  );
}

export async function askPickUpAction(projectId: string, tripId: string): Promise<ActionResult> {
  return answer(ofHome.extend({ tripId: haulTripIdSchema }), { projectId, tripId }, async (input) =>
    saySlots(
      await askPickUp(await getDatabase(), input.projectId, {
        tripId: input.tripId,
        address: collectionAddressOf(process.env),
      }),
    ),
  );
}

export async function cancelPickUpAction(projectId: string, tripId: string): Promise<ActionResult> {
  return answer(ofHome.extend({ tripId: haulTripIdSchema }), { projectId, tripId }, async (input) =>
    saySlots(
      await cancelPickUp(await getDatabase(), input.projectId, {
        tripId: input.tripId,
        address: collectionAddressOf(process.env),
      }),
    ),
  );
}
