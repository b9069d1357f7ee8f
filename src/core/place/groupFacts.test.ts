import fc from 'fast-check';

import { aBay, aGroup, aDecision } from '@test/builders';
import { foldDecisions, placingSchema } from '../sort';
import { applyWhatIf, isInSeason, planSeasons, planZones, seasonOf, usesPerWeekOf, zonesRequestSchema } from '.';
import { pairBySchool, scaleUses } from './placingSchools';
import { priceOfPins } from './priceOfPins';

const placing = (change: object) => placingSchema.parse(change);

test.each([
  ['Beach towels, May to September', 5, 9], ['Ski gear', 11, 3], ['Tree & Christmas lights', 12, 1], ['Coats, Oct to Mar', 10, 3],
])('the season of %s is read from its name', (name, from, to) => expect(seasonOf(aGroup({ name }))).toEqual({ from, to }));
test('a name without months has none, and what was said overrules the name', () => {
  expect(seasonOf(aGroup({ name: 'Towels to give away' }))).toBeUndefined();
  expect(seasonOf(aGroup({ name: 'Ski gear', placing: placing({ season: { from: 1, to: 2 } }) }))).toEqual({ from: 1, to: 2 });
});

test('over the year a seasonal group is used as often as its months add up to', () =>
  fc.assert(fc.property(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 12 }), fc.integer({ min: 0, max: 40 }), (from, to, usesPerWeek) => {
    const group = aGroup({ placing: placing({ season: { from, to }, usesPerWeek }) });
    const months = Array.from({ length: 12 }, (_, i) => usesPerWeekOf(group, i + 1));
    expect(months.reduce((sum, uses) => sum + uses, 0) / 12).toBeCloseTo(usesPerWeekOf(group), 9);
    expect(months.filter((_, i) => isInSeason({ from, to }, i + 1)).every((uses) => uses === usesPerWeek)).toBe(true);
  })));

test('reserve is used rarely, and what tempts counts as hardly used', () =>
  expect([aGroup({ front: true }), aGroup({ placing: placing({ isBackStock: true }) }), aGroup({ front: true, placing: placing({ isTempting: true }) })].map((group) => usesPerWeekOf(group))).toEqual([14, 0.5, expect.closeTo(0.7, 9)]));

const ofTom = aGroup({ id: 'a', placing: placing({ userIds: ['tom'], stationId: 'vice', withIds: ['c', 'gone', 'a'] }) });
const alsoTom = aGroup({ id: 'b', placing: placing({ userIds: ['tom'] }) });
const atVice = aGroup({ id: 'c', placing: placing({ userIds: ['tom', 'ida'], stationId: 'vice' }) });
test('schools bring together what is one person’s or of one task; what was said to belong together counts most', () => {
  const all = [ofTom, alsoTom, atVice];
  expect(pairBySchool(all, {})).toEqual([{ a: 'a', b: 'c', weight: 6 }]);
  expect(pairBySchool(all, { grouping: 'person' })).toEqual([{ a: 'a', b: 'c', weight: 6 }, { a: 'a', b: 'b', weight: 3 }]);
  expect(pairBySchool(all, { grouping: 'task', living: 'together' })).toEqual([{ a: 'a', b: 'c', weight: 18 }]);
  expect([14, 3, 0.2].map((uses) => scaleUses(uses, { grouping: 'frequency' }))).toEqual([28, 3, 0.1]);
});

const request = zonesRequestSchema.parse({
  bays: [{ id: 'near', litres: 20, x: 0, y: 0, z: 900 }, { id: 'far', litres: 20, x: 6000, y: 0, z: 900 }], stations: [{ id: 's', name: 'Sink', x: 0, y: 0 }], people: [{ id: 'tom', heightMm: 1800 }],
  groups: [{ id: 'summer', name: 'S', litres: 15, usesPerWeek: 0, stationId: 's', userIds: ['tom'], fixedBayId: 'near' }, { id: 'winter', name: 'W', litres: 15, usesPerWeek: 10, stationId: 's', userIds: ['tom'] }],
});

