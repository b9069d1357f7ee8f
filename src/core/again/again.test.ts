import fc from 'fast-check';

import { aBay, aGroup, aUnit } from '@test/builders';
import { usableLitresOf } from '../look';
import { purchaseSchema } from '../shop';
import { usualPlacing } from '../sort';
import {
  cameBack,
  compareRounds,
  compareShares,
  effectOf,
  findingKey,
  findingsOfTests,
  findingsOfWalk,
  homeFindings,
  mendingsOf,
  planReviews,
  putAwayTestSchema,
  reviewSchema,
  scoreOfAll,
  scoresByGroup,
  scoresByPerson,
  shareOf,
  soughtIn,
} from '.';

const cases = fc
  .integer({ min: 1, max: 60 })
  .chain((of) => fc.tuple(fc.integer({ min: 0, max: of }), fc.constant(of)));

test('a share lies within its interval, which narrows with more cases and turns with the question', () => {
  fc.assert(
    fc.property(cases, ([hits, of]) => {
      const few = shareOf(hits, of);
      expect(0 <= few.low && few.low <= few.share && few.share <= few.high && few.high <= 1).toBe(
        true,
      );
      const many = shareOf(hits * 4, of * 4);
      expect(many.high - many.low).toBeLessThan(few.high - few.low);
      const missed = shareOf(of - hits, of);
      expect(missed.low).toBeCloseTo(1 - few.high, 12);
    }),
  );
  expect(shareOf(0, 0)).toMatchObject({ low: 0, high: 1 });
});

/** Of all outcomes of `of` cases at a truth, how often the interval holds it: the binomial sum, exactly. */
function coverageOf(of: number, truth: number): number {
  let chance = (1 - truth) ** of;
  let covered = 0;
  for (let hits = 0; hits <= of; hits += 1) {
    const { low, high } = shareOf(hits, of);
    if (low <= truth && truth <= high) covered += chance;
    chance *= ((of - hits) / (hits + 1)) * (truth / (1 - truth));
  }
  return covered;
}

test('four in five intervals hold the truth over all truths, also of a handful of cases', () => {
  for (const count of [2, 3, 4, 6, 10, 20]) {
    const truths = Array.from({ length: 199 }, (_, i) => (i + 1) / 200);
    const held = truths.map((truth) => coverageOf(count, truth));
    const mean = held.reduce((sum, each) => sum + each, 0) / held.length;
    expect(mean).toBeGreaterThan(0.78);
    expect(mean).toBeLessThan(0.88);
    const inside = held.filter((_, i) => truths[i]! > 0.1 && truths[i]! < 0.9);
    expect(Math.min(...inside)).toBeGreaterThan(0.45);
  }
});

test('a change is told one way from either side, and of few cases none', () => {
  fc.assert(
    fc.property(cases, cases, ([a, m], [b, n]) => {
      const there = compareShares(shareOf(a, m), shareOf(b, n));
      const back = compareShares(shareOf(b, n), shareOf(a, m));
      expect([there, back]).toEqual(
        there === 'none' ? ['none', 'none'] : [there, there === 'better' ? 'worse' : 'better'],
      );
      expect(compareShares(shareOf(a, m), shareOf(a, m))).toBe('none');
    }),
  );
  expect(compareShares(shareOf(1, 3), shareOf(2, 3))).toBe('none');
  expect(compareShares(shareOf(0, 4), shareOf(4, 4))).toBe('better');
});

const aTest = (id: string, person: string, items: Record<string, readonly string[]>) =>
  putAwayTestSchema.parse({
    id,
    projectId: 'home',
    personId: null,
    personName: person,
    at: '2026-11-30T10:00:00.000Z',
    byPictures: false,
    items: Object.entries(items).map(([groupId, bayIds]) => ({
      groupId,
      name: groupId,
      meantBayId: `bay-of-${groupId}`,
      taps: bayIds.map((bayId, i) => ({ bayId, seconds: 3 * (i + 1) })),
      isFound: bayIds.at(-1) === `bay-of-${groupId}`,
    })),
  });
