import { aDecision, HALL } from '@test/builders';
import { roomIdSchema } from '../shared';
import { foldDecisions } from './foldDecisions';
import { dayOf } from './destination';
import { carrySchema } from './sessionModel';
import { LATER_BOX_LITRES, laterBoxesOf, openListsOf } from './openLists';

const attic = roomIdSchema.parse('attic');
const thing = (id: string, change: object) => aDecision({ id, thingId: id, name: id, ...change });
const things = foldDecisions([
  thing('lamp', { verdict: 'elsewhere', to: 'Hall', roomId: attic }),
  thing('rug', { verdict: 'elsewhere', to: 'hall ', roomId: attic }),
  thing('own', { verdict: 'elsewhere', to: 'Hall', roomId: HALL }),
  thing('keys', { verdict: 'elsewhere', to: '' }),
  thing('ring', { verdict: 'ask', roomId: attic }),
  thing('box', { verdict: 'later', to: '2026-12-20' }),
  thing('bag', { verdict: 'later', to: '' }),
  thing('tin', { verdict: 'later', to: '2026-12-01' }),
  thing('hat', { verdict: 'keep' }),
]);
const names = (list: readonly { readonly name: string }[]) => list.map(({ name }) => name);

test('what belongs to a room comes in from others, by its name however it is written', () => {
  expect(names(openListsOf(things, { rooms: [{ id: HALL, name: 'Hall' }] }).comingIn)).toEqual([
    'lamp',
    'rug',
  ]);
  expect(names(openListsOf(things, { rooms: [{ id: attic, name: 'Attic' }] }).comingIn)).toEqual(
    [],
  );
});

test('no home, questions and what is put off are lists of the whole home, the nearest day first', () => {
  const lists = openListsOf(things, { rooms: [{ id: attic, name: 'Attic' }] });
  expect([names(lists.noHome), names(lists.ask), names(lists.later)]).toEqual([
    ['keys'],
    ['ring'],
    ['tin', 'box', 'bag'],
  ]);
  expect(lists.later.map((each) => dayOf(each) !== undefined)).toEqual([true, true, false]);
});

test('what somebody gets, and what is for sale, are lists until they have left', () => {
  const leaving = foldDecisions([
    thing('vase', { verdict: 'give', to: 'Wren' }),
    thing('globe', { verdict: 'give', to: 'Wren', roomId: attic }),
    thing('atlas', { verdict: 'give', to: 'Ada' }),
    thing('desk', { verdict: 'sell' }),
    thing('sold', { verdict: 'sell' }),
    thing('hat', { verdict: 'keep' }),
  ]);
  const gone = carrySchema.parse({
    id: 'c1',
    roomId: HALL,
    verdict: 'sell',
    litres: 1,
    massG: 1,
    carriedAt: '2026-11-06T11:00:00.000Z',
    note: '',
    dueOn: null,
    settledAt: null,
    thingIds: ['sold'],
    goneAt: '2026-11-06T12:00:00.000Z',
  });
  const lists = openListsOf(leaving, { rooms: [{ id: HALL, name: 'Hall' }] }, [gone]);
  expect(lists.forPeople.map((each) => [each.name, names(each.things)])).toEqual([
    ['Ada', ['atlas']],
    ['Wren', ['vase', 'globe']],
  ]);
  expect(names(lists.forSale)).toEqual(['desk']);
});

test('what is put off fills one box after the other, room by room', () => {
  const off = (id: string, litres: number, minute: number, roomId = HALL) =>
    thing(id, {
      verdict: 'later',
      litres,
      roomId,
      decidedAt: `2026-11-06T10:${String(minute).padStart(2, '0')}:00.000Z`,
    });
  const boxes = laterBoxesOf(
    foldDecisions([
      off('c', 10, 3),
      off('a', 30, 1),
      off('b', 16, 2),
      off('big', 2 * LATER_BOX_LITRES, 4),
      off('other', 5, 5, attic),
    ]),
  );
  expect(Object.fromEntries(boxes)).toEqual({ a: 1, b: 2, c: 2, big: 3, other: 1 });
});
