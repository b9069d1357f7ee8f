import {
  aBay,
  aDecision,
  aFixture,
  aGroup,
  aPlan,
  aRoom,
  aUnit,
  HALL,
  mm,
  onWall,
} from '@test/builders';
import { personSchema } from '../agree';
import { foldDecisions, placingSchema } from '../sort';
import { passageSchema, usableLitresOf, type Bay, type Passage } from '../look';
import { toHomeZonesRequest, toZonesRequest } from '.';

const person = (id: string, change: object = {}) =>
  personSchema.parse({
    id,
    projectId: 'home',
    name: id,
    height: mm(1700),
    isChild: false,
    noStep: false,
    position: 0,
    ...change,
  });
const unit = aUnit({
  place: onWall(0, 1000),
  bays: [aBay({ lockable: true }), aBay({ id: 'out', rowIndex: 1, outOfScope: true })],
});
const station = aFixture({
  id: 'kettle',
  kind: 'station',
  name: 'Kettle',
  place: onWall(2, 500),
  width: mm(600),
  depth: mm(600),
  swing: null,
});
const things = foldDecisions([
  aDecision({ groupId: 'hats', litres: 12, massG: 900 }),
  aDecision({ id: 'd2', thingId: 't2', groupId: 'guest', litres: 5, massG: 400, roomId: 'attic' }),
]);
const askRoom = (change: Partial<Parameters<typeof toZonesRequest>[0]> = {}) =>
  toZonesRequest(
    {
      room: aRoom({ plan: aPlan }),
      units: [unit],
      fixtures: [station],
      groups: [aGroup({ front: true })],
      things,
      people: [person('ida'), person('kim', { isChild: true })],
      ...change,
    },
    1000,
  );

test('bays in scope come with their room, height, place and traits; stations from the plan', () => {
  const request = askRoom();
  expect(request?.bays.map(({ id, locked, unitId }) => [id, locked, unitId])).toEqual([
    ['shelf', true, 'unit'],
  ]);
  // The cupboard stands at the first wall, 1 m from its corner, 860 wide and 340 deep; the kettle
  // across, 0.5 m from the other corner.
  expect(request?.bays[0]).toMatchObject({ x: 1430, y: 170 });
  expect(request?.stations.map(({ id, x, y }) => [id, Math.round(x), Math.round(y)])).toEqual([
    ['kettle', 3200, 2700],
    ['middle', 2000, 1500],
  ]);
});

test('a group that says nothing is used by the adults, from the middle of the room, daily where it stands in front', () =>
  expect(askRoom()?.groups[0]).toMatchObject({
    litres: 12,
    massG: 900,
    usesPerWeek: 14,
    stationId: 'middle',
    userIds: ['ida'],
    food: false,
  }));

test('what a group says counts; what it names that is gone does not', () => {
  const placing = placingSchema.parse({
    usesPerWeek: 3,
    stationId: 'kettle',
    userIds: ['kim', 'moved-out'],
    hazard: 'none',
    isPinned: true,
  });
  expect(
    askRoom({ groups: [aGroup({ name: 'Tablets', placing, bayId: 'shelf' })] })?.groups[0],
  ).toMatchObject({ usesPerWeek: 3, stationId: 'kettle', userIds: ['kim'], fixedBayId: 'shelf' });
  expect(
    askRoom({ groups: [aGroup({ placing: { ...placing, stationId: 'sold' }, bayId: 'out' })] })
      ?.groups[0],
  ).toMatchObject({ stationId: 'middle' });
  expect(
    askRoom({ groups: [aGroup({ placing, bayId: 'out' })] })?.groups[0]?.fixedBayId,
  ).toBeUndefined();
});

test('medicine, chemicals, blades and food are known by their names', () => {
  const named = (name: string) => askRoom({ groups: [aGroup({ name })] })?.groups[0];
  expect([
    named('Tablets & plasters')?.hazard,
    named('Cleaners')?.hazard,
    named('Kitchen knives')?.hazard,
    named('Dry food')?.food,
  ]).toEqual(['medicine', 'chemical', 'sharp', true]);
});

test('what groups of other rooms take of a bay is not offered', () => {
  const full = askRoom()?.bays[0]?.litres ?? 0;
  expect(
    askRoom({ groups: [aGroup(), aGroup({ id: 'guest', roomId: 'attic', bayId: 'shelf' })] })
      ?.bays[0]?.litres,
  ).toBeCloseTo(full - 5, 9);
});

test('without people there is nothing to ask; without a plan the front view stands for it', () => {
  expect(askRoom({ people: [] })).toBeUndefined();
  expect(askRoom({ room: aRoom({ id: HALL }) })?.bays[0]).toMatchObject({ x: 430, y: 0 });
});

