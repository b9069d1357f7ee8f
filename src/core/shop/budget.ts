import { type ApprovalState, approvalStateOf, type Approval } from './approvals';
import { ownMinorOf } from './listNeeds';
import { toMaterialNeedId } from './materialNeeds';
import type { ShopAnswer } from './shopAnswer';
import type { ShopRequest } from './model';
import type { Purchase } from './records';

/** A need of a room with what its line comes to: paid already, and still to be paid, deliveries apart. */
interface PricedLine {
  readonly needId: string;
  readonly lineMinor: number;
  /** Of it, what gift cards have paid. */
  readonly cardMinor: number;
}

/** Money of a room or of the whole home, in minor units. */
export interface BudgetSums {
  /** The share of the budget. */
  readonly shareMinor: number;
  /** What everything on the list comes to: bought, less what came back, and still to buy. */
  readonly plannedMinor: number;
  /**
   * Of what is planned, what the client said yes to, deliveries left aside: what a gift card pays
   * is in neither.
   */
  readonly approvedMinor: number;
  /** Paid at the tills, gift cards and all. */
  readonly boughtMinor: number;
  readonly cardMinor: number;
  readonly returnedMinor: number;
  /** The share less what is planned; below zero where it is too much. */
  readonly leftMinor: number;
}

/**
 * What bought something: matched to a line of the list by the container, the thing put down by hand
 * or the material.
 */
export const needIdOf = ({
  containerId,
  handNeedId,
  materialKey,
}: Pick<Purchase, 'containerId' | 'handNeedId' | 'materialKey'>): string | undefined =>
  handNeedId ??
  (materialKey === null ? undefined : toMaterialNeedId(materialKey)) ??
  containerId ??
  undefined;

/** What each line comes to. A delivery belongs to no line. */
export function priceLines(
  request: Pick<ShopRequest, 'needs' | 'offers'>,
  answer: Pick<ShopAnswer, 'buys'>,
  purchases: readonly Purchase[],
): PricedLine[] {
  return request.needs.map(({ id }) => {
    const own = purchases.filter((purchase) => needIdOf(purchase) === id);
    const paid = own.reduce((sum, { paidMinor, refundMinor }) => sum + paidMinor - refundMinor, 0);
    const cardMinor = own.reduce(
      (sum, purchase) => sum + purchase.paidMinor - purchase.refundMinor - ownMinorOf(purchase),
      0,
    );
    const open = answer.buys.reduce((sum, { offerId, packs }) => {
      const offer = request.offers.find((candidate) => candidate.id === offerId);
      return offer && (offer.needId ?? offer.needIds?.[0]) === id
        ? sum + packs * offer.priceMinor
        : sum;
    }, 0);
    return { needId: id, lineMinor: Math.max(0, paid + open), cardMinor: Math.max(0, cardMinor) };
  });
}

/**
 * Adds up a room: what its list comes to against its share. `openMinor` is what is still to be paid
 * out of the budget.
 */
export function sumRoom({
  shareMinor,
  openMinor,
  lines,
  approvals,
  purchases,
}: {
  readonly shareMinor: number;
  readonly openMinor: number;
  readonly lines: readonly PricedLine[];
  readonly approvals: readonly Approval[];
  readonly purchases: readonly Purchase[];
}): BudgetSums {
  const sum = (of: (purchase: Purchase) => number) =>
    purchases.reduce((total, purchase) => total + of(purchase), 0);
  const plannedMinor = sum(ownMinorOf) + openMinor;
  const agreedMinor = lines.reduce((total, { needId, lineMinor, cardMinor }) => {
    const state = approvalStateOf(
      approvals.find((approval) => approval.needId === needId),
      lineMinor,
    );
    return total + Math.max(0, approvedMinorOf(state, lineMinor) - cardMinor);
  }, 0);
  // A card that is still to pay belongs to no line.
  const approvedMinor = Math.min(agreedMinor, plannedMinor);
  return {
    shareMinor,
    plannedMinor,
    approvedMinor,
    boughtMinor: sum(({ paidMinor }) => paidMinor),
    cardMinor: sum(({ cardMinor }) => cardMinor),
    returnedMinor: sum(({ refundMinor }) => refundMinor),
    leftMinor: shareMinor - plannedMinor,
  };
}

/** All rooms together, against the budget of the project: shares that were never given out stay in it. */
export function sumRooms(rooms: readonly BudgetSums[], budgetMinor: number): BudgetSums {
  const sum = (of: (room: BudgetSums) => number) =>
    rooms.reduce((total, room) => total + of(room), 0);
  const plannedMinor = sum((room) => room.plannedMinor);
  return {
    shareMinor: budgetMinor,
    plannedMinor,
    approvedMinor: sum((room) => room.approvedMinor),
    boughtMinor: sum((room) => room.boughtMinor),
    cardMinor: sum((room) => room.cardMinor),
    returnedMinor: sum((room) => room.returnedMinor),
    leftMinor: budgetMinor - plannedMinor,
  };
}

/**
 * Who paid how much of what was bought, the most first; what a gift card paid is nobody's, and what
 * came back is taken off.
 */
export function sumPayers(
  purchases: readonly Purchase[],
): readonly { readonly paidBy: string; readonly minor: number }[] {
  const sums = new Map<string, number>();
  for (const purchase of purchases)
    sums.set(purchase.paidBy, (sums.get(purchase.paidBy) ?? 0) + ownMinorOf(purchase));
  return [...sums]
    .map(([paidBy, minor]) => ({ paidBy, minor }))
    .filter(({ minor }) => minor > 0)
    .sort((a, b) => b.minor - a.minor || a.paidBy.localeCompare(b.paidBy, 'en'));
}

/** What of a line the client said yes to. */
function approvedMinorOf(state: ApprovalState, lineMinor: number): number {
  if (state.is === 'approved') return lineMinor;
  return state.is === 'dearer' ? state.approvedMinor : 0;
}
