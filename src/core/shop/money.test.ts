import fc from 'fast-check';

import { HALL, mm } from '@test/builders';
import {
  approvalStateOf,
  fixingNeedsOf,
  needIdOf,
  paintNeedOf,
  priceLines,
  purchaseSchema,
  sumPayers,
  sumRoom,
  sumRooms,
  tapeNeedOf,
  type Approval,
  type Paint,
  type Purchase,
} from '.';

const purchase = (id: string, change: Partial<Purchase>): Purchase => ({
  ...purchaseSchema.parse({
    id,
    roomId: HALL,
    containerId: null,
    shopName: 'Shop',
    label: 'x',
    pieces: 2,
    paidMinor: 100,
    boughtAt: '2026-11-06T10:00:00.000Z',
  }),
  ...change,
});
const approval = (needId: string, lineMinor: number | null): Approval => ({
  id: `${HALL}_${needId}`,
  roomId: HALL,
  needId,
  lineMinor,
  approvedAt: '2026-11-06T10:00:00.000Z',
});
const paint = (change: Partial<Paint> = {}): Paint => ({
  surfaces: [{ name: 'Back', width: mm(1000), height: mm(2500), qty: 2 }],
  coats: 2,
  squareMetresPerLitre: 10,
  canLitres: 0.5,
  priceMinor: 900,
  dryHours: 6,
  cureDays: 1,
  ...change,
});

test('paint is area times coats over what a litre covers, in whole cans, and carries when it has cured', () => {
  expect(paintNeedOf(paint())).toEqual({
    squareMetres: 5,
    litres: 1,
    cans: 2,
    dryAfterHours: 12,
    loadAfterHours: 36,
  });
  expect(paintNeedOf(paint({ canLitres: 0.49 })).cans).toBe(3);
  expect(paintNeedOf(paint({ surfaces: [] }))).toMatchObject({ cans: 0, loadAfterHours: 0 });
});

test('one coat more never takes less paint or time', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 5 }),
      fc.integer({ min: 1, max: 4000 }),
      (coats, width) => {
        const surfaces = [{ name: 'Side', width: mm(width), height: mm(800), qty: 3 }];
        const [fewer, more] = [
          paintNeedOf(paint({ coats, surfaces })),
          paintNeedOf(paint({ coats: coats + 1, surfaces })),
        ];
        expect(more.cans).toBeGreaterThanOrEqual(fewer.cans);
        expect(more.litres).toBeGreaterThan(fewer.litres);
        expect(more.loadAfterHours).toBeGreaterThan(fewer.loadAfterHours);
      },
    ),
  ));

test('tape goes by letters and margins; spare labels are as long as the longest; no container, no tape', () => {
  const tape = { letter: mm(10), cassette: mm(100), spareCount: 1 };
  expect(tapeNeedOf(tape, ['Hats', 'Bag'])).toEqual({
    labelCount: 3,
    lengthMm: 44 + 35.5 + 44,
    cassettes: 2,
  });
  expect(tapeNeedOf(tape, [])).toEqual({ labelCount: 0, lengthMm: 0, cassettes: 0 });
});

test('fixings are counted by what the wall is made of', () =>
  expect(
    fixingNeedsOf({
      rows: [
        { name: 'a', things: 2, each: 3, wall: 'timber' },
        { name: 'b', things: 1, each: 2, wall: 'brick' },
        { name: 'c', things: 1, each: 4, wall: 'timber' },
        { name: 'd', things: 0, each: 9, wall: 'board' },
      ],
      packs: [],
    }),
  ).toEqual([
    { wall: 'brick', qty: 2 },
    { wall: 'timber', qty: 10 },
  ]));

