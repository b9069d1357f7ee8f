import { aDecision, aGroup, aUnit, HALL, HOME } from '@test/builders';
import { pictureSchema, roomSchema, vantagePointSchema } from '../look';
import { purchaseSchema } from '../shop';
import { carrySchema, foldDecisions } from '../sort';
import { pairPictures, roomResultsOf, type RoomRecords } from './roomResults';

const room = roomSchema.parse({
  id: HALL,
  projectId: HOME,
  name: 'Hall',
  purpose: '',
  budgetMinor: 0,
  position: 0,
});
const thing = (i: number, change: Parameters<typeof aDecision>[0]) =>
  aDecision({ id: `d${i}`, thingId: `t${i}`, ...change });
const records = (change: Partial<RoomRecords> = {}): RoomRecords => ({
  room,
  units: [aUnit()],
  groups: [],
  things: [],
  fits: [],
  containers: [],
  purchases: [],
  carries: [],
  ...change,
});

const out = (thingIds: readonly string[], verdict: string, goneAt: string | null, toward = '') =>
  carrySchema.parse({
    id: `c-${verdict}-${thingIds[0]}`,
    roomId: HALL,
    verdict,
    toward,
    litres: 1,
    massG: 1,
    thingIds,
    carriedAt: '2026-11-07T10:00:00.000Z',
    note: '',
    dueOn: null,
    settledAt: null,
    goneAt,
  });
const GONE = '2026-11-08T10:00:00.000Z';

test('what has gone is counted by where it went; what is only decided, or by the door, waits', () => {
  const things = foldDecisions([
    thing(1, { verdict: 'donate', count: 3, massG: 600 }),
    thing(2, { verdict: 'discard', count: 1, massG: 300 }),
    thing(3, { verdict: 'recycle', to: 'shred', count: 9, massG: 100 }),
    thing(4, { verdict: 'elsewhere', to: 'Attic', count: 5, massG: 9000 }),
    thing(5, { verdict: 'keep', count: 7 }),
    thing(6, { verdict: 'ask', count: 2 }),
    thing(7, { verdict: 'donate', count: 4, massG: 50 }),
  ]);
  expect(roomResultsOf(records({ things }))).toMatchObject({
    left: { count: 0 },
    waiting: { count: 17, massG: 1050 },
    keptFromLandfillShare: undefined,
    destinations: [],
  });
  const carries = [
    out(['t1'], 'donate', GONE),
    out(['t2'], 'discard', GONE),
    out(['t3'], 'recycle', GONE, 'shred'),
    out(['t4'], 'elsewhere', GONE, 'Attic'),
    out(['t7'], 'donate', null),
    // What was decided anew since no longer goes out, whatever box it lay in.
    out(['t5', 't6'], 'donate', GONE),
  ];
  const results = roomResultsOf(records({ things, carries }));
  expect(results.left).toMatchObject({ count: 13, massG: 1000 });
  expect(results.byTheDoor).toMatchObject({ count: 4 });
  expect(results.waiting).toMatchObject({ count: 4, massG: 50 });
  expect(results.keptFromLandfillShare).toBeCloseTo(0.7, 9);
  const rows = (list: typeof results.destinations) =>
    list.map(({ verdict, to, amount }) => [verdict, to, amount.count]);
  expect(rows(results.destinations)).toEqual([
    ['recycle', 'shred', 9],
    ['elsewhere', 'Attic', 5],
    ['donate', '', 3],
    ['discard', '', 1],
  ]);
  expect(rows(results.waitingFor)).toEqual([['donate', '', 4]]);
});

test('a record of an older version, which names nothing, stands for the oldest of its verdict', () => {
  const things = foldDecisions([
    thing(1, { verdict: 'donate', count: 3, litres: 4, decidedAt: '2026-11-06T09:00:00.000Z' }),
    thing(2, { verdict: 'donate', count: 1, litres: 4, decidedAt: '2026-11-06T09:30:00.000Z' }),
  ]);
  const carries = [{ ...out([], 'donate', null), litres: 4 }];
  expect(roomResultsOf(records({ things, carries }))).toMatchObject({
    byTheDoor: { count: 3 },
    waiting: { count: 4 },
  });
});

test('where nothing left there is no share to boast of', () =>
  expect(roomResultsOf(records()).keptFromLandfillShare).toBeUndefined());

test('every group with something kept says where it lives', () => {
  const groups = [
    aGroup({ bayId: 'shelf', uncountedLitres: 4 }),
    aGroup({ id: 'empty', name: 'Empty' }),
    aGroup({ id: 'lost', name: 'Lost', uncountedLitres: 1 }),
  ];
  const purchases = [
    purchaseSchema.parse({
      id: 'p',
      roomId: HALL,
      containerId: null,
      shopName: 'Shop',
      label: 'Delivery',
      pieces: 0,
      paidMinor: 495,
      boughtAt: '2026-11-06T10:00:00.000Z',
    }),
  ];
  const results = roomResultsOf(records({ groups, purchases }));
  expect(results.livesAt.map(({ groupName, bayName }) => [groupName, bayName])).toEqual([
    ['Hats', 'Shelf'],
    ['Lost', undefined],
  ]);
  expect(results.spentMinor).toBe(495);
});

test('a fit that stands on a container that is gone counts neither as reused nor as new', () => {
  const placements = [{ containerId: 'gone', groupId: 'hats', x: 0, y: 0, z: 0, turned: false }];
  const answer = {
    status: 'optimal' as const,
    objective: 0,
    bound: 0,
    elapsedMs: 1,
    placements,
    costMinor: 0,
    usedLitres: 0,
    freeLitres: 0,
    unmet: [],
    reasons: [],
  };
  const fits = [
    {
      bayId: aUnit().bays[0]?.id ?? ('' as never),
      prefer: 'cost' as const,
      answer,
      takenAt: '2026-11-06T10:00:00.000Z',
      checks: [],
      insteadOf: [],
    },
  ];
  expect(roomResultsOf(records({ fits }))).toMatchObject({
    reusedContainerCount: 0,
    boughtContainerCount: 0,
  });
});

test('the first before stands against the last after', () => {
  const spot = vantagePointSchema.parse({
    id: 'spot',
    roomId: HALL,
    name: 'from the door',
    position: 0,
  });
  const picture = (id: string, moment: string, day: number) =>
    pictureSchema.parse({
      id,
      vantagePointId: 'spot',
      moment,
      widthPx: 4,
      heightPx: 3,
      takenAt: `2026-11-0${day}T10:00:00.000Z`,
    });
  const pictures = [
    picture('late', 'later', 9),
    picture('b2', 'before', 2),
    picture('a', 'after', 5),
    picture('b1', 'before', 1),
  ];
  expect(pairPictures([spot], pictures)).toMatchObject([
    { before: { id: 'b1' }, after: { id: 'late' } },
  ]);
});
