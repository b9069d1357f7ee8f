import { aBay, aDecision, aGroup, aRoom, aUnit, HALL } from '@test/builders';
import { carrySchema, foldDecisions } from '../sort';
import { whereIs, type WhereRecords } from './whereIs';

const shelf = aBay({ id: 'shelf', name: 'Shelf 3' });
const crate = aBay({ id: 'crate', name: 'Crate' });
const peas = aGroup({ id: 'peas', name: 'Pulses', bayId: 'shelf', standsBayId: 'crate' });
const records: WhereRecords = {
  rooms: [aRoom({ id: HALL, name: 'Larder' })],
  units: [aUnit({ id: 'left', name: 'Left larder', roomId: HALL, bays: [shelf, crate] })],
  groups: [peas],
  things: foldDecisions([
    aDecision({ id: 'd1', thingId: 'chickpeas', name: 'chickpeas', groupId: 'peas' }),
    aDecision({ id: 'd2', thingId: 'lamp', name: 'lamp', verdict: 'donate', groupId: null }),
    aDecision({ id: 'd3', thingId: 'stool', name: 'stool', groupId: null }),
  ]),
  project: { rowDepth: null },
  fits: [],
  containers: [],
  carries: [
    carrySchema.parse({
      id: 'c1',
      roomId: HALL,
      verdict: 'donate',
      litres: 1,
      massG: 1,
      carriedAt: '2026-11-06T11:00:00.000Z',
      note: '',
      dueOn: null,
      settledAt: null,
      thingIds: ['lamp'],
      goneAt: '2026-11-07T09:00:00.000Z',
      goneBy: 'Wren',
    }),
  ],
};

test('a thing is where its group stands today, and is to live where the group is placed', () => {
  const found = whereIs(records, 'chickpeas');
  expect([found?.stands?.bayName, found?.lives?.bayName, found?.lives?.unit.name]).toEqual([
    'Crate',
    'Shelf 3',
    'Left larder',
  ]);
  expect(whereIs(records, 'peas')).toMatchObject({ name: 'Pulses', stands: { bayName: 'Crate' } });
});

test('in a deep place it stands in front, or behind what is used more', () => {
  const daily = aGroup({ id: 'daily', name: 'Bread', standsBayId: 'crate', front: true });
  const deep = { ...records, groups: [peas, daily], project: { rowDepth: { mm: 150 } } };
  const rowOf = (litres: number) => {
    const things = foldDecisions([
      aDecision({ id: 'd1', thingId: 'chickpeas', groupId: 'peas', litres }),
      aDecision({ id: 'd2', thingId: 'bread', groupId: 'daily', litres: 30 }),
    ]);
    return whereIs({ ...deep, things }, 'chickpeas')?.stands?.row;
  };
  expect([rowOf(1), rowOf(30), rowOf(300)]).toEqual(['front', 'back', undefined]);
  expect(whereIs(records, 'chickpeas')?.stands?.row).toBeUndefined();
});

test('what has left tells when and with whom, and has no place any more', () => {
  const found = whereIs(records, 'lamp');
  expect(found?.leaving).toMatchObject({ state: 'gone', carry: { goneBy: 'Wren' } });
  expect([found?.stands, found?.lives]).toEqual([undefined, undefined]);
});

test('what has no group is in its room; what is not there is not found', () => {
  expect(whereIs(records, 'stool')).toMatchObject({ room: { name: 'Larder' }, group: undefined });
  expect(whereIs(records, 'nothing')).toBeUndefined();
});