const home = 'bay-of-tape';
const round = [
  aTest('t1', 'Ida', { tape: ['kitchen', home], string: ['bay-of-string'] }),
  aTest('t2', 'Tom', { tape: ['kitchen', 'hall', home], string: ['bay-of-string'] }),
  aTest('t3', 'Alf', { tape: ['kitchen'], string: ['bay-of-string'] }),
  aTest('t4', 'Nora', { tape: [home], string: ['bay-of-string'] }),
];

test('three of four looked for tape in the kitchen', () => {
  const [tape, string] = scoresByGroup(round);
  expect(tape).toMatchObject({
    name: 'tape',
    first: { hits: 1, of: 4 },
    wrongTurns: 4,
    medianSeconds: 6,
  });
  expect(string).toMatchObject({ first: { hits: 4, of: 4, high: 1 }, wrongTurns: 0 });
  expect(scoresByPerson(round).map(({ name, first }) => [name, first.hits])).toContainEqual([
    'Nora',
    2,
  ]);
  expect(scoreOfAll(round).first).toMatchObject({ hits: 5, of: 8 });
  const findings = findingsOfTests(round);
  expect(findings).toEqual([
    expect.objectContaining({
      code: 'looked_elsewhere',
      groupId: 'tape',
      bayId: 'kitchen',
      countThere: 3,
    }),
  ]);
  const facts = { unitOf: (bayId: string) => bayId, someCannotRead: false };
  expect(mendingsOf(findings[0]!, facts)).toEqual(['place', 'label']);
  expect(mendingsOf(findings[0]!, { unitOf: () => 'same', someCannotRead: true })).toEqual([
    'picture',
    'place',
  ]);
});

test('one miss of one is no finding; two groups looked for in each other’s place are mixed up', () => {
  expect(findingsOfTests([aTest('t1', 'Ida', { tape: ['kitchen'] })])).toEqual([]);
  const mixed = ['Ida', 'Tom'].map((person, i) =>
    aTest(`t${i}`, person, { tape: ['bay-of-string'], string: ['bay-of-tape'] }),
  );
  expect(findingsOfTests(mixed).map(findingKey)).toEqual([
    'looked_elsewhere tape',
    'looked_elsewhere string',
    'mixed_up string tape',
  ]);
});

test('rounds are compared group by group, and what was mended is told to have held or come back', () => {
  const later = round.map(({ id, personName }) =>
    aTest(`${id}-b`, personName, { tape: [home], rope: [home] }),
  );
  expect(compareRounds(round, later)).toEqual([
    expect.objectContaining({ groupId: 'tape', change: 'better' }),
  ]);
  const key = 'looked_elsewhere tape';
  expect(cameBack([key, 'overfull shelf'], findingsOfTests(later))).toEqual({
    held: [key, 'overfull shelf'],
    back: [],
  });
  expect(cameBack([key], findingsOfTests(round)).back).toEqual([key]);
});

test('a walk’s marks and strays are findings, each place and group once', () => {
  const line = (
    bayId: string,
    marks: readonly string[],
    strays: readonly (string | null)[] = [],
  ) => ({
    bayId,
    marks,
    litresFound: marks.includes('overfull') ? 40 : null,
    strays: strays.map((groupId, i) => ({ name: `thing ${i}`, groupId, isBack: false })),
    ranOut: '',
  });
  const { lines } = reviewSchema.parse({
    id: 'r1',
    projectId: 'home',
    roomId: null,
    kind: 'month',
    plannedOn: '2026-11-30',
    dueOn: '2026-11-30',
    doneOn: '2026-11-30',
    note: '',
    lines: [
      line('a', ['as_meant']),
      line('b', ['overfull', 'label_missing'], ['tape', 'tape', null]),
      line('c', ['lid_off', 'container_unused']),
    ],
    changes: [],
  });
  expect(findingsOfWalk({ lines })).toEqual([
    { code: 'overfull', bayId: 'b', litresFound: 40 },
    { code: 'label_missing', bayId: 'b' },
    { code: 'wandered', groupId: 'tape', bayId: 'b', times: 2 },
    { code: 'lid_off', bayId: 'c' },
    { code: 'container_unused', bayId: 'c' },
  ]);
});

