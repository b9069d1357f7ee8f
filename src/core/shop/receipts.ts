import type { Purchase, Receipt } from './records';

/** What stands noted of a receipt, against what it says. */
export interface ReceiptCheck {
  readonly purchases: readonly Purchase[];
  readonly notedMinor: number;
  /** Of the receipt that no line accounts for; below zero where more is noted than was paid. */
  readonly missingMinor: number;
}

export function checkReceipt(
  receipt: Pick<Receipt, 'id' | 'totalMinor'>,
  purchases: readonly Purchase[],
): ReceiptCheck {
  const own = purchases.filter(({ receiptId }) => receiptId === receipt.id);
  const notedMinor = own.reduce((sum, { paidMinor }) => sum + paidMinor, 0);
  return { purchases: own, notedMinor, missingMinor: receipt.totalMinor - notedMinor };
}

/**
 * Purchases that belong on a receipt: of its shop and day, and on no other. `dayOf` gives the day
 * at the till.
 */
export const findLinesOf = (
  { shopName, boughtOn }: Pick<Receipt, 'shopName' | 'boughtOn'>,
  purchases: readonly Purchase[],
  dayOf: (boughtAt: string) => string,
): Purchase[] =>
  purchases.filter(
    (purchase) =>
      purchase.receiptId === null &&
      purchase.shopName.toLowerCase() === shopName.toLowerCase() &&
      dayOf(purchase.boughtAt) === boughtOn,
  );
