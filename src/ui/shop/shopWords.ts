import { formatLength, pluralOf, type LengthUnit } from '@/core/shared';
import type { CutReason, RollReason, ShopAnswer, ShopReason } from '@/core/shop';

/** What a sentence calls the pieces of an answer, and the unit in which it gives lengths. */
interface PieceNaming {
  readonly piece: (id: string) => string;
  readonly unit: LengthUnit;
}

/** Why the pieces cannot be cut from the boards, in a sentence. */
export function cutReasonWords(reason: CutReason, { piece, unit }: PieceNaming): string {
  switch (reason.code) {
    case 'no_stock':
      return `There is no board to cut ${piece(reason.subject)} from.`;
    case 'piece_longer_than_stock':
      return (
        `${piece(reason.subject)} is ${formatLength(reason.lengthMm, unit)} long, the longest board ` +
        `${formatLength(reason.longestMm, unit)}.`
      );
    case 'not_enough_stock':
      return (
        `The pieces need ${formatLength(reason.needMm, unit)} and a saw cut between each; the boards that are ` +
        `available have ${formatLength(reason.haveMm, unit)} and do not yield them all.`
      );
    case 'time_ran_out':
      return 'No way to cut all pieces from these boards was found in the time; that there is none is not proven.';
  }
}

/** Why a piece cannot be cut from a roll, in a sentence. */
export function rollReasonWords(
  reason: RollReason,
  { piece, unit, of = 'roll' }: PieceNaming & { readonly of?: 'roll' | 'sheet' },
): string {
  const { code, subject, widthMm, depthMm, mayTurn, rollMm } = reason;
  const size = `${formatLength(widthMm, unit)} × ${formatLength(depthMm, unit)}`;
  const side = code === 'wider_than_roll' ? 'wide' : 'long';
  return `${piece(subject)} is ${size}${mayTurn ? '' : ' and must not be turned'}, the ${of} is ${formatLength(rollMm, unit)} ${side}.`;
}

/** Why the musts cannot be bought, in a sentence. */
export function shopReasonWords(
  reason: ShopReason,
  {
    need,
    money,
    room = (id) => id,
  }: {
    readonly need: (id: string) => string;
    readonly money: (minor: number) => string;
    readonly room?: (id: string) => string;
  },
): string {
  switch (reason.code) {
    case 'must_not_on_offer':
      return (
        `${need(reason.subject)} is a must: ${reason.lack} more ${pluralOf(reason.lack, 'is', 'are')}` +
        ` needed, the offers have ${reason.onOffer}.`
      );
    case 'budget_too_small':
      return `The musts cost at least ${money(reason.leastMinor)}, the budget is ${money(reason.budgetMinor)}.`;
    case 'room_budget_too_small':
      return `${room(reason.subject)} would pay ${money(reason.wantedMinor)} of the cheapest trip, and has ${money(reason.budgetMinor)}.`;
    case 'offers_run_out':
      if (reason.lack === 0)
        return 'The offers that serve several musts do not hold enough for all of them together.';
      return (
        `${need(reason.subject)} stays ${reason.lack} short: the offers hold enough for each must, and not for ` +
        `all together${reason.beside.length > 0 ? `; ${reason.beside.map(need).join(', ')} take from the same ones` : ''}.`
      );
    case 'time_ran_out':
      return 'No way to buy every must was found in the time given, and none was ruled out.';
  }
}

/** How sure a trip is the cheapest. */
export function tripProofWords({ status }: Pick<ShopAnswer, 'status'>): string {
  if (status === 'optimal')
    return 'No cheaper trip exists in these offers: packs shared between rooms, every shop and delivery were weighed.';
  if (status === 'feasible')
    return 'This is the best trip found in the time given; a cheaper one was not ruled out.';
  return 'No trip keeps to the budget.';
}
