import {
  AppRouterContext,
  type AppRouterInstance,
} from 'next/dist/shared/lib/app-router-context.shared-runtime';
import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';

import type { ArrangementJudgement, BentRule, KeptItem, ZonesReason } from '@/core/place';
import {
  bentWords,
  gapWords,
  minutesWords,
  movesReasonWords,
  schoolNotes,
  zonesReasonWords,
} from './placeWords';
import { CompareView, type CompareSide } from './CompareView';
import { MoveLine, stopWords } from './MoveLine';

/** What a reader sees: the markup without its tags. */
const textOf = (node: ReactNode): string =>
  renderToStaticMarkup(
    <AppRouterContext.Provider value={{} as AppRouterInstance}>{node}</AppRouterContext.Provider>,
  )
    .replace(/<(?:td|li|tr|option|p|span|label|button|h2)[^>]*>/g, '|')
    .replace(/<[^>]+>/g, '');

test.each([
  [0, '0 s'],
  [59.4, '59 s'],
  [59.6, '1.0 min'],
  [252, '4.2 min'],
  [2900, '48 min'],
])('%d s a week are said as %s', (seconds, words) => expect(minutesWords(seconds)).toBe(words));

test.each([
  [100, 100, 'no arrangement takes less, that is proven'],
  [100, 99.95, 'at most 0.1 % from the best possible'],
  [100, 96.2, 'at most 4 % from the best possible'],
])('%d against a bound of %d', (objective, bound, words) =>
  expect(gapWords(objective, bound)).toBe(words),
);

const naming = {
  bay: (id: string) => ({ top: 'Shelf $1' })[id] ?? id,
  group: (id: string) => ({ tent: 'Tent' })[id] ?? id,
  unit: 'in',
} as const;
test.each<[ZonesReason, string]>([
  [
    {
      code: 'larger_than_every_bay',
      subject: 'tent',
      litres: 80,
      largestBayId: 'top',
      largestLitres: 50,
      keptToBays: 2,
    },
    'Tent needs 80 l; the largest place, Shelf $1, holds 50 l. It is kept to 2 of the places.',
  ],
  [
    {
      code: 'pin_breaks_rule',
      subject: 'tent',
      bayId: 'top',
      broken: [
        { rule: 'load', massG: 9000, bearsG: 4000 },
        { rule: 'hazard', safeFromMm: 1524 },
        { rule: 'avoid', traits: ['moist', 'light'] },
      ],
    },
    'Tent is pinned to Shelf $1, but it weighs 9 kg and the place bears 4 kg, and it is ' +
      'dangerous, a child lives here, and the place is neither locked nor 60" high, and it must ' +
      'be kept from what is damp or light.',
  ],
])('a reason names groups and places, in the household’s unit: %j', (reason, words) =>
  expect(zonesReasonWords(reason, naming)).toBe(words),
);

test('a place that is planned too full is named with its litres', () =>
  expect(
    movesReasonWords(
      { code: 'bay_too_small', subject: 'top', needLitres: 30, hasLitres: 20 },
      'Shelf 1',
    ),
  ).toBe('What is planned for Shelf 1 needs 30 l, it holds 20 l: 10 l too much.'));

test('a school that changes the sums says by how much, and one that does not says nothing', () => {
  expect(schoolNotes({})[0]).toContain('0.2 s a kilogram');
  expect(schoolNotes({ weight: 'by-use', grouping: 'kind', living: 'nearest' })).toEqual([]);
  expect(schoolNotes({ grouping: 'person', living: 'together' })[0]).toContain('counts 9 s a week');
  expect(schoolNotes({ weight: 'by-use', grouping: 'frequency', living: 'together' })).toHaveLength(
    2,
  );
});

const groups = [
  { id: 'food', name: 'Dry food' },
  { id: 'bleach', name: 'Bleach' },
];
test.each<[BentRule['code'], RegExp]>([
  ['litres', /holds/],
  ['load', /bears/],
  ['hazard', /child/],
  ['avoid', /damp/],
  ['self_serve', /reaches/],
  ['step', /climb/],
  ['breaks', /too high/],
  ['pin', /pinned/],
  ['fragile_high', /high/],
  ['apart', /^chemicals never beside food: Dry food$/],
])('the rule %s is said in words', (code, words) =>
  expect(
    bentWords(
      {
        code,
        groupId: 'bleach',
        otherId: 'food',
        bayId: 'b',
        why: 'chemicals never beside food',
      } as BentRule,
      groups,
    ),
  ).toMatch(words),
);

