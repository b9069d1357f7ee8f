import 'server-only';

import {
  formatMoneyInput,
  parseMoney,
  purchaseIdSchema,
  type ProjectId,
  type RoomId,
} from '@/core/shared';
import { cardLeftMinorOf, listNeeds, type Purchase, type RoomShopping } from '@/core/shop';
import { recordChange, requireUnchanged, stampOf } from '@/data/changes';
import type { Db } from '@/data/db';
import { loadRecords, purchaseRecord } from '@/data/records';
import { readCsvTable, writeCsvTable, type CsvFault } from '../exchange/csvTable';
import { createId, nowIso } from '../means';
import { dayOf } from './receipts';
import { loadRoomShopping, shoppingNames } from './roomShopping';

/** One line of a receipt a row; documented in docs/formats.md. */
const purchaseCsvColumns = [
  'day',
  'shop',
  'item',
  'pieces',
  'paid',
  'gift_card',
  'paid_by',
  'deliver_on',
  'return_by',
  'returned',
  'refund',
] as const;
type Column = (typeof purchaseCsvColumns)[number];
type CsvRow = Readonly<Record<Column, string>>;

/** What was bought for a room, or for the whole home. @errors `not_found`. */
export async function writePurchasesCsv(
  db: Db,
  projectId: ProjectId,
  roomId: RoomId | undefined,
): Promise<string> {
  const { purchases } = await loadRecords(db, projectId, 'purchases');
  const rows = purchases
    .filter((purchase) => roomId === undefined || purchase.roomId === roomId)
    .map((purchase): CsvRow => ({
      day: dayOf(purchase.boughtAt),
      shop: purchase.shopName,
      item: purchase.label,
      pieces: String(purchase.pieces),
      paid: formatMoneyInput(purchase.paidMinor),
      gift_card: formatMoneyInput(purchase.cardMinor),
      paid_by: purchase.paidBy,
      deliver_on: purchase.deliverOn ?? '',
      return_by: purchase.returnBy ?? '',
      returned: String(purchase.returnedPieces),
      refund: formatMoneyInput(purchase.refundMinor),
    }));
  return writeCsvTable(purchaseCsvColumns, rows);
}

interface PurchasesImport {
  readonly faults: readonly CsvFault[];
  readonly goodCount: number;
  readonly outcome: { readonly addedCount: number; readonly repeatedCount: number } | undefined;
}

type ReadPurchase = Omit<
  Purchase,
  'id' | 'roomId' | 'receiptId' | 'expectedMinor' | 'containerId' | 'handNeedId' | 'materialKey'
>;

/**
 * Reads lines of receipts for a room. An item called as on the room's list counts for that line; a row
 * that is here already, by day, shop, item, pieces and sum, is not kept twice. Nothing is kept while a row
 * is faulty, unless the good ones were asked for; a gift card pays no more than is on it here
 * either. @errors `not_found`.
 */
export async function importPurchasesCsv(
  db: Db,
  projectId: ProjectId,
  {
    roomId,
    text,
    acceptGoodRows,
  }: { readonly roomId: RoomId; readonly text: string; readonly acceptGoodRows: boolean },
): Promise<PurchasesImport> {
  const stamp = await stampOf(db, projectId);
  const shopping = await loadRoomShopping(
    db,
    await loadRecords(db, projectId, ...shoppingNames),
    roomId,
  );
  const table = readCsvTable(text, purchaseCsvColumns, ['day', 'shop', 'item', 'paid']);
  const faults: CsvFault[] = [...table.faults];
  const good = table.rows.flatMap(({ line, row }) => {
    const before = faults.length;
    const read = readRow(
      row,
      (column, expected) =>
        void faults.push({ line, column, code: 'unreadable', found: row[column], expected }),
    );
    return read && faults.length === before ? [{ line, purchase: read }] : [];
  });
  const keyOf = (
    purchase: Pick<Purchase, 'boughtAt' | 'shopName' | 'label' | 'pieces' | 'paidMinor'>,
  ): string =>
    [
      dayOf(purchase.boughtAt),
      purchase.shopName.toLowerCase(),
      purchase.label.toLowerCase(),
      purchase.pieces,
      purchase.paidMinor,
    ].join('\u0000');
  const here = new Set(shopping.purchases.map(keyOf));
  const cardLeft = new Map(
    shopping.shops.map((shop) => [shop.name.toLowerCase(), cardLeftMinorOf(shop, shopping)]),
  );
  const fresh = good
    .filter(({ purchase }) => !here.has(keyOf(purchase)))
    .flatMap(({ line, purchase }) => {
      const shopName = purchase.shopName.toLowerCase();
      const leftMinor = cardLeft.get(shopName) ?? 0;
      if (purchase.cardMinor > leftMinor) {
        faults.push({
          line,
          column: 'gift_card',
          code: 'unreadable',
          found: formatMoneyInput(purchase.cardMinor),
          expected: `at most the ${formatMoneyInput(leftMinor)} left on the cards of this shop`,
        });
        return [];
      }
      cardLeft.set(shopName, leftMinor - purchase.cardMinor);
      return [purchase];
    });
  const repeatedCount = good.filter(({ purchase }) => here.has(keyOf(purchase))).length;
  const goodCount = fresh.length + repeatedCount;
  if ((faults.length > 0 && !acceptGoodRows) || goodCount === 0)
    return { faults, goodCount, outcome: undefined };
  await recordChange(
    db,
    { projectId, deed: { code: 'purchases_read', count: fresh.length }, now: nowIso() },
    async (writer, trx) => {
      await requireUnchanged(trx, projectId, stamp);
      for (const purchase of fresh)
        await writer.insert(purchaseRecord, {
          ...purchase,
          ...lineOf(shopping, purchase.label),
          id: purchaseIdSchema.parse(createId()),
          roomId,
          receiptId: null,
          expectedMinor: null,
        });
    },
  );
  return { faults, goodCount, outcome: { addedCount: fresh.length, repeatedCount } };
}

