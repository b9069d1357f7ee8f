import fc from 'fast-check';

import { aBay, aGroup, aRoom, aSection, aUnit, HALL, HOME } from '@test/builders';
import { projectSchema } from '../agree';
import { putAwayTestSchema, reviewSchema } from '../again';
import { containerProductSchema, takenFitSchema } from '../fit';
import { labelingSchema } from '../labels';
import { pictureSchema, vantagePointSchema } from '../look';
import { setUpSchema } from '../setUp';
import { purchaseSchema } from '../shop';
import { createParser, type Thing } from '../sort';
import { learnFirm, learningSchema, learnTopics, outcomesOf, reportOf, type LearnRecords } from '.';

const ALL = learningSchema.parse({});
const DONE = '2026-10-05T12:00:00.000Z';

/** A thing as the bench would keep it, with litres typed over where they are given. */
function aThing(words: string, typedLitres?: number): Thing {
  const read = createParser({})(words)!;
  const litres = typedLitres ?? read.litres;
  const typed = { low: litres, high: litres, from: 'typed' as const };
  return {
    id: `thing ${words}` as Thing['id'],
    decisionId: 'decision' as Thing['decisionId'],
    decidedAt: DONE,
    roomId: HALL,
    name: read.name,
    count: read.count,
    verdict: 'keep',
    reasons: [],
    groupId: 'hats' as Thing['groupId'],
    to: '',
    litres,
    massG: read.massG,
    ...(read.kindId === undefined ? {} : { kindId: read.kindId }),
    ranges: typedLitres === undefined ? read.ranges : { litres: typed, massG: read.ranges.massG },
  };
}

const side = { mm: 200, text: '200 mm' };
const product = (id: string, lid: boolean) =>
  containerProductSchema.parse({
    ...{ id, projectId: null, name: id, kind: 'bin', innerLitres: 6, lid, clear: false },
    ...{ width: side, depth: side, height: side, innerHeightMm: 190, innerWidthMm: null },
    ...{ shape: 'box', material: 'plastic', stackable: false, maxStack: null, tareG: 0 },
    ...{ maxLoadG: null, turnable: true, ownedCount: null },
  });

const aFinishedHome = (change: Partial<LearnRecords> = {}): LearnRecords => ({
  project: projectSchema.parse({
    id: HOME,
    name: 'Home',
    units: 'cm',
    currency: 'GBP',
    budgetMinor: 0,
    readyBy: null,
    status: 'finished',
    createdAt: DONE,
  }),
  rooms: [aRoom({ workedMinutes: 300 })],
  units: [aUnit({ bays: [aBay({ id: 'shelf' }), aBay({ id: 'shelf-2' })] })],
  sections: [aSection()],
  visits: [],
  vantagePoints: [
    vantagePointSchema.parse({ id: 'spot', roomId: HALL, name: 'door', position: 0 }),
  ],
  pictures: [
    pictureSchema.parse({
      id: 'after',
      vantagePointId: 'spot',
      moment: 'after',
      widthPx: 4,
      heightPx: 3,
      takenAt: DONE,
    }),
  ],
  containers: [],
  fits: [],
  groups: [aGroup({ bayId: 'shelf', uncountedLitres: 4 })],
  labelings: [],
  purchases: [],
  putAwayTests: [],
  reviews: [],
  setUps: [],
  things: [],
  ...change,
});

test('a finished room tells hours, litres and money beside what was assumed of it; an open one nothing', () => {
  const bought = (expectedMinor: number | null, paidMinor: number) =>
    purchaseSchema.parse({
      id: `bought-${paidMinor}`,
      roomId: HALL,
      containerId: null,
      label: 'bins',
      pieces: 1,
      paidMinor,
      shopName: 'Shop',
      boughtAt: DONE,
      expectedMinor,
    });
  const home = aFinishedHome({
    things: [aThing('3 hats'), aThing('20 books')],
    purchases: [bought(1000, 1200), bought(500, 450), bought(null, 9999)],
  });
  const [room] = outcomesOf(home).rooms;
  expect(room).toMatchObject({
    on: '2026-10-05',
    content: 'linen',
    minutes: { actual: 300 },
    litres: { actual: 4 + home.things.reduce((sum, { litres }) => sum + litres, 0) },
    // What stood on no list says nothing of lists.
    moneyMinor: { estimated: 1500, actual: 1650 },
  });
  expect(room?.minutes?.estimated).toBeGreaterThan(15);
  expect(outcomesOf(aFinishedHome({ pictures: [] })).rooms).toEqual([]);
  const bare = outcomesOf(aFinishedHome({ rooms: [aRoom()], groups: [] })).rooms[0];
  expect([bare?.minutes, bare?.litres, bare?.moneyMinor]).toEqual([
    undefined,
    undefined,
    undefined,
  ]);
});

