import { findFitFaults, fitRequestSchema, type FitAnswer, type Placement, type Surface } from '.';

const box = (id: string, width: number, depth: number, height: number, more = {}) => ({
  id,
  name: id,
  outer: { width, depth, height },
  innerLitres: 2,
  innerHeight: height - 5,
  material: 'plastic',
  priceMinor: 0,
  tareG: 100,
  ...more,
});
const request = fitRequestSchema.parse({
  bay: {
    id: 'bay',
    width: 900,
    depth: 400,
    height: 400,
    openingWidth: 700,
    openingLeft: 50,
    hinge: 'left',
    doorTakes: 40,
    bottom: 1300,
  },
  groups: [
    { id: 'a', name: 'a', litres: 2, massG: 1500 },
    { id: 'b', name: 'b', litres: 2, massG: 1500, crushable: true },
    { id: 'seen', name: 'seen', litres: 2, massG: 100, eyeMm: 1400 },
    { id: 'daily', name: 'daily', litres: 2, massG: 100, front: true },
    {
      id: 'kinds',
      name: 'kinds',
      litres: 4,
      massG: 100,
      kinds: [
        { name: 'one', litres: 2 },
        { name: 'two', litres: 2 },
      ],
    },
    { id: 'ann', name: 'ann', litres: 2, massG: 100, ownerId: 'ann' },
    { id: 'ben', name: 'ben', litres: 2, massG: 100, ownerId: 'ben' },
    {
      id: 'cups',
      name: 'cups',
      litres: 2,
      massG: 100,
      pieces: { shape: 'box', width: 60, height: 60, count: 4 },
    },
  ],
  containers: [
    box('tray', 140, 140, 100, { stackable: true, colour: 'red' }),
    {
      ...box('riser', 300, 300, 150),
      role: 'riser',
      underHeight: 140,
      underWidth: 280,
      topLoadG: 1000,
    },
    { ...box('strong', 300, 300, 150), role: 'riser', underHeight: 140, underWidth: 280 },
    {
      ...box('plate', 300, 300, 40, { shape: 'round', stackable: true }),
      role: 'turntable',
      plateHeight: 30,
      rim: 5,
      levelGap: 150,
    },
    {
      ...box('frame', 300, 380, 100),
      role: 'pull-out',
      travel: 300,
      innerWidth: 290,
      innerDepth: 370,
    },
    box('bin', 300, 300, 120, { innerWidth: 290, innerDepth: 290 }),
    { ...box('insert', 140, 140, 100), role: 'insert' },
    { ...box('hung', 200, 200, 100), role: 'under-shelf', clipMost: 25 },
    { ...box('rack', 200, 200, 100), role: 'rack', places: 4, placeDiameter: 70 },
  ],
});
const at = (
  containerId: string,
  groupId: string,
  x: number,
  y: number,
  z = 0,
  more: Partial<Placement> = {},
): Placement => ({ containerId, groupId, x, y, z, turned: false, ...more });
const on = (containerId: string, x: number, y: number, more: Partial<Surface> = {}): Surface => ({
  containerId,
  x,
  y,
  z: 0,
  turned: false,
  ...more,
});
const rulesOf = (placements: readonly Placement[], surfaces: readonly Surface[] = []): string[] => {
  const answer: FitAnswer = {
    status: 'feasible',
    objective: null,
    bound: null,
    elapsedMs: 0,
    placements: [...placements],
    surfaces: [...surfaces],
    costMinor: 0,
    usedLitres: 0,
    freeLitres: 0,
    unmet: [],
    reasons: [],
  };
  // What is left out and the sums are another matter.
  return findFitFaults(request, answer)
    .map(({ rule }) => rule)
    .filter((rule) => rule !== 'litres' && rule !== 'totals');
};

test.each<readonly [string, readonly Placement[], readonly Surface[]]>([
  [
    'on a riser, and under it',
    [at('tray', 'a', 20, 20), at('tray', 'ann', 20, 20, 150, { on: 0 })],
    [on('strong', 5, 5)],
  ],
  [
    'on a turntable, and on the one above',
    [at('tray', 'a', 85, 85, 30, { on: 0 }), at('tray', 'ann', 85, 85, 180, { on: 1 })],
    [on('plate', 5, 5), on('plate', 5, 5, { z: 150, on: 0 })],
  ],
  [
    'in a box',
    [at('insert', 'a', 10, 10, 5, { on: 0 }), at('insert', 'seen', 155, 10, 5, { on: 0 })],
    [on('bin', 5, 5)],
  ],
  ['in what is pulled out', [at('tray', 'a', 150, 12, 5, { on: 0 })], [on('frame', 100, 5)]],
  [
    'a box for each kind',
    [at('tray', 'kinds', 60, 5, 0, { kind: 0 }), at('tray', 'kinds', 60, 150, 0, { kind: 1 })],
    [],
  ],
])('stands: %s', (_, placements, surfaces) => expect(rulesOf(placements, surfaces)).toEqual([]));

