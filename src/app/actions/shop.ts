'use server';

import { z } from 'zod';

import {
  bayIdSchema,
  containerIdSchema,
  formatMoneyInput,
  giftCardIdSchema,
  handNeedIdSchema,
  projectIdSchema,
  purchaseIdSchema,
  receiptIdSchema,
  roomIdSchema,
  shopIdSchema,
  formatCount,
} from '@/core/shared';
import { prioritySchema, shareLine } from '@/core/shop';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import {
  addGiftCard,
  addHandNeed,
  approveNeed,
  noteShortage,
  removeGiftCard,
  removeHandNeed,
  takeSubstitute,
} from '@/server/shop/buying';
import {
  readShopService,
  shopServiceAddressOf,
  type ServiceFault,
} from '@/server/shop/readShopService';
import { removeReceipt } from '@/server/shop/receipts';
import {
  addPurchases,
  noteReturn,
  removePurchase,
  setNeedPriority,
  shoppingNames,
} from '@/server/shop/roomShopping';
import { listWaysInstead, type WayInstead } from '@/server/shop/till';
import type { ActionResult } from '@/ui/actionResult';
import { handNeedFormSchema, returnFormSchema } from '@/ui/shop/shopForms';
import { typedMoney } from '@/ui/typedValues';
import { answer, done, showAnew } from './answer';
import { fitNames } from '@/server/fit/takeFit';

const placeSchema = z.object({ projectId: projectIdSchema, roomId: roomIdSchema });
type Place = z.input<typeof placeSchema>;

const purchaseFormSchema = z.object({
  containerId: containerIdSchema.nullable(),
  shopName: z.string().min(1).max(80),
  label: z.string().min(1).max(120),
  pieces: z.number().int().min(0).max(100_000),
  /** What the till said, which may differ from the list. */
  paid: typedMoney,
  /** What the list said. */
  expectedMinor: z.number().int().min(0).max(1e9).nullable(),
  handNeedId: handNeedIdSchema.nullable(),
  materialKey: z.string().min(1).max(60).nullable(),
  /** The part that a gift card pays; empty: none. */
  card: z.union([z.literal('').transform(() => 0), typedMoney]),
  paidBy: z.string().trim().max(40),
});

const roomPartSchema = z.object({
  roomId: roomIdSchema,
  containerId: containerIdSchema.nullable(),
  handNeedId: handNeedIdSchema.nullable(),
  materialKey: z.string().min(1).max(60).nullable(),
  pieces: z.number().int().min(0).max(100_000),
});

/** One line of the trip, for every room that gets of it; the first rooms get theirs of what is bought. */
export async function buyForRoomsAction(
  projectId: string,
  parts: readonly unknown[],
  typed: unknown,
): Promise<ActionResult> {
  const schema = z.object({
    projectId: projectIdSchema,
    parts: z.array(roomPartSchema).min(1).max(100),
    form: purchaseFormSchema,
  });
  return answer(schema, { projectId, parts, form: typed }, async (input) => {
    const { paid, card } = input.form;
    if (card > paid) return { ok: false, message: 'The card cannot pay more than the till asks' };
    const bought = await addPurchases(
      await getDatabase(),
      input.projectId,
      shareLine(input.parts, input.form),
    );
    return bought.ok
      ? done
      : {
          ok: false,
          message: `Only ${formatMoneyInput(bought.error.leftMinor)} is left on the card`,
        };
  });
}

export async function removePurchaseAction(
  projectId: string,
  purchaseId: string,
): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, purchaseId: purchaseIdSchema }),
    { projectId, purchaseId },
    async (input) => {
      await removePurchase(await getDatabase(), input.projectId, input.purchaseId);
      return done;
    },
  );
}

export async function setPriorityAction(
  place: Place,
  containerId: string,
  priority: string,
): Promise<ActionResult> {
  const schema = placeSchema.extend({ containerId: containerIdSchema, priority: prioritySchema });
  return answer(schema, { ...place, containerId, priority }, async ({ projectId, ...input }) => {
    await setNeedPriority(await getDatabase(), projectId, input);
    return done;
  });
}

/** Typed: the last day, the pieces that went back, and the money for them. */
export async function noteReturnAction(
  projectId: string,
  purchaseId: string,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    z.object({
      projectId: projectIdSchema,
      purchaseId: purchaseIdSchema,
      form: returnFormSchema,
    }),
    { projectId, purchaseId, form: typed },
    async (input) => {
      const { refund, ...facts } = input.form;
      const noted = await noteReturn(await getDatabase(), input.projectId, {
        purchaseId: input.purchaseId,
        ...facts,
        refundMinor: refund,
      });
      if (noted.ok) return done;
      return {
        ok: false,
        message:
          noted.error.code === 'more_than_bought'
            ? `Only ${noted.error.mostPieces} were bought`
            : `Only ${formatMoneyInput(noted.error.mostMinor)} was paid`,
      };
    },
  );
}