test('only a size that was typed over the one of its kind says something of the kind', () => {
  const usual = createParser({})('4 hats')!.litres;
  const { sizes } = outcomesOf(
    aFinishedHome({
      things: [
        aThing('4 hats', usual * 2),
        aThing('3 hats'),
        aThing('a 5 l pot'),
        aThing('2 zorglings', 7),
      ],
    }),
  );
  expect(sizes).toEqual([
    {
      kindId: createParser({})('hat')!.kindId,
      on: '2026-10-05',
      estimated: usual,
      actual: usual * 2,
    },
  ]);
});

test('a walk tells of places, containers and labels what it can, and not which of several is meant', () => {
  const line = (bayId: string, marks: readonly string[], litresFound: number | null = null) => ({
    bayId,
    marks,
    litresFound,
    strays: [],
    ranOut: '',
  });
  const fit = (bayId: string, ...ids: readonly string[]) =>
    takenFitSchema.parse({
      bayId,
      prefer: 'cost',
      takenAt: DONE,
      answer: {
        status: 'feasible',
        placements: ids.map((containerId, i) => ({
          containerId,
          groupId: 'hats',
          x: i * 200,
          y: 0,
          z: 0,
          turned: false,
        })),
        unmet: [],
        costMinor: 0,
        objective: null,
        bound: null,
        reasons: [],
        elapsedMs: 1,
        usedLitres: 1,
        freeLitres: 0,
      },
    });
  const { places, containers, labels, searches } = outcomesOf(
    aFinishedHome({
      containers: [product('bin', false), product('chest', true)],
      fits: [fit('shelf', 'bin'), fit('shelf-2', 'bin', 'chest')],
      labelings: [
        labelingSchema.parse({
          id: HALL,
          choices: [],
          made: [
            {
              bayId: 'shelf',
              groupId: 'hats',
              n: null,
              text: 'Hats',
              medium: 'tape',
              madeAt: DONE,
            },
          ],
          settlesOn: null,
          job: null,
        }),
      ],
      reviews: [
        reviewSchema.parse({
          id: 'look',
          projectId: HOME,
          roomId: HALL,
          kind: 'month',
          plannedOn: '2026-11-04',
          dueOn: '2026-11-04',
          doneOn: '2026-11-06',
          note: '',
          lines: [
            line('shelf', ['overfull', 'container_unused', 'label_missing'], 6),
            line('shelf-2', ['container_unused', 'lid_off']),
          ],
          changes: [],
        }),
      ],
      putAwayTests: [
        putAwayTestSchema.parse({
          id: 'test',
          projectId: HOME,
          personId: null,
          personName: 'Ida',
          at: '2026-11-06T10:00:00.000Z',
          byPictures: false,
          items: [
            {
              groupId: 'hats',
              name: 'hats',
              meantBayId: 'shelf',
              taps: [{ bayId: 'shelf', seconds: 3 }],
              isFound: true,
            },
            { groupId: 'gloves', name: 'gloves', meantBayId: 'shelf', taps: [], isFound: false },
          ],
        }),
      ],
    }),
  );
  expect(places).toMatchObject([
    { litres: { estimated: 4, actual: 6 }, isOverfull: true, isHalfEmpty: false },
    { litres: undefined, isOverfull: false },
  ]);
  expect(
    containers.map(({ containerId, isUsed, isLidOff }) => [containerId, isUsed, isLidOff]),
  ).toEqual([
    ['bin', false, false],
    ['bin', undefined, true],
    ['chest', undefined, true],
  ]);
  expect(labels).toMatchObject([{ medium: 'tape', isMissing: true }]);
  expect(searches.map(({ isLabelled, isFirst }) => [isLabelled, isFirst])).toEqual([
    [true, true],
    [false, false],
  ]);
});