test('a line comes to what was paid for it, less what came back, and what is still to buy', () => {
  const needs = ['tray', 'hooks', 'material-paint'].map((id) => ({
    id,
    name: id,
    qty: 4,
    priority: 'must' as const,
    value: 1,
  }));
  const offers = [
    { id: 'o1', shopId: 's', needId: 'tray', packSize: 2, priceMinor: 500 },
    { id: 'o2', shopId: 's', needIds: ['hooks'], packSize: 1, priceMinor: 70 },
  ];
  const purchases = [
    purchase('p1', {
      containerId: 'tray' as Purchase['containerId'],
      paidMinor: 520,
      refundMinor: 20,
    }),
    purchase('p2', { materialKey: 'paint', paidMinor: 900 }),
    purchase('p3', { paidMinor: 495 }),
  ];
  expect(purchases.map(needIdOf)).toEqual(['tray', 'material-paint', undefined]);
  expect(
    priceLines(
      { needs, offers },
      {
        buys: [
          { offerId: 'o1', packs: 1 },
          { offerId: 'o2', packs: 4 },
        ],
      },
      purchases,
    ).map(({ lineMinor }) => lineMinor),
  ).toEqual([1000, 280, 900]);
});

test('a yes covers the line up to what it came to; one from before prices were kept covers any', () => {
  expect(approvalStateOf(undefined, 5)).toEqual({ is: 'open' });
  expect(approvalStateOf(approval('a', 500), 500)).toEqual({ is: 'approved' });
  expect(approvalStateOf(approval('a', 500), 501)).toEqual({ is: 'dearer', approvedMinor: 500 });
  expect(approvalStateOf(approval('a', null), 1e6)).toEqual({ is: 'approved' });
});

test('rooms add up to the home, and of a dearer line only what was agreed is approved', () => {
  const purchases = [
    purchase('p1', { paidMinor: 1000, cardMinor: 300, refundMinor: 200, paidBy: 'us' }),
    purchase('p2', { paidMinor: 400, paidBy: 'the client' }),
  ];
  const sums = sumRoom({
    shareMinor: 2000,
    openMinor: 600,
    lines: [
      { needId: 'a', lineMinor: 900, cardMinor: 0 },
      { needId: 'b', lineMinor: 400, cardMinor: 0 },
      { needId: 'c', lineMinor: 10, cardMinor: 0 },
    ],
    approvals: [approval('a', 500), approval('b', 400)],
    purchases,
  });
  expect(sums).toEqual({
    shareMinor: 2000,
    plannedMinor: 1500,
    approvedMinor: 900,
    boughtMinor: 1400,
    cardMinor: 300,
    returnedMinor: 200,
    leftMinor: 500,
  });
  expect(sumRooms([sums, sums], 2500)).toEqual({
    shareMinor: 2500,
    plannedMinor: 3000,
    approvedMinor: 1800,
    boughtMinor: 2800,
    cardMinor: 600,
    returnedMinor: 400,
    leftMinor: -500,
  });
  expect(sumPayers(purchases)).toEqual([
    { paidBy: 'us', minor: 500 },
    { paidBy: 'the client', minor: 400 },
  ]);
});

test('what gift cards pay is neither planned nor approved, however the yes was given', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          paidMinor: fc.nat(2000),
          card: fc.nat(100),
          refund: fc.nat(100),
          agreed: fc.option(fc.nat(2500)),
        }),
        { maxLength: 5 },
      ),
      fc.nat(500),
      (entries, openMinor) => {
        const purchases = entries.map(({ paidMinor, card, refund }, i) =>
          purchase(`p${i}`, {
            containerId: `c${i}` as Purchase['containerId'],
            paidMinor,
            cardMinor: Math.round((paidMinor * card) / 100),
            refundMinor: Math.round((paidMinor * refund) / 100),
          }),
        );
        const lines = priceLines(
          {
            needs: entries.map((_, i) => ({
              id: `c${i}`,
              name: '',
              qty: 1,
              priority: 'must' as const,
              value: 1,
            })),
            offers: [],
          },
          { buys: [] },
          purchases,
        );
        const sums = sumRoom({
          shareMinor: 0,
          openMinor,
          lines,
          approvals: entries.map(({ agreed }, i) => approval(`c${i}`, agreed)),
          purchases,
        });
        expect(sums.approvedMinor).toBeLessThanOrEqual(sums.plannedMinor);
        if (entries.every(({ agreed }) => agreed === null))
          expect(sums.approvedMinor).toBe(sums.plannedMinor - openMinor);
      },
    ),
  ));
