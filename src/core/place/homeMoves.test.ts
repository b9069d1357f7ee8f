import { groupIdSchema, roomIdSchema } from '../shared';
import { joinMovesByWay } from './homeMoves';

const [hall, attic, garage] = ['hall', 'attic', 'garage'].map((id) => roomIdSchema.parse(id));
const group = (
  name: string,
  from: typeof hall,
  to: typeof hall,
  { litres = 10, massG = 1000 } = {},
) => ({
  groupId: groupIdSchema.parse(name),
  name,
  litres,
  massG,
  from: from && { roomId: from, bayId: `${from} shelf` },
  to: to && { roomId: to, bayId: `${to} shelf` },
});
const limits = { liftG: 15_000, basketLitres: 45 };

test('what goes the same way is carried together; what stays in its room is no way', () => {
  const ways = joinMovesByWay(
    [
      group('tent', hall, garage),
      group('skis', hall, garage, { litres: 60, massG: 9000 }),
      group('hats', hall, hall),
      group('lamp', hall, attic),
      group('loose', undefined, attic),
      group('none', attic, undefined),
    ],
    limits,
  );
  expect(ways.map(({ groups, litres }) => [groups.map(({ name }) => name), litres])).toEqual([
    [['tent', 'skis'], 70],
    [['lamp'], 10],
  ]);
});

test('a way takes as many carries as its weight or its room asks for', () => {
  const carries = (litres: number, massG: number) =>
    joinMovesByWay([group('g', hall, attic, { litres, massG })], limits)[0]?.carryCount;
  expect([carries(1, 10), carries(45, 15_000), carries(46, 10), carries(1, 31_000)]).toEqual([
    1, 1, 2, 3,
  ]);
});
