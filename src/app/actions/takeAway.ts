'use server';

import { z } from 'zod';

import { daySchema } from '@/core/agree';
import {
  handoverIdSchema,
  haulBoxIdSchema,
  haulDestinationIdSchema,
  haulTripIdSchema,
  projectIdSchema,
  saleIdSchema,
  thingIdSchema,
} from '@/core/shared';
import { handoverLineSchema, type CollectionFault, type PickUpSlot } from '@/core/takeAway';
import { getDatabase } from '@/data/startData';
import {
  askPickUp,
  bookPickUp,
  cancelPickUp,
  collectionAddressOf,
  listSlots,
} from '@/server/takeAway/collection';
import { correctHandover, removeHandover } from '@/server/takeAway/handOver';
import {
  changeBox,
  changeDeparture,
  changeTrip,
  choosePlace,
  noteWiped,
  saveLeavingTerms,
  saveWay,
} from '@/server/takeAway/leaving';
import { planLeaving } from '@/server/takeAway/planLeaving';
import { noteFetch, noteSale, removeSale } from '@/server/takeAway/sales';
import type { Result } from '@/core/shared';
import type { ActionResult } from '@/ui/actionResult';
import { fetchFormSchema, saleFormSchema, termsFormSchema } from '@/ui/takeAway/takeAwayForms';
import { collectionFaultWords, planFaultWords } from '@/ui/takeAway/faultWords';
import { typedOptionalNumber } from '@/ui/typedValues';
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
      await changeDeparture(await getDatabase(), input.projectId, input);
      return done;
    },
  );
}

/** How far a destination is from this home; nothing typed: as usual. */
export async function saveWayAction(
  projectId: string,
  destinationId: string,
  minutes: string,
): Promise<ActionResult> {
  return answer(
    ofHome.extend({
      destinationId: haulDestinationIdSchema,
      minutes: typedOptionalNumber({ least: 0, most: 600, what: 'minutes' }),
    }),
    { projectId, destinationId, minutes },
    async (input) => {
      await saveWay(await getDatabase(), input.projectId, {
        destinationId: input.destinationId,
        minutes: input.minutes === null ? undefined : Math.round(input.minutes),
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
  z.object({ do: z.enum(['pack', 'unpack', 'leave_out', 'take_in', 'toggle_pin']) }),
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

const lineChangeSchema = handoverLineSchema.pick({ thingId: true, condition: true, value: true });

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
      await correctHandover(await getDatabase(), input.projectId, {
        handoverId: input.handoverId,
        change: { receiptNumber: input.receiptNumber, lines: input.lines },
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