test('the ends of a move are named, and a place that is gone is said to be', () => {
  const bays = [{ id: 'b', name: 'Shelf' }];
  expect(
    [null, 'basket', 'b', 'x'].map((id) => stopWords(id, { bays, outside: 'the tray' })),
  ).toEqual(['the tray', 'a basket', 'Shelf', 'a place that is gone']);
});

const judged = (change: Partial<ArrangementJudgement>): ArrangementJudgement => ({
  secondsPerWeek: 300,
  metresPerWeek: 120,
  bendsPerWeek: 9,
  stretchesPerWeek: 0,
  pairSecondsPerWeek: 0,
  unplacedIds: [],
  elsewhereIds: [],
  outOfReach: [],
  fullBayIds: [],
  halfEmptyBayIds: [],
  overfull: [],
  bent: [],
  ...change,
});
const slips = [
  { ref: 'today', name: 'As it is today', isChosen: false },
  { ref: 'd1', name: 'Like with like', isChosen: true },
  { ref: 'd2', name: 'By person', isChosen: false },
];
const compare = (sides: readonly [CompareSide, CompareSide]) =>
  textOf(
    <CompareView
      slips={slips}
      sides={sides}
      drawings={[]}
      changes={[{ groupId: 'food', fromBayId: null, toBayId: 'b', secondsPerWeek: undefined }]}
      groups={groups}
      people={[{ id: 'ida', name: 'Ida' }]}
      bayNames={{ b: 'Shelf' }}
      notes={[]}
      onChoose={() => Promise.resolve({ ok: true, value: undefined })}
    />,
  );

test('two arrangements stand side by side, point by point, with what moves between them', () => {
  const text = compare([
    {
      ref: 'today',
      judged: judged({ outOfReach: [{ groupId: 'food', personId: 'ida' }], unplacedIds: ['food'] }),
      awayIds: [],
    },
    { ref: 'd2', judged: judged({ metresPerWeek: 80, fullBayIds: ['b'] }), awayIds: [] },
  ]);
  expect(text).toContain('Walked a week|120 m|80 m');
  expect(text).toContain('Needs a step|Dry food (Ida)|none');
  expect(text).toContain('Full places|none|Shelf');
  expect(text).toContain('Dry food from the tray to Shelf');
});

test('an arrangement that is not chosen yet can be chosen; how it is today cannot', () => {
  const text = compare([
    { ref: 'today', judged: judged({}), awayIds: [] },
    { ref: 'd2', judged: judged({}), awayIds: [] },
  ]);
  expect(text).toContain('|Choose By person');
  expect(text).not.toContain('Choose As it is today');
});

test('without people there is nothing to compare, and it is said why', () =>
  expect(
    compare([
      { ref: 'today', judged: undefined, awayIds: [] },
      { ref: 'd1', judged: undefined, awayIds: [] },
    ]),
  ).toContain('Add the people of the household first'));

const move: KeptItem = {
  kind: 'move',
  groupId: 'food' as never,
  from: 'b',
  to: 'basket',
  carryCount: 3,
  doneAt: null,
};
const line = (change: Partial<Parameters<typeof MoveLine>[0]>) => (
  <MoveLine
    item={move}
    number={1}
    isNext
    isBusy={false}
    isLocked={false}
    cleaningWord="wiped"
    group={{
      id: 'food',
      name: 'Dry food',
      litres: 60,
      massG: 31_000,
      standsBayId: 'b',
      bayId: 'c',
      isOwn: true,
    }}
    bays={[{ id: 'b', name: 'Shelf' }]}
    onTick={() => undefined}
    onDeviate={() => undefined}
    {...change}
  />
);

test('a move says what, from where to where, and how often one walks', () => {
  const markup = renderToStaticMarkup(line({}));
  expect(markup).toContain('aria-label="Dry food, from Shelf to a basket"');
  expect(textOf(line({}))).toMatch(/60 l · 31 kg · 3 carries/);
  expect(textOf(line({ item: { kind: 'clean', bayId: 'b' as never, doneAt: null } }))).toContain(
    'Shelf is empty: it is wiped',
  );
});

test('a line whose group has an open line before it cannot be ticked yet, and a done one is no longer elsewhere', () => {
  expect(renderToStaticMarkup(line({ isLocked: true }))).toContain('disabled=""');
  expect(renderToStaticMarkup(line({}))).not.toContain('disabled=""');
  expect(textOf(line({ item: { ...move, doneAt: '2026-11-07T08:00:00.000Z' } }))).not.toContain(
    'it is elsewhere',
  );
});
