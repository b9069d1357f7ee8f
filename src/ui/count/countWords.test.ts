import { aDecision, aGroup } from '@test/builders';
import { createNameMemory, homeCountsOf, shippedRules } from '@/core/count';
import { benchBaseOf, foldDecisions, parseThing } from '@/core/sort';
import { whyWords } from '../place/placeWords';
import { enoughFor, needOfGroup, withDateReason } from '../sort/handFacts';
import { ruleWords } from './countWords';

const household = { people: 4, beds: 3, guestPlaces: 1, washEveryDays: 7 };
const rule = (name: string) => ({
  ...(shippedRules.find((each) => each.name === name) ?? shippedRules[0]!),
  isOff: false,
});

test.each([
  [
    'Bath towels',
    '2 for each of 4 people, 2 for each of 1 guest place: one in use, one in the wash; a guest gets two',
  ],
  [
    'Tea towels',
    '1 a day for 7 days, 2 for the home: a fresh one a day until washday, two to spare',
  ],
])('the rule for %s is a sum that can be followed', (name, words) =>
  expect(ruleWords(rule(name), household)).toBe(words),
);
test('a rule of nothing says so', () =>
  expect(ruleWords({ ...rule('Hats'), perPerson: 0, because: '' }, household)).toBe('none'));

test.each([
  [{ code: 'near_station', facts: { station: 'Kettle', metres: 0.6 } }, 'nearest to Kettle, 0.6 m'],
  [{ code: 'kept_safe', facts: { locked: 'yes' } }, 'locked away, for a child lives here'],
  [
    { code: 'made_room', facts: { wouldBeBayId: 'b', moreSeconds: 4 } },
    'made room on Shelf; costs 4 s a week',
  ],
  [
    { code: 'kept_apart', facts: { wouldBeBayId: 'b', moreSeconds: 4, fromId: 'tea' } },
    'not with Tea on Shelf; costs 4 s a week',
  ],
  [
    { code: 'with_partner', facts: { partnerId: 'tea', partnerMetres: 0.3 } },
    'beside Tea, 0.3 m apart',
  ],
] as const)('%j is said as a person would', (why, words) =>
  expect(
    whyWords({ groupId: 'g', ...why }, { bayNames: { b: 'Shelf' }, groupName: () => 'Tea' }),
  ).toBe(words),
);

const things = foldDecisions([
  aDecision({ id: 'd1', thingId: 't1', name: 'hat', count: 3, litres: 3, groupId: 'hats' }),
  aDecision({
    id: 'd2',
    thingId: 't2',
    name: 'hats, torn',
    count: 2,
    litres: 4,
    reasons: ['worn_out'],
    groupId: 'hats',
  }),
  aDecision({ id: 'd3', thingId: 't3', name: 'hat', count: 9, verdict: 'donate', groupId: 'hats' }),
]);
const closed = foldDecisions([
  aDecision({ id: 'd4', thingId: 't4', name: 'caps', count: 5, litres: 5, groupId: 'hats' }),
  aDecision({
    id: 'd5',
    thingId: 't5',
    name: 'knitted hats',
    count: 4,
    roomId: 'attic',
    groupId: 'loft',
  }),
]);

test('all of a group and the best of it: open things, closed ones as a heap, and what is in hand', () => {
  const group = aGroup();
  const parsed = parseThing('2 hats', { groups: [], things: [] });
  const need = needOfGroup(group.id, {
    things,
    base: benchBaseOf(closed.filter(({ roomId }) => roomId === group.roomId)),
    inHand: parsed && { ...parsed, litres: 2, groupId: group.id },
  });
  expect(need.pieces).toBe(12);
  expect(need.litresOfBest(Infinity)).toBe(14);
  // The torn ones are let go first, so that the best ten are without them.
  expect(need.litresOfBest(10)).toBe(10);
});

test('the second opinion counts the whole home, once each, and names the other rooms', () => {
  const memory = createNameMemory();
  const home = homeCountsOf(closed, shippedRules, memory);
  expect(homeCountsOf(closed, shippedRules, memory)).toEqual(home);
  const known = enoughFor('wool hat', {
    things,
    home,
    enough: { rules: shippedRules, household },
    roomId: aGroup().roomId,
  });
  expect(known).toEqual({
    keptCount: 3 + 2 + 5 + 4,
    enoughCount: 8,
    elsewhere: [{ roomId: 'attic', count: 4 }],
  });
  expect(
    enoughFor('frob', {
      things,
      home,
      enough: { rules: shippedRules, household },
      roomId: aGroup().roomId,
    }),
  ).toMatchObject({ keptCount: undefined, enoughCount: undefined, elsewhere: [] });
});

test('a day that has passed is a reason by itself, said once', () => {
  const parsed = parseThing('tablets, expired, use by 10/26', { groups: [], things: [] });
  expect(withDateReason(parsed, '2026-11-25')?.reasons).toEqual(['out_of_date']);
  const silent = parseThing('tablets dated 2026-10-31', { groups: [], things: [] });
  expect([
    withDateReason(silent, '2026-11-25')?.reasons,
    withDateReason(silent, '2026-10-01')?.reasons,
  ]).toEqual([['out_of_date'], []]);
});
