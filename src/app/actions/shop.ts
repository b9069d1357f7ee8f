'use server';

import { z } from 'zod';

import { containerIdSchema, formatMoneyInput, projectIdSchema, purchaseIdSchema, roomIdSchema } from '@/core/shared';
import { prioritySchema } from '@/core/shop';
import { getDatabase } from '@/data/db';
import { addPurchase, noteReturn, removePurchase, setNeedPriority } from '@/server/shop/roomShopping';
import type { ActionResult } from '@/ui/actionResult';
import { typedMoney } from '@/ui/typedValues';
import { answer, done } from './answer';

const placeSchema = z.object({ projectId: projectIdSchema, roomId: roomIdSchema });
type Place = z.input<typeof placeSchema>;

const purchaseFormSchema = z.object({
  containerId: containerIdSchema.nullable(),
  shopName: z.string().min(1).max(80),
  label: z.string().min(1).max(120),
  pieces: z.number().int().min(0).max(100_000),
  /** What the till said, which may differ from the list. */
  paid: typedMoney,
});

export async function addPurchaseAction(place: Place, typed: unknown): Promise<ActionResult> {
  return answer(placeSchema.extend({ form: purchaseFormSchema }), { ...place, form: typed }, async ({ projectId, roomId, form: { paid, ...form } }) => {
    await addPurchase(await getDatabase(), projectId, { ...form, roomId, paidMinor: paid });
    return done;
  });
}

export async function removePurchaseAction(projectId: string, purchaseId: string): Promise<ActionResult> {
  return answer(z.object({ projectId: projectIdSchema, purchaseId: purchaseIdSchema }), { projectId, purchaseId }, async (input) => {
    await removePurchase(await getDatabase(), input.projectId, input.purchaseId);
    return done;
  });
}

export async function setPriorityAction(place: Place, containerId: string, priority: string): Promise<ActionResult> {
  const schema = placeSchema.extend({ containerId: containerIdSchema, priority: prioritySchema });
  return answer(schema, { ...place, containerId, priority }, async ({ projectId, ...input }) => {
    await setNeedPriority(await getDatabase(), projectId, input);
    return done;
  });
}

/** Typed: the last day, the pieces that went back, and the money for them. */
export async function noteReturnAction(projectId: string, purchaseId: string, typed: unknown): Promise<ActionResult> {
  const form = z.object({ returnBy: z.union([z.literal('').transform(() => null), z.iso.date()]), returnedPieces: z.number().int().min(0).max(100_000), refund: typedMoney });
  return answer(z.object({ projectId: projectIdSchema, purchaseId: purchaseIdSchema, form }), { projectId, purchaseId, form: typed }, async (input) => {
    const { refund, ...facts } = input.form;
    const noted = await noteReturn(await getDatabase(), input.projectId, { purchaseId: input.purchaseId, ...facts, refundMinor: refund });
    if (noted.ok) return done;
    return { ok: false, message: noted.error.code === 'more_than_bought' ? `Only ${noted.error.mostPieces} were bought` : `Only ${formatMoneyInput(noted.error.mostMinor)} was paid` };
  });
}
