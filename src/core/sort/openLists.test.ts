import { aDecision, HALL } from '@test/builders';
import { roomIdSchema } from '../shared';
import { foldDecisions } from './foldDecisions';
import { dayOf } from './destination';
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
  expect(names(openListsOf(things, { id: HALL, name: 'Hall' }).comingIn)).toEqual(['lamp', 'rug']);
  expect(names(openListsOf(things, { id: attic, name: 'Attic' }).comingIn)).toEqual([]);
});

test('no home, questions and what is put off are lists of the whole home, the nearest day first', () => {
  const lists = openListsOf(things, { id: attic, name: 'Attic' });
  expect([names(lists.noHome), names(lists.ask), names(lists.later)]).toEqual([
    ['keys'],
    ['ring'],
    ['tin', 'box', 'bag'],
  ]);
  expect(lists.later.map((each) => dayOf(each) !== undefined)).toEqual([true, true, false]);
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
