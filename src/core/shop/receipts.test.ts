import { HALL, HOME } from '@test/builders';
import { checkReceipt, findLinesOf, purchaseSchema, receiptSchema } from '.';

const purchase = (id: string, change: object = {}) =>
  purchaseSchema.parse({
    id,
    roomId: HALL,
    containerId: null,
    shopName: 'Corner Store',
    label: id,
    pieces: 1,
    paidMinor: 250,
    boughtAt: '2026-11-20T15:00:00.000Z',
    ...change,
  });
const receipt = receiptSchema.parse({
  id: 'slip',
  projectId: HOME,
  shopName: 'corner store',
  boughtOn: '2026-11-20',
  totalMinor: 700,
  pictureId: null,
});
const dayOf = (at: string) => at.slice(0, 10);

test('a receipt takes what was bought there that day, whatever the letters of the shop, and nothing of another slip', () => {
  const lines = [
    purchase('hooks'),
    purchase('tape', { boughtAt: '2026-11-21T09:00:00.000Z' }),
    purchase('nails', { shopName: 'Elsewhere' }),
    purchase('bands', { receiptId: 'other' }),
  ];
  expect(findLinesOf(receipt, lines, dayOf).map(({ id }) => id)).toEqual(['hooks']);
});

test.each([
  [[], 0, 700],
  [
    [
      purchase('a', { receiptId: 'slip' }),
      purchase('b', { receiptId: 'slip', paidMinor: 450, refundMinor: 100, cardMinor: 50 }),
    ],
    700,
    0,
  ],
  [[purchase('a', { receiptId: 'slip', paidMinor: 900 }), purchase('b')], 900, -200],
] as const)(
  'what is noted is told against the sum, cards and refunds left aside: case %#',
  (purchases, notedMinor, missingMinor) =>
    expect(checkReceipt(receipt, purchases)).toMatchObject({ notedMinor, missingMinor }),
);