test('looks are planned by themselves once a home is done, and what a person moved counts', () => {
  const skates = aGroup({ placing: { ...usualPlacing, season: { from: 1, to: 2 } } });
  const request = {
    key: 'home',
    kinds: ['two_weeks', 'month', 'season', 'year'] as const,
    doneOn: '2026-11-10',
    groups: [skates],
    reviews: [],
  };
  expect(planReviews({ ...request, doneOn: undefined })).toEqual([]);
  expect(planReviews(request).map(({ kind, dueOn }) => [kind, dueOn])).toEqual([
    ['two_weeks', '2026-11-24'],
    ['month', '2026-12-10'],
    ['season', '2027-01-01'],
    ['year', '2027-11-10'],
  ]);
  const moved = reviewSchema.parse({
    id: 'home_month',
    projectId: 'home',
    roomId: null,
    kind: 'month',
    plannedOn: '2026-12-10',
    dueOn: '2026-12-20',
    doneOn: null,
    note: '',
    lines: [],
    changes: [],
  });
  const own = {
    ...moved,
    id: 'extra' as typeof moved.id,
    kind: 'own' as const,
    dueOn: '2026-11-15',
  };
  expect(planReviews({ ...request, reviews: [moved, own] }).map(({ dueOn }) => dueOn)).toEqual([
    '2026-11-15',
    '2026-11-24',
    '2026-12-20',
    '2027-01-01',
    '2027-11-10',
  ]);
});

test('what was changed is told to have held only where somebody has looked since', () => {
  const look = (
    id: string,
    doneOn: string,
    marks: readonly string[],
    changes: readonly object[] = [],
  ) =>
    reviewSchema.parse({
      id,
      projectId: 'home',
      roomId: 'hall',
      kind: 'own',
      plannedOn: doneOn,
      dueOn: doneOn,
      doneOn,
      note: '',
      lines: [{ bayId: 'shelf', marks, litresFound: null, strays: [], ranOut: '' }],
      changes,
    });
  const change = {
    findingKey: 'overfull shelf',
    change: 'enough',
    told: 'a few fewer',
    takenOn: '2026-10-10',
  };
  const first = look('a', '2026-10-09', ['overfull'], [change]);
  const only = homeFindings({ reviews: [first], tests: [] });
  expect(only.open).toMatchObject([{ key: 'overfull shelf', mended: { holds: undefined } }]);
  const fine = homeFindings({ reviews: [first, look('b', '2026-11-09', ['as_meant'])], tests: [] });
  expect(fine).toMatchObject({
    open: [],
    held: [{ key: 'overfull shelf', mended: { holds: true } }],
  });
  const again = homeFindings({
    reviews: [first, look('b', '2026-11-09', ['overfull'])],
    tests: [],
  });
  expect(again).toMatchObject({ open: [{ mended: { holds: false } }], held: [] });
});

