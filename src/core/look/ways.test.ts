import fc from 'fast-check';

import { aFixture, aPlan, aRoom, mm, onWall } from '@test/builders';
import { drawHomePlan, findWayGaps, joinPlans, measureWays, passageSchema, type WayRoom } from '.';
import { pointIn } from './joinPlans';
import { middleOfDoor } from './ways';

const passage = (change: object) =>
  passageSchema.parse({
    id: 'hall',
    projectId: 'home',
    kind: 'hall',
    name: 'Hall',
    length: mm(6000),
    steps: null,
    roomIds: [],
    passageIds: [],
    position: 0,
    ...change,
  });
/** 4 m by 3 m, one spot in its middle. */
const room = (id: string, doors: WayRoom['fixtures'] = []): WayRoom & { units: [] } => ({
  room: aRoom({ id, name: id, plan: aPlan }),
  fixtures: doors,
  spots: [{ id: `${id} table`, at: { x: 2000, y: 1500 } }],
  units: [],
});
const door = (id: string, leadsTo: object | null, wall = 0, along = 1600) =>
  aFixture({ id, name: id, place: onWall(wall, along), leadsTo });
const toRoom = (roomId: string) => ({ to: 'room', roomId });
const toHall = { to: 'passage', passageId: 'hall' };

test('through a door one walks straight to it and straight on', () => {
  const rooms = [
    room('a', [door('out', toRoom('b'))]),
    room('b', [door('in', toRoom('a'), 2, 1600)]),
  ];
  const ways = measureWays({ rooms, passages: [] });
  // Each table stands 1.5 m before its door.
  expect(ways.metresBetween('a table', 'b table')).toBeCloseTo(3, 6);
  expect(ways.between('a', 'b')).toMatchObject({ isJoined: true, via: [] });
});

test('a hall is walked for a third of its length, between nothing and all of it; what is in between is named', () => {
  const home = {
    rooms: [room('a', [door('a1', toHall)]), room('b', [door('b1', toHall)])],
    passages: [passage({})],
  };
  const far = (guess: 'low' | 'likely' | 'high') =>
    measureWays(home, guess).metresBetween('a table', 'b table');
  expect([far('low'), far('likely'), far('high')].map((value) => value.toFixed(3))).toEqual([
    '3.000',
    '5.000',
    '9.000',
  ]);
  expect(measureWays(home).between('a', 'b').via).toEqual(['Hall']);
  expect(findWayGaps(home)).toEqual([]);
});

test('what nobody has joined, measured or counted is named', () => {
  const bare = { ...room('b'), room: aRoom({ id: 'b', name: 'b' }) };
  const home = {
    rooms: [room('a', [door('a1', { to: 'outside' })]), bare],
    passages: [passage({ id: 'up', kind: 'stairs', length: null })],
  };
  expect(findWayGaps(home).map(({ code }) => code)).toEqual([
    'not_joined',
    'not_joined',
    'no_plan',
    'no_length',
    'no_steps',
  ]);
  expect(measureWays(home).between('a', 'b')).toEqual({ metres: 8, isJoined: false, via: [] });
});

/** Homes of up to six rooms whose doors lead anywhere, halls and stairs between. */
const homes = fc.integer({ min: 2, max: 6 }).chain((count) =>
  fc
    .record({
      leads: fc.array(fc.integer({ min: 0, max: count + 2 }), {
        minLength: count * 2,
        maxLength: count * 2,
      }),
      lengths: fc.tuple(fc.integer({ min: 0, max: 12_000 }), fc.integer({ min: 0, max: 6000 })),
      stairTo: fc.integer({ min: 0, max: count - 1 }),
    })
    .map(({ leads, lengths, stairTo }) => ({
      rooms: Array.from({ length: count }, (_, i) =>
        room(
          `r${i}`,
          [0, 1].map((k) => {
            const lead = leads[i * 2 + k] ?? 0;
            const outside = lead === count + 1 ? { to: 'outside' } : null;
            const inside = lead < count && lead !== i ? toRoom(`r${lead}`) : outside;
            return door(`d${i}${k}`, lead === count ? toHall : inside, k * 2, 500 * (k + 1));
          }),
        ),
      ),
      passages: [
        passage({ length: mm(lengths[0]) }),
        passage({
          id: 'stairs',
          name: 'Stairs',
          kind: 'stairs',
          length: mm(lengths[1]),
          steps: 14,
          roomIds: [`r${stairTo}`],
          passageIds: ['hall'],
        }),
      ],
    })),
);

