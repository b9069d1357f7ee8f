import { aBay, aDecision, aGroup } from '@test/builders';
import { foldDecisions, placingSchema } from '../sort';
import { isInSeason, planSeasons, zonesRequestSchema } from '.';

const placing = (change: object) => placingSchema.parse(change);
const request = zonesRequestSchema.parse({
  bays: [
    { id: 'near', litres: 20, x: 0, y: 0, z: 900 },
    { id: 'far', litres: 20, x: 6000, y: 0, z: 900 },
  ],
  stations: [{ id: 's', name: 'Sink', x: 0, y: 0 }],
  people: [{ id: 'tom', heightMm: 1800 }],
  groups: [
    {
      id: 'summer',
      name: 'S',
      litres: 15,
      usesPerWeek: 0,
      stationId: 's',
      userIds: ['tom'],
      fixedBayId: 'near',
    },
    { id: 'winter', name: 'W', litres: 15, usesPerWeek: 10, stationId: 's', userIds: ['tom'] },
  ],
});

const seasonal = (id: string, from: number, to: number) =>
  aGroup({ id, name: id, placing: placing({ season: { from, to }, usesPerWeek: 10 }) });
const kept = foldDecisions(
  ['summer', 'winter'].map((groupId, i) =>
    aDecision({ id: `d${i}`, thingId: `t${i}`, groupId, litres: 15, massG: 500 }),
  ),
);
const ofMonth = (month: number) => ({
  ...request,
  groups: request.groups.map((group) => ({
    ...group,
    fixedBayId: undefined,
    usesPerWeek: isInSeason(group.id === 'summer' ? { from: 5, to: 9 } : { from: 10, to: 4 }, month)
      ? 10
      : 0.04,
  })),
});
const groups = [seasonal('summer', 5, 9), seasonal('winter', 10, 4)];

test('seasonal things change places at the start of each season, where that saves steps, and the year ends where it began', () => {
  const swaps = planSeasons({
    bays: [],
    groups,
    things: kept,
    places: { summer: 'near', winter: 'far' },
    requestOf: ofMonth,
  });
  expect(swaps).toMatchObject([
    { kind: 'exchange', month: 5, aId: 'summer', aBayId: 'far', bBayId: 'near' },
    { kind: 'exchange', month: 10, aId: 'summer', aBayId: 'near', bBayId: 'far' },
  ]);
  for (const swap of swaps)
    expect(swap).toMatchObject({ secondsPerWeek: expect.closeTo(99.6, 6) as number });
});
test('a seasonal group that lives in another room changes with one here, where both fit', () => {
  const swapsWith = (litres: number) =>
    planSeasons({
      bays: [],
      groups,
      things: kept,
      places: { summer: 'attic-shelf', winter: 'near' },
      litresElsewhere: () => litres,
      requestOf: ofMonth,
    });
  expect(swapsWith(20)).toMatchObject([
    { month: 5, aId: 'summer', bBayId: 'near' },
    { month: 10, aId: 'summer', bBayId: 'attic-shelf' },
  ]);
  expect(swapsWith(14)).toEqual([]);
});
test('in a deep place the season’s things come to the front, the others go behind', () => {
  const deep = aBay({ id: 'near', depthReadings: [{ mm: 560, text: '56' }] });
  const swaps = planSeasons({
    bays: [deep],
    groups,
    things: kept,
    places: { summer: 'near', winter: 'near' },
    requestOf: ofMonth,
  });
  expect(swaps).toEqual([
    { kind: 'rows', month: 5, bayId: 'near', frontIds: ['summer'], backIds: ['winter'] },
    { kind: 'rows', month: 10, bayId: 'near', frontIds: ['winter'], backIds: ['summer'] },
  ]);
});

test('a pin stays through the year, and a place that breaks a rule is no exchange', () => {
  const places = { summer: 'near', winter: 'far' };
  const pinned = groups.map((group) => ({
    ...group,
    placing: { ...group.placing, isPinned: group.id === 'winter' },
  }));
  expect(
    planSeasons({ bays: [], groups: pinned, things: kept, places, requestOf: ofMonth }),
  ).toEqual([]);
  const high = (month: number) => ({
    ...ofMonth(month),
    bays: request.bays.map((bay) => (bay.id === 'near' ? { ...bay, moist: true } : bay)),
    groups: ofMonth(month).groups.map((group) => ({ ...group, avoid: ['moist' as const] })),
  });
  expect(planSeasons({ bays: [], groups, things: kept, places, requestOf: high })).toEqual([]);
});

test('without seasons, or where nothing of a season is placed, nothing changes', () => {
  expect(
    planSeasons({
      bays: [],
      groups: [aGroup()],
      things: [],
      places: { hats: 'near' },
      requestOf: ofMonth,
    }),
  ).toEqual([]);
  expect(
    planSeasons({
      bays: [],
      groups,
      things: kept,
      places: { summer: null, winter: null },
      requestOf: ofMonth,
    }),
  ).toEqual([]);
});