test('where a group is sought is told in shares of all looks, and a look in the right place calms them', () => {
  const looks = fc.array(fc.constantFrom('shelf', 'drawer', 'hook'), { maxLength: 12 });
  fc.assert(
    fc.property(looks, fc.nat(4), (firsts, strayCount) => {
      const test = putAwayTestSchema.parse({
        id: 'test',
        projectId: 'home',
        personId: null,
        personName: 'Ida',
        at: '2026-11-30T10:00:00.000Z',
        byPictures: false,
        items: [
          ...firsts.map((bayId) => ({
            groupId: 'hats',
            name: 'hat',
            meantBayId: 'shelf',
            taps: [
              { bayId, seconds: 2 },
              { bayId: 'shelf', seconds: 8 },
            ],
            isFound: true,
          })),
          { groupId: 'other', name: 'x', meantBayId: 'hook', taps: [], isFound: false },
        ],
      });
      const strays = Array.from({ length: strayCount }, () => ({
        name: 'hat',
        groupId: 'hats',
        isBack: true,
      }));
      const line = { bayId: 'drawer', marks: [], litresFound: null, strays, ranOut: '' };
      const look = reviewSchema.shape.lines.parse([line]);
      const sought = soughtIn('hats' as never, { tests: [test], reviews: [{ lines: look }] });
      const wrong = firsts.filter((bayId) => bayId !== 'shelf').length + strayCount;
      const shares = sought.reduce((sum, { share }) => sum + share, 0);
      expect(shares).toBeCloseTo(wrong / (firsts.length + strayCount + 2), 9);
      expect(sought.every(({ bayId }) => bayId !== 'shelf')).toBe(true);
      // Between what is assumed of a search and the six seconds that each took.
      for (const { seconds } of sought) expect(seconds >= 6 && seconds <= 10).toBe(true);
    }),
  );
});

test('what a way to mend comes to is worked out: going back, joining, a label that is there already', () => {
  const unit = aUnit({ bays: [aBay({ id: 'shelf' }), aBay({ id: 'top', rowIndex: 1 })] });
  const hats = aGroup({ bayId: 'shelf', uncountedLitres: 30 });
  const scarves = aGroup({ id: 'scarves', name: 'Scarves', bayId: 'top', uncountedLitres: 70 });
  const share = { share: 0.5, hits: 1, count: 2 };
  const placement = { containerId: 'bin', groupId: 'hats', x: 0, y: 0, z: 0, turned: false };
  const purchase = (id: string, returnBy: string | null, returnedPieces: number) =>
    purchaseSchema.parse({
      ...{ id, roomId: 'hall', containerId: 'bin', shopName: 'Shop', label: 'Bin', pieces: 2 },
      ...{ paidMinor: 400, boughtAt: '2026-10-01T09:00:00.000Z', returnBy, returnedPieces },
    });
  const facts = {
    groups: [hats, scarves],
    things: [],
    units: [unit],
    fits: [
      {
        bayId: unit.bays[0]!.id,
        answer: { placements: [placement, { ...placement, x: 300 }] } as never,
      },
    ],
    containers: [{ id: 'bin' as never, name: 'Bin' }],
    purchases: [
      purchase('a', '2026-11-20', 0),
      purchase('b', '2026-11-10', 2),
      purchase('c', null, 0),
    ],
    labelings: [{ made: [{ bayId: 'shelf', groupId: 'hats' }] as never }],
    found: { labelled: share, unlabelled: share },
  };
  const bayId = unit.bays[0]!.id;
  // What went back already cannot go back again.
  expect(effectOf({ code: 'container_unused', bayId }, 'give_back', facts)).toEqual({
    code: 'give_back',
    containers: [{ name: 'Bin', pieces: 2, returnBy: '2026-11-20' }],
  });
  const joined = effectOf({ code: 'mixed_up', groupIds: [hats.id, scarves.id] }, 'join', facts);
  const free = usableLitresOf(unit.bays[0]!) - 100;
  expect(joined).toMatchObject({ code: 'join', freeLitres: expect.closeTo(free, 6) });
  const wandered = { code: 'wandered', bayId, times: 1 } as const;
  expect(effectOf({ ...wandered, groupId: hats.id }, 'label', facts)).toMatchObject({
    hasLabel: true,
  });
  expect(effectOf({ ...wandered, groupId: scarves.id }, 'label', facts)).toMatchObject({
    hasLabel: false,
  });
});
