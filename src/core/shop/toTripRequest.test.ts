import { shopRequestSchema } from './model';
import { toTripRequest, tripNeedId } from './toTripRequest';

const list = (roomId: string, qty: number, change: object = {}) => ({
  roomId,
  spare: [],
  request: shopRequestSchema.parse({
    needs: [{ id: 'cube', name: 'cube', qty, priority: 'must' }],
    offers: [{ id: 'o', shopId: 's', needId: 'cube', packSize: 2, priceMinor: 500, maxPacks: 3 }],
    shops: [{ id: 's', name: 'shop', deliveryMinor: 300 }],
    credits: [{ shopId: 's', amountMinor: 900 }],
    budgetMinor: 4000,
    ...change,
  }),
});
const cube = (roomId: string) => tripNeedId(roomId, 'cube');

test('what rooms share is there once: the offer, the shop, the card', () => {
  const { request, lacking } = toTripRequest([list('hall', 2), list('attic', 3)], 5000);
  expect(request.offers).toEqual([
    {
      id: 'o',
      shopId: 's',
      packSize: 2,
      priceMinor: 500,
      maxPacks: 3,
      needIds: [cube('hall'), cube('attic')],
    },
  ]);
  expect([request.shops.length, request.credits, request.budgetMinor]).toEqual([
    1,
    [{ shopId: 's', amountMinor: 900 }],
    5000,
  ]);
  expect(request.rooms).toEqual([
    { id: 'hall', budgetMinor: 4000 },
    { id: 'attic', budgetMinor: 4000 },
  ]);
  expect(lacking).toEqual([]);
});

test('of what is scarce the first rooms get theirs, and the rest is named', () => {
  const { request, lacking } = toTripRequest([list('hall', 4), list('attic', 5)], 5000);
  expect(request.needs.map(({ qty }) => qty)).toEqual([4, 2]);
  expect(lacking).toEqual([{ needId: cube('attic'), qty: 3 }]);
});

test('what another room has to spare counts as had', () => {
  const attic = { ...list('attic', 5), spare: [{ needId: 'cube', qty: 2 }] };
  const { request } = toTripRequest([list('hall', 4), attic], 5000);
  expect(request.owned).toEqual([
    { needId: cube('hall'), qty: 0 },
    { needId: cube('attic'), qty: 2 },
  ]);
  expect(request.needs.map(({ qty }) => qty)).toEqual([4, 4]);
});