test('ways are as far back as there, within low and high, no detour is shorter, and another way makes none longer', () => {
  fc.assert(
    fc.property(homes, ({ rooms, passages }) => {
      const [low, likely, high] = (['low', 'likely', 'high'] as const).map((guess) =>
        measureWays({ rooms, passages }, guess),
      ) as [ReturnType<typeof measureWays>, ReturnType<typeof measureWays>, never];
      const ids = rooms.map(({ room: each }) => each.id as string);
      const joined = (a: string, b: string) => likely.between(a, b).isJoined;
      const more = measureWays({
        rooms,
        passages: [
          ...passages,
          passage({ id: 'gap', kind: 'opening', length: null, roomIds: ids.slice(0, 2) }),
        ],
      });
      for (const a of ids)
        for (const b of ids) {
          if (a === b) continue;
          const far = (ways: typeof likely) => ways.metresBetween(`${a} table`, `${b} table`);
          expect(likely.metresBetween(`${b} table`, `${a} table`)).toBeCloseTo(far(likely), 9);
          expect(far(low)).toBeLessThanOrEqual(far(likely) + 1e-9);
          expect(far(likely)).toBeLessThanOrEqual(far(high) + 1e-9);
          if (joined(a, b)) expect(far(more)).toBeLessThanOrEqual(far(likely) + 1e-9);
          for (const c of ids)
            if (joined(a, c) && joined(c, b))
              expect(far(likely)).toBeLessThanOrEqual(
                likely.metresBetween(`${a} table`, `${c} table`) +
                  likely.metresBetween(`${c} table`, `${b} table`) +
                  1e-9,
              );
        }
    }),
    { numRuns: 60 },
  );
});

test('every plan is drawn, inside the drawing, and those of one part never lie over each other', () => {
  fc.assert(
    fc.property(homes, ({ rooms, passages }) => {
      const { plans } = joinPlans(rooms);
      expect(plans.map(({ roomId }) => roomId).sort()).toEqual(
        rooms.map(({ room: each }) => each.id as string).sort(),
      );
      for (const plan of plans)
        for (const other of plans) {
          if (plan === other || plan.part !== other.part) continue;
          const boxes = [plan, other].map((each) => {
            const corners = each.outline.walls.map(({ from }) => pointIn(each, from));
            const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)];
            return [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
          }) as [number[], number[]];
          const [a, b] = boxes;
          const across = Math.min(a[1]!, b[1]!) - Math.max(a[0]!, b[0]!);
          const down = Math.min(a[3]!, b[3]!) - Math.max(a[2]!, b[2]!);
          expect(Math.min(across, down)).toBeLessThanOrEqual(100 + 1e-6);
        }
      const sketch = drawHomePlan({ rooms, passages, widthPx: 500 });
      for (const mark of sketch.marks)
        if (mark.kind === 'line' && mark.role === 'wall')
          for (const { x, y } of mark.points) {
            expect(x).toBeGreaterThanOrEqual(sketch.x - 1e-6);
            expect(x).toBeLessThanOrEqual(sketch.x + sketch.width + 1e-6);
            expect(y).toBeLessThanOrEqual(sketch.y + sketch.depth + 1e-6);
          }
    }),
    { numRuns: 60 },
  );
});

test('two rooms stand wall to wall where their doors are, whichever way the second was drawn', () => {
  for (const wall of [0, 1, 2, 3]) {
    const rooms = [
      room('a', [door('out', toRoom('b'), 1, 1000)]),
      room('b', [door('in', toRoom('a'), wall, 700)]),
    ];
    const { plans, misfits } = joinPlans(rooms);
    expect([plans.map(({ part }) => part), misfits]).toEqual([[0, 0], []]);
    const [here, there] = plans.map((plan, i) =>
      pointIn(plan, middleOfDoor(plan.outline, rooms[i]!.fixtures[0]!)!),
    );
    // Through wall 1, on the right: the twin stands a wall further right, at the same height.
    expect(there!.x - here!.x).toBeCloseTo(120, 6);
    expect(there!.y).toBeCloseTo(here!.y, 6);
  }
});
