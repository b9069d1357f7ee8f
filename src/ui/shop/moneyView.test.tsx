import { renderToStaticMarkup } from 'react-dom/server';

import { insideTipWords } from '../fit/InsideTips';
import { MoneyView } from './MoneyView';

const sums = {
  shareMinor: 10_000,
  plannedMinor: 4000,
  approvedMinor: 2000,
  boughtMinor: 1500,
  cardMinor: 500,
  returnedMinor: 0,
  leftMinor: 6000,
};
const fee = { hoursWords: '7.5 h', soFarMinor: 28_500, likelyMinor: 100_000, highMinor: 140_000 };
const view = (change: Partial<Parameters<typeof MoneyView>[0]>) =>
  renderToStaticMarkup(
    <MoneyView
      soldMinor={0}
      rooms={[{ name: 'Hall', href: '/hall', sums, isShort: false }]}
      home={{ ...sums, shareMinor: 12_000, leftMinor: 8000 }}
      payers={[]}
      cards={[]}
      fee={fee}
      currency="GBP"
      {...change}
    />,
  )
    .replace(/<[^>]+>/g, ' ')
    .replace(/\s+/g, ' ');

test('what is given to no room is told, and nothing is a dash', () => {
  expect(view({})).toContain('£20.00 of the budget is given to no room yet.');
  expect(view({})).toContain('£5.00 – £60.00');
  expect(view({})).toContain('Nothing is bought yet.');
});

test('shares beyond the budget, a room beyond its share and a list that is not to be had are said in words', () => {
  const text = view({
    rooms: [
      {
        name: 'Hall',
        href: '/hall',
        sums: { ...sums, shareMinor: 15_000, plannedMinor: 16_000, leftMinor: -1000 },
        isShort: true,
      },
    ],
    payers: [
      { paidBy: '', minor: 700 },
      { paidBy: 'us', minor: 300 },
    ],
    cards: [{ shopName: 'Corner', onCardsMinor: 1500, leftMinor: 1000 }],
  });
  expect(text).toContain('£30.00 more than the budget.');
  expect(text).toContain('£10.00 over');
  expect(text).toContain('not to be had within its share');
  expect(text).toContain('nobody has said £7.00');
  expect(text).toContain('Corner, of £15.00 £10.00 left');
});

test('the fee stands apart from every sum of the budget', () => {
  expect(view({})).toContain('7.5 h so far £285.00');
  expect(view({}).match(/£285\.00/g)).toHaveLength(1);
});

test.each([
  [
    { code: 'air_above' as const, freeMm: 250, names: ['Low riser'] },
    '250 mm of air above what stands here: a riser or a second level uses it. Goes in: Low riser.',
  ],
  [
    { code: 'under_frame' as const, frameMm: 90, insideMm: 120, mostMm: 90 },
    'The frame is lower than the inside: nothing above 90 mm passes, though it is 120 mm inside.',
  ],
  [
    { code: 'damp' as const, leftOut: 1 },
    'Damp: no card, wicker, fabric or raw wood; 1 container is left out for it.',
  ],
  [
    { code: 'pictures' as const, personNames: ['Ida', 'Alf'] },
    'Ida and Alf go by pictures: label with a picture of what is inside.',
  ],
  [
    {
      code: 'around_pipes' as const,
      labels: ['trap', 'valve'],
      circleMm: 270,
      below: { circleMm: 400, heightMm: 200 },
      names: [],
    },
    'Around the trap and the valve: the largest circle that stays clear to the top is 270 mm across, below it, 200 mm high, 400 mm.',
  ],
])('a place tells what it asks for: %j', (tip, words) =>
  expect(insideTipWords(tip, (mm) => `${mm} mm`)).toBe(words),
);