test.each<readonly [string, readonly Placement[], readonly Surface[]]>([
  ['unknown_surface', [at('tray', 'a', 20, 20, 0, { on: 3 })], []],
  ['unknown_surface', [], [on('ghost', 5, 5)]],
  ['support', [at('tray', 'a', 20, 20, 120)], [on('strong', 5, 5)]],
  ['support', [at('tray', 'a', 20, 20, 140, { on: 0 })], [on('strong', 5, 5)]],
  ['support', [], [on('plate', 5, 5, { z: 100 })]],
  ['support', [], [on('plate', 5, 5), on('plate', 5, 5, { z: 120, on: 0 })]],
  ['surface_load', [at('tray', 'a', 20, 20, 150, { on: 0 })], [on('riser', 5, 5)]],
  ['surface', [at('tray', 'a', 180, 20, 150, { on: 0 })], [on('strong', 5, 5)]],
  ['surface', [], [on('tray', 5, 5), on('rack', 200, 5)]],
  // Against a leg, and against the plate from below.
  ['gap', [at('tray', 'a', 6, 20)], [on('strong', 5, 5)]],
  ['gap', [at('tray', 'a', 20, 20), at('tray', 'a', 20, 20, 100)], [on('strong', 5, 5)]],
  ['gap', [], [on('strong', 5, 5), on('strong', 306, 5)]],
  ['turns', [at('tray', 'a', 6, 6, 30, { on: 0 })], [on('plate', 5, 5)]],
  // A corner of what stands beside reaches into the circle.
  [
    'turns',
    [at('tray', 'a', 85, 85, 30, { on: 0 }), at('tray', 'ann', 300, 100)],
    [on('plate', 5, 5)],
  ],
  ['pull_out', [], [on('frame', 60, 5)]],
  ['pull_out', [at('tray', 'a', 150, 5)], [on('frame', 100, 160)]],
  ['pull_out', [at('tray', 'a', 150, 330, 5, { on: 0 })], [on('frame', 100, 5)]],
  ['insert', [at('insert', 'a', 60, 5)], []],
  ['insert', [at('tray', 'a', 10, 10, 5, { on: 0 })], [on('bin', 5, 5)]],
  ['insert', [at('insert', 'a', 180, 10, 5, { on: 0 })], [on('bin', 5, 5)]],
  ['hung', [at('hung', 'a', 60, 5, 200)], []],
  ['kind', [at('tray', 'kinds', 60, 5)], []],
  ['kind', [at('tray', 'kinds', 60, 5, 0, { kind: 2 })], []],
  ['person', [at('tray', 'ann', 60, 5), at('tray', 'ben', 210, 5)], []],
  ['crushed', [at('tray', 'b', 60, 5), at('tray', 'ann', 60, 5, 100)], []],
  ['above_eyes', [at('tray', 'a', 60, 5), at('tray', 'seen', 60, 5, 100)], []],
  ['beside_opening', [at('tray', 'daily', 750, 5), at('tray', 'daily', 5, 150)], []],
  ['wish', [at('rack', 'cups', 60, 5)], []],
  ['front_blocked', [at('tray', 'a', 60, 5), at('tray', 'daily', 60, 150)], []],
])('the checker sees %s', (rule, placements, surfaces) =>
  expect(rulesOf(placements, surfaces)).toContain(rule),
);

test('what a turntable brings to the front is in nobody’s way', () => {
  const daily = [
    at('tray', 'a', 85, 20, 30, { on: 0 }),
    at('tray', 'daily', 85, 165, 30, { on: 0 }),
  ];
  expect(rulesOf(daily, [on('plate', 5, 5, {})])).not.toContain('front_blocked');
  const beside = daily.map(({ containerId, groupId, x, y }) => at(containerId, groupId, x, y));
  expect(rulesOf(beside)).toContain('front_blocked');
});
