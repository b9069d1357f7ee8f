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
import { prioritySchema } from '@/core/shop';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import {
  addGiftCard,
  addHandNeed,
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
