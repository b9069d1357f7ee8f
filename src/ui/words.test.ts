import { fitLabel } from '@/core/shared';
import { widestGap } from './fit/widestGap';
import { toShopLists } from './shop/toShopLists';
import { readyWords } from './shell/stepWords';
import { shopRequestSchema, type ShopAnswer } from '@/core/shop';
import { traitsOf, verdicts } from '@/core/sort';
import { cautionWords } from './sort/sortWords';
import { fromWords, layOutErrorWords } from './look/lookWords';
import { lengthErrorWords } from './home/homeWords';
import { nextStepWords, stepStatus } from './shell/stepWords';
import { placeWarningWords } from './place/placeWords';

test('spots read well after “from”, however they are named', () => {
  expect(
    nextStepWords({ step: 'look', code: 'take_before', vantagePointName: 'from the door' }),
  ).toBe('Photograph “before” from the door');
  expect(fromWords('window seat')).toBe('from window seat');
  expect(fromWords('From the stairs')).toBe('from the stairs');
});

test('one is not said like many', () => {
  expect(nextStepWords({ step: 'place', code: 'place_groups', count: 1, firstName: 'Hats' })).toBe(
    'Find a place for Hats',
  );
  expect(nextStepWords({ step: 'place', code: 'place_groups', count: 2, firstName: 'Hats' })).toBe(
    'Find places for Hats and 1 other group',
  );
  expect(nextStepWords({ step: 'shop', code: 'buy', lines: 1 })).toBe(
    'Buy what is on the list, 1 line',
  );
});

test('no key stands for two verdicts, and none for finding or typing', () => {
  const keys = verdicts.map((verdict) => traitsOf(verdict).key);
  expect(new Set(keys).size).toBe(keys.length);
  for (const taken of ['F', 'T', 'Z', 'Y']) expect(keys).not.toContain(taken);
});

test('a divider tells the first gap of its step, or that it is done', () => {
  const progress = {
    next: [{ step: 'sort' as const, code: 'ask_client' as const, count: 2 }],
    doneSteps: ['look' as const],
    doneRatio: 0.1,
  };
  expect(stepStatus('sort', progress)).toEqual({ word: '2 to ask', isMissing: true });
  expect(stepStatus('look', progress)).toEqual({ word: 'done', isMissing: false });
  expect(stepStatus('show', progress)).toEqual({ word: '', isMissing: false });
});

test('faults are said with their measures, in the household’s unit', () => {
  expect(
    layOutErrorWords(
      { code: 'bay_deeper_than_unit', bayId: 'b' as never, bayMm: 406.4, unitMm: 381 },
      'in',
      () => 'Shelf 1',
    ),
  ).toBe('Shelf 1 is 16" deep inside, the unit is 15" outside');
  expect(lengthErrorWords({ code: 'length_comma_ambiguous', atIndex: 1 })).toContain(
    '1250 or 1.25',
  );
  expect(placeWarningWords({ code: 'out_of_reach', personNames: ['Ida', 'Alf'] })).toBe(
    'used daily, and out of reach for Ida and Alf',
  );
});

test('no caution names a dose, a product or a promise; each says what to do', () => {
  for (const words of Object.values(cautionWords)) expect(words).toMatch(/^[A-Z].{30,}[.]$/);
});

test.each([
  [{ readyBy: '2026-12-12', status: 'active' as const }, 'ready by 12 Dec · 18 days'],
  [{ readyBy: '2026-11-25', status: 'active' as const }, 'ready by 25 Nov · tomorrow'],
  [{ readyBy: '2026-11-24', status: 'active' as const }, 'ready by 24 Nov · today'],
  [{ readyBy: '2026-11-20', status: 'active' as const }, 'ready by 20 Nov · 4 days over'],
  [{ readyBy: null, status: 'active' as const }, 'no date set'],
  [{ readyBy: '2026-11-20', status: 'finished' as const }, 'finished'],
])('%j reads %j', (project, words) =>
  expect(readyWords(project, new Date('2026-11-24T10:00:00'))).toBe(words),
);

test('no label is wider than its shape, and none is cut to a stump', () => {
  expect(fitLabel('Scarves & hats', 200, 13)).toBe('Scarves & hats');
  expect(fitLabel('Scarves & hats', 70, 13)).toBe('Scarves…');
  expect(fitLabel('Scarves & hats', 20, 13)).toBe('');
});

test('a shop’s list has its packs, what is left over, and its delivery', () => {
  const request = shopRequestSchema.parse({
    needs: [{ id: 'tray', name: 'Tray', qty: 5, priority: 'must' }],
    shops: [{ id: 's', name: 'Shop', deliveryMinor: 495 }],
    offers: [
      { id: 'o3', shopId: 's', needId: 'tray', packSize: 3, priceMinor: 900 },
      { id: 'o1', shopId: 's', needId: 'tray', packSize: 1, priceMinor: 400 },
    ],
    budgetMinor: 9000,
  });
  const answer: ShopAnswer = {
    status: 'optimal',
    objective: 2295,
    bound: 2295,
    elapsedMs: 1,
    buys: [{ offerId: 'o3', packs: 2 }],
    met: [{ needId: 'tray', qty: 5, short: 0 }],
    payMinor: 2295,
    perShop: [
      { shopId: 's', goodsMinor: 1800, deliveryMinor: 495, creditMinor: 0, payMinor: 2295 },
    ],
    leftovers: [{ needId: 'tray', qty: 1 }],
    dropped: [],
    reasons: [],
  };
  expect(
    toShopLists(request, answer, { offers: [], materialNeeds: [], cardLeftOf: () => 200 }),
  ).toEqual([
    {
      shopId: 's',
      shopName: 'Shop',
      payMinor: 2295,
      cardLeftMinor: 200,
      lines: [
        {
          key: 'o3',
          needId: 'tray',
          containerId: 'tray',
          handNeedId: null,
          materialKey: null,
          aisle: '',
          checkedAt: null,
          label: 'Tray',
          packs: '2 packs of 3, 1 more than needed',
          pieces: 6,
          priceMinor: 1800,
        },
        {
          key: 'delivery-s',
          needId: null,
          containerId: null,
          handNeedId: null,
          materialKey: null,
          aisle: '',
          checkedAt: null,
          label: 'Delivery',
          packs: 'once for this list',
          pieces: 0,
          priceMinor: 495,
        },
      ],
    },
  ]);
});

test.each([
  [[], { from: 0, to: 1 }],
  [[{ from: 0, to: 0.3 }], { from: 0.3, to: 1 }],
  [
    [
      { from: 0.2, to: 0.4 },
      { from: 0.9, to: 2 },
    ],
    { from: 0.4, to: 0.9 },
  ],
  [[{ from: -1, to: 2 }], { from: 0, to: 0 }],
  [
    [
      { from: 0, to: 0.5 },
      { from: 0.4, to: 1 },
    ],
    { from: 0, to: 0 },
  ],
])('a label goes where nothing hides it: %j', (covers, seen) =>
  expect(widestGap({ from: 0, to: 1 }, covers)).toEqual(seen),
);