export async function addHandNeedAction(place: Place, typed: unknown): Promise<ActionResult> {
  return answer(
    placeSchema.extend({ form: handNeedFormSchema }),
    { ...place, form: typed },
    async ({ projectId, roomId, form: { price, ...facts } }) => {
      await addHandNeed(await getDatabase(), projectId, { ...facts, roomId, priceMinor: price });
      return done;
    },
  );
}

export async function removeHandNeedAction(
  projectId: string,
  handNeedId: string,
): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, handNeedId: handNeedIdSchema }),
    { projectId, handNeedId },
    async (input) => {
      await removeHandNeed(await getDatabase(), input.projectId, input.handNeedId);
      return done;
    },
  );
}

export async function addGiftCardAction(projectId: string, typed: unknown): Promise<ActionResult> {
  return answer(
    z.object({
      projectId: projectIdSchema,
      form: z.object({ shopId: shopIdSchema, amount: typedMoney }),
    }),
    { projectId, form: typed },
    async (input) => {
      await addGiftCard(await getDatabase(), input.projectId, {
        shopId: input.form.shopId,
        amountMinor: input.form.amount,
      });
      return done;
    },
  );
}

export async function removeGiftCardAction(
  projectId: string,
  giftCardId: string,
): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, giftCardId: giftCardIdSchema }),
    { projectId, giftCardId },
    async (input) => {
      await removeGiftCard(await getDatabase(), input.projectId, input.giftCardId);
      return done;
    },
  );
}

export async function approveNeedAction(
  place: Place,
  needId: string,
  isApproved: boolean,
): Promise<ActionResult> {
  return answer(
    placeSchema.extend({ needId: z.string().min(1).max(120), isApproved: z.boolean() }),
    { ...place, needId, isApproved },
    async ({ projectId, ...input }) => {
      await approveNeed(await getDatabase(), projectId, input);
      return done;
    },
  );
}

export async function takeSubstituteAction(
  projectId: string,
  containerId: string,
  bayId: string,
): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, containerId: containerIdSchema, bayId: bayIdSchema }),
    { projectId, containerId, bayId },
    async (input) => {
      await takeSubstitute(await getDatabase(), input.projectId, input);
      return done;
    },
  );
}

export async function removeReceiptAction(
  projectId: string,
  receiptId: string,
): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, receiptId: receiptIdSchema }),
    { projectId, receiptId },
    async (input) => {
      await removeReceipt(await getDatabase(), input.projectId, input.receiptId);
      return done;
    },
  );
}

/** What goes into the room's places instead of a container; nothing where there is no such room. */
export async function findSubstitutesAction(
  place: Place,
  containerId: string,
): Promise<readonly WayInstead[]> {
  const input = placeSchema
    .extend({ containerId: containerIdSchema })
    .safeParse({ ...place, containerId });
  if (!input.success) return [];
  const db = await getDatabase();
  const records = await loadRecords(db, input.data.projectId, ...shoppingNames, ...fitNames);
  return listWaysInstead(db, records, input.data);
}

/** In front of the shelf: a line is not to be had in a shop, or is there again. */
/** What a shop does not have, said on the trip for the first room that gets of it. */
export async function missOnTripAction(
  projectId: string,
  roomId: string,
  line: Parameters<typeof noteShortageAction>[2],
): Promise<ActionResult> {
  return noteShortageAction({ projectId, roomId }, true, line);
}

export async function noteShortageAction(
  place: Place,
  isShort: boolean,
  line: { readonly needId: string; readonly shopId: string },
): Promise<ActionResult> {
  return answer(
    placeSchema.extend({
      needId: z.string().min(1).max(120),
      shopId: shopIdSchema,
      isShort: z.boolean(),
    }),
    { ...place, ...line, isShort },
    async ({ projectId, ...input }) => {
      await noteShortage(await getDatabase(), projectId, input);
      return done;
    },
  );
}

const FAULT_WORDS: Readonly<Record<ServiceFault['code'], string>> = {
  no_answer: 'The shop does not answer. Prices stay as they were last read.',
  too_late: 'The shop took too long, three times. Prices stay as they were last read.',
  unreadable:
    'The shop answered something that is no price list. Prices stay as they were last read.',
};

/** Asks the shop's service for prices and stock; on a failure everything stays. */
export async function askShopAction(): Promise<ActionResult & { readonly words?: string }> {
  const read = await readShopService(await getDatabase(), shopServiceAddressOf(process.env));
  if (!read.ok) return { ok: false, message: FAULT_WORDS[read.error.code] };
  showAnew();
  const { shopName, changedCount, soldOutCount } = read.value;
  return {
    ...done,
    words:
      `${shopName}: ` +
      `${changedCount === 0 ? 'no price changed' : `${formatCount(changedCount, 'price')} changed`}` +
      `, ${soldOutCount === 0 ? 'everything in stock' : `${soldOutCount} sold out`}.`,
  };
}
