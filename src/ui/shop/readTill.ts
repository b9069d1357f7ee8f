import { containerIdSchema, handNeedIdSchema } from '@/core/shared';
import { typedMoney } from '../typedValues';
import type { Bought } from './ShopLists';

/** What was typed of a till, in minor units; or what is wrong with it, in a sentence. */
export function readTill({
  paid: typedPaid,
  card: typedCard,
}: Pick<Bought, 'paid' | 'card'>):
  { readonly paidMinor: number; readonly cardMinor: number } | { readonly problem: string } {
  const paid = typedMoney.safeParse(typedPaid);
  const card =
    typedCard === '' ? { success: true as const, data: 0 } : typedMoney.safeParse(typedCard);
  if (!paid.success || !card.success) return { problem: 'Type what the till asked, e.g. 12.50' };
  if (card.data > paid.data) return { problem: 'The card cannot pay more than the till asks' };
  return { paidMinor: paid.data, cardMinor: card.data };
}

/** The ids of what a purchase is for, as acts name them. */
export const lineIdsOf = (line: {
  readonly containerId: string | null;
  readonly handNeedId: string | null;
  readonly materialKey: string | null;
}) => ({
  containerId: line.containerId === null ? null : containerIdSchema.parse(line.containerId),
  handNeedId: line.handNeedId === null ? null : handNeedIdSchema.parse(line.handNeedId),
  materialKey: line.materialKey,
});
