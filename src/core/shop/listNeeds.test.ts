import { HALL, HOME, mm } from '@test/builders';
import { containerProductSchema, takenFitSchema } from '../fit';
import {
  findUnitPriceMinor,
  handNeedSchema,
  listNeeds,
  offerSchema,
  purchaseSchema,
  shopSchema,
  spentMinorOf,
  toShopRequest,
  type RoomShopping,
} from '.';

const container = (id: string, owned?: number) =>
  containerProductSchema.parse({
    id,
    projectId: owned === undefined ? null : HOME,
    name: id,
    kind: 'box',
    width: mm(100),
    depth: mm(100),
    height: mm(100),
    innerLitres: 1,
    innerHeightMm: 90,
    innerWidthMm: null,
    shape: 'box',
    lid: false,
    clear: false,
    material: 'plastic',
    stackable: false,
    maxStack: null,
    tareG: 0,
    maxLoadG: null,
    turnable: true,
    ownedCount: owned ?? null,
  });
const fit = (bayId: string, ids: readonly string[]) =>
  takenFitSchema.parse({
    bayId,
    prefer: 'cost',
    takenAt: '2026-11-06T10:00:00.000Z',
    answer: {
      status: 'optimal',
      objective: 0,
      bound: 0,
      elapsedMs: 1,
      costMinor: 0,
      usedLitres: 0,
      freeLitres: 0,
      unmet: [],
      reasons: [],
      placements: ids.map((containerId, i) => ({
        containerId,
        groupId: 'g',
        x: i * 100,
        y: 0,
        z: 0,
        turned: false,
      })),
    },
  });
const purchase = (id: string, containerId: string | null, pieces: number, paidMinor: number) =>
  purchaseSchema.parse({
    id,
    roomId: HALL,
    containerId,
    shopName: 'Shop',
    label: 'x',
    pieces,
    paidMinor,
    boughtAt: '2026-11-06T10:00:00.000Z',
  });
const shop = (id: string, currency: string) =>
  shopSchema.parse({ id, name: id, currency, deliveryMinor: 0, freeOverMinor: null });
const offer = (
  id: string,
  shopId: string,
  containerId: string,
  packSize: number,
  priceMinor: number,
) => offerSchema.parse({ id, shopId, containerId, packSize, priceMinor });

const room = (change: Partial<RoomShopping> = {}): RoomShopping => ({
  fits: [fit('b1', ['tray', 'tray', 'tin']), fit('b2', ['tray'])],
  containers: [container('tray'), container('tin', 1)],
  offers: [
    offer('o1', 'here', 'tray', 3, 900),
    offer('o2', 'abroad', 'tray', 1, 100),
    offer('o3', 'here', 'lamp', 1, 100),
  ],
  shops: [shop('here', 'GBP'), shop('abroad', 'EUR')],
  purchases: [],
  priorities: new Map(),
  handNeeds: [],
  materialNeeds: [],
  giftCards: [],
  shortages: [],
  cardPurchases: [],
  budgetMinor: 2000,
  currency: 'GBP',
  ...change,
});

test('containers of all taken fits are counted, with what is owned', () =>
  expect(
    listNeeds(room()).map((need) => [need.container.id, need.qty, need.hadQty, need.priority]),
  ).toEqual([
    ['tray', 3, 0, 'must'],
    ['tin', 1, 1, 'must'],
  ]));

test('what was bought is there, and more than needed is no debt', () => {
  const needs = listNeeds(
    room({
      purchases: [purchase('p1', 'tray', 6, 1800), purchase('p2', null, 0, 495)],
      priorities: new Map([['tray', 'nice']]),
    }),
  );
  expect(needs[0]).toMatchObject({ qty: 3, hadQty: 3, priority: 'nice' });
});

test('a fit that stands on a container that is gone asks for nothing', () =>
  expect(listNeeds(room({ containers: [] }))).toEqual([]));

test('only offers of these containers at shops of this currency are asked about', () => {
  const request = toShopRequest(room({ purchases: [purchase('p1', null, 0, 495)] }));
  expect(request.offers.map(({ id }) => id)).toEqual(['o1']);
  expect(request.shops.map(({ id }) => id)).toEqual(['here']);
  expect(request).toMatchObject({
    budgetMinor: 1505,
    owned: [
      { needId: 'tray', qty: 0 },
      { needId: 'tin', qty: 1 },
    ],
  });
});

test('a budget that is overspent leaves nothing, not less', () =>
  expect(toShopRequest(room({ purchases: [purchase('p1', 'tray', 3, 2500)] })).budgetMinor).toBe(
    0,
  ));

test('a piece is priced at the best pack in this currency, rounded up', () => {
  const offers = [...room().offers, offer('o4', 'here', 'tray', 7, 1000)];
  expect(findUnitPriceMinor('tray', offers, room().shops, 'GBP')).toBe(143);
  expect(findUnitPriceMinor('tray', offers, room().shops, 'SEK')).toBeUndefined();
  expect(spentMinorOf([purchase('a', null, 0, 495), purchase('b', 'tray', 3, 900)])).toBe(1395);
});

test('things put down by hand and materials stand beside containers, with what is bought of each and no more than is wanted', () => {
  const byHand = handNeedSchema.parse({
    id: 'hooks',
    roomId: HALL,
    name: 'Hooks',
    qty: 5,
    priority: 'must',
    shopId: 'here',
    packSize: 4,
    priceMinor: 300,
  });
  const abroad = handNeedSchema.parse({ ...byHand, id: 'lamp', shopId: 'abroad' });
  const paint = {
    key: 'paint',
    kind: 'paint' as const,
    name: 'Paint',
    qty: 2,
    packSize: 1,
    priceMinor: 900,
    shopId: 'here',
    priority: 'nice' as const,
  };
  const bought = [
    { ...purchase('p1', null, 4, 300), handNeedId: byHand.id },
    { ...purchase('p2', null, 8, 1800), materialKey: 'paint' },
  ];
  const request = toShopRequest(
    room({ fits: [], handNeeds: [byHand, abroad], materialNeeds: [paint], purchases: bought }),
  );
  expect(request.needs.map(({ id, qty, priority }) => [id, qty, priority])).toEqual([
    ['hooks', 5, 'must'],
    ['material-paint', 2, 'nice'],
  ]);
  expect(request.owned).toEqual([
    { needId: 'hooks', qty: 4 },
    { needId: 'material-paint', qty: 2 },
  ]);
  expect(
    request.offers.map(({ needId, packSize, priceMinor }) => [needId, packSize, priceMinor]),
  ).toEqual([
    ['hooks', 4, 300],
    ['material-paint', 1, 900],
  ]);
});