/** The line of the list that is called so. */
function lineOf(
  shopping: RoomShopping,
  label: string,
): Pick<Purchase, 'containerId' | 'handNeedId' | 'materialKey'> {
  const isSame = (name: string) => name.toLowerCase() === label.toLowerCase();
  const container = listNeeds(shopping).find((need) => isSame(need.container.name))?.container;
  const byHand = container ? undefined : shopping.handNeeds.find(({ name }) => isSame(name));
  const material =
    (container ?? byHand) ? undefined : shopping.materialNeeds.find(({ name }) => isSame(name));
  return {
    containerId: container?.id ?? null,
    handNeedId: byHand?.id ?? null,
    materialKey: material?.key ?? null,
  };
}

const DAY = /^\d{4}-\d{2}-\d{2}$/;
const isDay = (text: string): boolean =>
  DAY.test(text) &&
  !Number.isNaN(Date.parse(text)) &&
  new Date(`${text}T00:00:00Z`).toISOString().startsWith(text);
const MOST_PIECES = 100_000;

function readRow(
  row: CsvRow,
  fault: (column: Column, expected: string) => void,
): ReadPurchase | undefined {
  const money = (column: 'paid' | 'gift_card' | 'refund'): number => {
    if (row[column] === '' && column !== 'paid') return 0;
    const read = parseMoney(row[column]);
    if (read.ok) return read.value;
    fault(column, 'a sum, such as 4.50');
    return 0;
  };
  const pieces = (column: 'pieces' | 'returned', usual: number): number => {
    const value = row[column] === '' ? usual : Number(row[column]);
    if (Number.isInteger(value) && value >= 0 && value <= MOST_PIECES) return value;
    fault(column, 'a whole number of pieces');
    return usual;
  };
  if (!isDay(row.day)) fault('day', 'a day, such as 2026-11-20');
  if (row.shop === '' || row.shop.length > 80) fault('shop', 'the shop, in at most 80 letters');
  if (row.item === '' || row.item.length > 120) fault('item', 'what it is, in at most 120 letters');
  for (const column of ['deliver_on', 'return_by'] as const)
    if (row[column] !== '' && !isDay(row[column]))
      fault(column, 'a day, such as 2026-12-20, or nothing');
  if (row.paid_by.length > 40) fault('paid_by', 'at most 40 letters');
  const [paidMinor, cardMinor, refundMinor] = [money('paid'), money('gift_card'), money('refund')];
  const [bought, returned] = [pieces('pieces', 1), pieces('returned', 0)];
  if (cardMinor > paidMinor) fault('gift_card', 'no more than was paid');
  if (refundMinor > paidMinor) fault('refund', 'no more than was paid');
  if (returned > bought) fault('returned', `at most the ${bought} that were bought`);
  if (!isDay(row.day)) return undefined;
  return {
    shopName: row.shop,
    label: row.item,
    pieces: bought,
    paidMinor,
    cardMinor,
    refundMinor,
    returnedPieces: returned,
    // Noon, so that the day is the same on every side of the clock.
    boughtAt: new Date(`${row.day}T12:00:00`).toISOString(),
    deliverOn: row.deliver_on === '' ? null : row.deliver_on,
    returnBy: row.return_by === '' ? null : row.return_by,
    paidBy: row.paid_by,
  };
}
