import { z } from 'zod';

import { shopIdSchema } from '@/core/shared';
import { prioritySchema } from '@/core/shop';
import { typedMoney, typedNumber } from '../typedValues';

const typedWhole = (most: number, what: string, least = 1) =>
  typedNumber({ least, most, what }).pipe(z.number().int('A whole number'));

/** Something that no fit calls for, as typed. */
export const handNeedFormSchema = z.object({
  name: z.string().trim().min(1, 'Type what it is').max(80, 'At most 80 letters'),
  qty: typedWhole(10_000, 'how many'),
  packSize: typedWhole(1000, 'pieces in a pack'),
  price: typedMoney,
  shopId: shopIdSchema,
  priority: prioritySchema,
});
export type HandNeedTyped = z.input<typeof handNeedFormSchema>;

const typedOptionalDay = z.union([z.literal('').transform(() => null), z.iso.date('Type a day')]);

/** When it arrives, the last day to bring something back, the pieces that went back, and the money for them. */
export const returnFormSchema = z.object({
  returnBy: typedOptionalDay,
  deliverOn: typedOptionalDay,
  returnedPieces: typedWhole(100_000, 'the pieces that went back', 0),
  refund: typedMoney,
});
export type ReturnTyped = z.input<typeof returnFormSchema>;