const dayArb = fc
  .integer({ min: 1, max: 28 })
  .map((day) => `2026-10-${String(day).padStart(2, '0')}`);
const homeArb = fc
  .tuple(dayArb, fc.integer({ min: 10, max: 900 }), fc.integer({ min: 1, max: 90 }))
  .map(([day, workedMinutes, tookMinutes]) => {
    const at = `${day}T12:00:00.000Z`;
    return outcomesOf(
      aFinishedHome({
        rooms: [aRoom({ workedMinutes })],
        pictures: [{ ...aFinishedHome().pictures[0]!, takenAt: at }],
        setUps: [
          setUpSchema.parse({
            id: HALL,
            done: [{ kind: 'wipe', of: 'unit', doneAt: at, tookMinutes, listedMinutes: 20 }],
            airCelsius: null,
            isDamp: false,
          }),
        ],
      }),
    );
  });

test('the order of homes does not count, and what is left aside counts as if it had never been', () => {
  fc.assert(
    fc.property(fc.array(homeArb, { maxLength: 6 }), dayArb, (homes, upTo) => {
      const learned = learnFirm(homes, ALL);
      expect(learnFirm([...homes].reverse(), ALL)).toEqual(learned);
      const aside = learningSchema.parse({ leftAsideTo: { hours: upTo } });
      const later = homes.filter(({ rooms }) => rooms.every(({ on }) => on > upTo));
      expect(learnFirm(homes, aside).hours).toEqual(learnFirm(later, ALL).hours);
      // Of another topic it all counts on.
      expect(learnFirm(homes, aside).tasks).toEqual(learned.tasks);
      expect(reportOf(homes, aside).minutes.rooms).toHaveLength(later.length);
      expect(reportOf(homes, ALL)).toMatchObject({
        roomCount: homes.length,
        homeCount: homes.length,
      });
    }),
    { numRuns: 40 },
  );
  const none = learnFirm([], ALL);
  expect([none.hours.all.factor, none.money.factor, none.litres.factor]).toEqual([1, 1, 1]);
  const everything = Object.fromEntries(learnTopics.map((topic) => [topic, '2027-01-01']));
  const full = outcomesOf(aFinishedHome());
  expect(learnFirm([full], learningSchema.parse({ leftAsideTo: everything }))).toEqual(none);
});

test('estimates stand beside outcomes in the order in which rooms were done, money by its currency', () => {
  const home = (id: string, day: string, change: Partial<LearnRecords> = {}) => {
    const base = aFinishedHome(change);
    return outcomesOf({
      ...base,
      rooms: [aRoom({ workedMinutes: 300, name: id })],
      pictures: base.pictures.map((picture) => ({ ...picture, takenAt: `${day}T12:00:00.000Z` })),
    });
  };
  const spent = purchaseSchema.parse({
    ...{ id: 'bought', roomId: HALL, containerId: null, label: 'bins', pieces: 1, paidMinor: 1200 },
    ...{ shopName: 'Shop', boughtAt: DONE, expectedMinor: 1000 },
  });
  const abroad = { ...aFinishedHome().project, currency: 'EUR' as const };
  const report = reportOf(
    [
      home('later', '2026-10-09', { purchases: [spent] }),
      home('first', '2026-10-02', { purchases: [spent], project: abroad }),
      home('open', '2026-10-03', { vantagePoints: [] }),
    ],
    ALL,
  );
  expect(report.minutes.rooms.map(({ roomName }) => roomName)).toEqual(['first', 'later']);
  const [first, later] = report.minutes.rooms;
  // Nothing was known before the first; the second is said with it.
  expect(first?.learnt).toBe(first?.assumed);
  const ratio = first!.actual / first!.assumed;
  expect(later!.learnt / later!.assumed).toBeCloseTo(ratio ** (1 / 3), 9);
  expect(report.minutes.learntError).toBeLessThan(report.minutes.assumedError);
  expect(
    report.money.map(({ currency, comparison }) => [currency, comparison.rooms.length]),
  ).toEqual([
    ['EUR', 1],
    ['GBP', 1],
  ]);
  expect(report.money[0]?.comparison.assumedError).toBeCloseTo(200 / 1200, 9);
});
