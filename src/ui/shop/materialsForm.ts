import { z } from 'zod';

import { formatMoneyInput, type LengthUnit } from '@/core/shared';
import type { Materials } from '@/core/shop';
import { typedLength, typedMoney, typedNumber, typedOptionalLength, typedPositiveLength } from '../typedValues';

const name = z.string().trim().min(1, 'Give it a name').max(60, 'At most 60 letters');
const qty = typedNumber({ least: 0, most: 1000, what: 'how many' }).refine(Number.isInteger, 'A whole number');
const available = z.string().transform((text, context): number | null => {
  if (text.trim() === '') return null;
  const count = Number(text);
  if (Number.isInteger(count) && count >= 0 && count <= 1000) return count;
  context.addIssue({ code: 'custom', message: 'How many there are, or nothing' });
  return z.NEVER;
});

/** Boards and liners as they are typed. A roll without a width is no roll. */
export const materialsFormSchemaFor = (unit: LengthUnit) => z.object({
  boards: z.array(z.object({ name, length: typedPositiveLength(unit), priceMinor: typedMoney, available })).max(30),
  kerf: typedLength(unit), carLength: typedOptionalLength(unit),
  cuts: z.array(z.object({ name, length: typedPositiveLength(unit), qty })).max(100),
  rollWidth: typedOptionalLength(unit), rollLength: typedOptionalLength(unit), rollPrice: z.string(),
}).transform(({ rollWidth, rollLength, rollPrice, ...typed }, context): Omit<Materials, 'id' | 'linedBayIds'> => {
  if (rollWidth === null) return { ...typed, roll: null };
  if (rollLength === null) context.addIssue({ code: 'custom', path: ['rollLength'], message: 'Type how long the roll is' });
  const price = typedMoney.safeParse(rollPrice);
  if (!price.success) context.addIssue({ code: 'custom', path: ['rollPrice'], message: price.error.issues[0]?.message ?? '' });
  return { ...typed, roll: rollLength && price.success ? { width: rollWidth, length: rollLength, priceMinor: price.data } : null };
});
export type MaterialsTyped = z.input<ReturnType<typeof materialsFormSchemaFor>>;

export const toMaterialsTyped = ({ boards, kerf, carLength, cuts, roll }: Materials): MaterialsTyped => ({
  boards: boards.map((board) => ({ name: board.name, length: board.length.text, priceMinor: formatMoneyInput(board.priceMinor), available: board.available === null ? '' : String(board.available) })),
  kerf: kerf.text, carLength: carLength?.text ?? '', cuts: cuts.map((cut) => ({ name: cut.name, length: cut.length.text, qty: String(cut.qty) })),
  rollWidth: roll?.width.text ?? '', rollLength: roll?.length.text ?? '', rollPrice: roll ? formatMoneyInput(roll.priceMinor) : '',
});
