import { shareLine } from './shareLine';

const parts = [
  { roomId: 'hall', pieces: 3 },
  { roomId: 'attic', pieces: 2 },
];
const bought = (pieces: number, paid = 1000) =>
  shareLine(parts, { label: 'cube', pieces, paid, card: 100, expectedMinor: 1001 });

test('the first rooms get their pieces, the last what is beyond, and the money goes by the pieces', () => {
  expect(bought(6)).toEqual([
    { label: 'cube', roomId: 'hall', pieces: 3, paidMinor: 500, cardMinor: 50, expectedMinor: 501 },
    {
      label: 'cube',
      roomId: 'attic',
      pieces: 3,
      paidMinor: 500,
      cardMinor: 50,
      expectedMinor: 500,
    },
  ]);
  expect(bought(2).map(({ roomId, pieces, paidMinor }) => [roomId, pieces, paidMinor])).toEqual([
    ['hall', 2, 1000],
  ]);
});

test('a delivery has no pieces and is shared by what the rooms get', () => {
  expect(
    shareLine(parts, { pieces: 0, paid: 500, card: 0, expectedMinor: null }).map(
      ({ paidMinor, expectedMinor }) => [paidMinor, expectedMinor],
    ),
  ).toEqual([
    [300, null],
    [200, null],
  ]);
});