test('the price of a pin is what the best arrangement without it saves', async () => {
  const solver = await (await import('../shared')).loadSolver();
  const means = { solver, clock: () => 0, timeLimitMs: 1000 };
  const answer = planZones(request, means);
  // Winter things walk 2 × 6 m ten times a week because summer things keep the near place.
  expect(priceOfPins(request, answer, means)).toEqual([{ groupId: 'summer', bayId: 'near', secondsPerWeek: expect.closeTo(100, 6) as number, isProven: true }]);
});

test('what if: a lost bay takes its pin along, a shelf gives one bay what it takes from the other, a height is another’s', () => {
  const lost = applyWhatIf(request, [{ kind: 'bay_lost', bayId: 'near' }]);
  expect([lost.bays.map(({ id }) => id), lost.groups.map(({ fixedBayId }) => fixedBayId)]).toEqual([['far'], [undefined, undefined]]);
  const moved = applyWhatIf(request, [{ kind: 'shelf_moved', bayId: 'near', belowBayId: 'far', byMm: 100, heightMm: 400, belowHeightMm: 400 }, { kind: 'person_height', personId: 'tom', heightMm: 1500 }]);
  expect(moved.bays.map(({ litres, z }) => [litres, z])).toEqual([[15, 1000], [25, 900]]);
  expect(moved.people[0]?.heightMm).toBe(1500);
  expect(applyWhatIf(request, [{ kind: 'shelf_moved', bayId: 'near', belowBayId: 'far', byMm: 400, heightMm: 400, belowHeightMm: 400 }])).toEqual(request);
});

const seasonal = (id: string, from: number, to: number) => aGroup({ id, name: id, placing: placing({ season: { from, to }, usesPerWeek: 10 }) });
const kept = foldDecisions(['summer', 'winter'].map((groupId, i) => aDecision({ id: `d${i}`, thingId: `t${i}`, groupId, litres: 15, massG: 500 })));
const ofMonth = (month: number) => ({ ...request, groups: request.groups.map((group) => ({ ...group, fixedBayId: undefined, usesPerWeek: isInSeason(group.id === 'summer' ? { from: 5, to: 9 } : { from: 10, to: 4 }, month) ? 10 : 0.04 })) });
const groups = [seasonal('summer', 5, 9), seasonal('winter', 10, 4)];

test('seasonal things change places at the start of each season, where that saves steps, and the year ends where it began', () => {
  const swaps = planSeasons({ bays: [], groups, things: kept, places: { summer: 'near', winter: 'far' }, requestOf: ofMonth });
  expect(swaps).toMatchObject([{ kind: 'exchange', month: 5, aId: 'summer', aBayId: 'far', bBayId: 'near' }, { kind: 'exchange', month: 10, aId: 'summer', aBayId: 'near', bBayId: 'far' }]);
  for (const swap of swaps) expect(swap).toMatchObject({ secondsPerWeek: expect.closeTo(99.6, 6) as number });
});
test('a seasonal group that lives in another room changes with one here, where both fit', () => {
  const swapsWith = (litres: number) => planSeasons({ bays: [], groups, things: kept, places: { summer: 'attic-shelf', winter: 'near' }, litresElsewhere: () => litres, requestOf: ofMonth });
  expect(swapsWith(20)).toMatchObject([{ month: 5, aId: 'summer', bBayId: 'near' }, { month: 10, aId: 'summer', bBayId: 'attic-shelf' }]);
  expect(swapsWith(14)).toEqual([]);
});
test('in a deep place the season’s things come to the front, the others go behind', () => {
  const deep = aBay({ id: 'near', depthReadings: [{ mm: 560, text: '56' }] });
  const swaps = planSeasons({ bays: [deep], groups, things: kept, places: { summer: 'near', winter: 'near' }, requestOf: ofMonth });
  expect(swaps).toEqual([{ kind: 'rows', month: 5, bayId: 'near', frontIds: ['summer'], backIds: ['winter'] }, { kind: 'rows', month: 10, bayId: 'near', frontIds: ['winter'], backIds: ['summer'] }]);
});