/** The kettle's middle at 3.2, 2.7 m; the room's at 2, 1.5 m. */
const kettleToMiddle = Math.hypot(1.2, 1.2);

test('rooms of a home are as far apart as one walks; what may not leave its room is kept to its places', () => {
  const hall = { room: aRoom({ plan: aPlan }), units: [unit], fixtures: [station] };
  const attic = {
    room: aRoom({ id: 'attic', name: 'Attic' }),
    units: [aUnit({ id: 'chest', roomId: 'attic', bays: [aBay({ id: 'lid', unitId: 'chest' })] })],
    fixtures: [],
  };
  const cellar = { room: aRoom({ id: 'cellar', name: 'Cellar' }), units: [], fixtures: [] };
  const groups = [
    aGroup({ front: true }),
    aGroup({ id: 'guest', roomId: 'attic', bayId: 'shelf', placing: { usesPerWeek: 0.2 } }),
    aGroup({ id: 'pinned', roomId: 'attic', bayId: 'shelf', placing: { isPinned: true } }),
    aGroup({ id: 'wine', roomId: 'cellar', front: true }),
  ];
  const rooms = [hall, cellar, attic];
  const ask = (passages: readonly Passage[]) =>
    toHomeZonesRequest({ rooms, passages, groups, things, people: [person('ida')] }, 1000);
  const request = ask([]);
  const alone = askRoom({ groups });
  expect(request?.bays.map(({ id, litres }) => [id, litres])).toEqual([
    ['shelf', usableLitresOf(unit.bays[0] as Bay)],
    ['lid', expect.any(Number)],
  ]);
  expect(request?.bays[0]).toMatchObject({ x: alone?.bays[0]?.x, y: alone?.bays[0]?.y });
  // Nothing joins the two: 8 m are assumed; the cellar's walker has the same guess.
  expect(request?.distances).toEqual(
    expect.arrayContaining([
      ['unit', 'chest', 8],
      ['chest', 'kettle', 8],
      ['unit', 'middle-cellar', 8],
    ]),
  );
  const stairs = passageSchema.parse({
    id: 'stairs',
    projectId: 'home',
    kind: 'stairs',
    name: 'Stairs',
    length: mm(3000),
    steps: 10,
    roomIds: ['hall', 'attic'],
    passageIds: [],
    position: 0,
  });
  // From the kettle 1.7 m to the middle, 1.75 m to the edge, 3 m and 10 steps up, 2 m to the chest.
  const byStairs = ask([stairs])?.distances?.find(([a, b]) => a === 'chest' && b === 'kettle');
  expect(Number(byStairs?.[2])).toBeCloseTo(1.75 + 3 + 10 * 0.27 * 1.2 + 2 + kettleToMiddle, 1);
  expect(
    request?.groups.map(({ id, onlyBayIds, fixedBayId, stationId }) => [
      id,
      onlyBayIds,
      fixedBayId,
      stationId,
    ]),
  ).toEqual([
    ['hats', ['shelf'], undefined, 'middle-hall'],
    ['wine', undefined, undefined, 'middle-cellar'],
    ['guest', undefined, undefined, 'middle-attic'],
    ['pinned', undefined, 'shelf', 'middle-attic'],
  ]);
  expect(
    toHomeZonesRequest({ rooms, passages: [], groups, things, people: [] }, 1000),
  ).toBeUndefined();
});

test('what is tall is kept to places that it stands in, or lies in; pinned it stays', () => {
  const low = aBay({ id: 'low', heightReadings: [mm(300)] });
  const high = aBay({ id: 'high', rowIndex: 1, heightReadings: [mm(400)] });
  const jug = { shape: 'box', widthMm: 150, depthMm: 150, heightMm: 340, count: 2 } as const;
  const keptTo = (change: object) =>
    askRoom({
      units: [aUnit({ place: onWall(0, 1000), bays: [low, high] })],
      groups: [aGroup({ asks: { pieces: jug }, ...change })],
    })?.groups[0];
  expect(keptTo({})).toMatchObject({ onlyBayIds: ['high'] });
  expect(keptTo({ asks: { pieces: jug, mayLie: true } })).not.toHaveProperty('onlyBayIds');
  const pinned = keptTo({ bayId: 'low', placing: placingSchema.parse({ isPinned: true }) });
  expect(pinned).toMatchObject({ fixedBayId: 'low' });
  expect(pinned).not.toHaveProperty('onlyBayIds');
  // Where it stands nowhere, its fit tells so, and it still has a place.
  expect(keptTo({ asks: { pieces: { ...jug, heightMm: 900 } } })).not.toHaveProperty('onlyBayIds');
});
