import { aBay, aDecision, aGroup, mm } from '@test/builders';
import { cpuClock as clock } from '@test/cpuClock';
import { personSchema } from '../agree';
import { foldDecisions, withContents } from '../sort';
import {
  containerProductSchema,
  costOfWish,
  fitRequestSchema,
  labelFaceOf,
  levelOf,
  listLevels,
  planFit,
  roleOfProduct,
  toFitContainer,
  toFitRequest,
  withoutWish,
  type ContainerProduct,
  type FitAnswer,
  type FitQuestion,
} from '.';
import { loadSolver } from '../shared';

const aProduct = (change: Partial<Record<keyof ContainerProduct, unknown>>): ContainerProduct =>
  containerProductSchema.parse({
    id: 'p',
    projectId: null,
    name: 'P',
    kind: 'box',
    width: mm(300),
    depth: mm(300),
    height: mm(150),
    innerLitres: 2,
    innerHeightMm: 140,
    innerWidthMm: null,
    shape: 'box',
    lid: false,
    clear: false,
    material: 'plastic',
    stackable: false,
    maxStack: null,
    tareG: 100,
    maxLoadG: null,
    turnable: true,
    ownedCount: null,
    ...change,
  });

test('what is not known of a riser, a turntable or a hook strip is taken as usual, and can be corrected', () => {
  const riser = aProduct({ kind: 'riser' });
  expect(toFitContainer(riser, 0)).toMatchObject({
    role: 'riser',
    underHeight: 142,
    underWidth: 280,
    topLoadG: 8000,
  });
  const said = aProduct({ kind: 'riser', level: { underHeightMm: 120, mostWidthMm: 500 } });
  expect(toFitContainer(said, 0)).toMatchObject({ underHeight: 120, mostWidth: 500 });
  // A height that was measured lower leaves no more under it than it is high.
  const lower = aProduct({ kind: 'riser', height: mm(100), level: { underHeightMm: 120 } });
  expect(toFitContainer(lower, 0).underHeight).toBe(100);
  const turntable = aProduct({ kind: 'turntable', shape: 'round' });
  expect(toFitContainer(turntable, 0)).toMatchObject({
    role: 'turntable',
    plateHeight: 25,
    rim: 4,
  });
  expect(levelOf(aProduct({ kind: 'hook strip' }))).toEqual({ hooks: 6, hookLoadG: 500 });
  // An oval does not turn, and a rack does nothing until its places are known.
  expect(roleOfProduct(aProduct({ kind: 'turntable', depth: mm(200) }))).toBe('box');
  expect(roleOfProduct(aProduct({ kind: 'rack' }))).toBe('box');
  expect(roleOfProduct(aProduct({ kind: 'rack', level: { places: 4 } }))).toBe('rack');
  expect(toFitContainer(aProduct({}), 0)).not.toHaveProperty('role');
});

const tall = foldDecisions([
  aDecision({ groupId: 'hats', count: 2, litres: 4, massG: 700, uprightMm: 250 }),
]);
const ask = (asks: object, more: object = {}) =>
  toFitRequest({
    bay: aBay({
      access: {
        lip: mm(30),
        shelfThickness: mm(18),
        doorSwing: mm(120),
        openingLeft: mm(20),
      },
    }),
    groups: withContents([aGroup({ bayId: 'shelf', asks, ...more })], tall),
    things: tall,
    containers: [],
    prefer: 'cost',
    unit: { door: 'left', bottomMm: 1400 },
    people: [person('ida', 1200), person('tom', 1800)],
  });
const person = (id: string, heightMm: number) =>
  personSchema.parse({
    id,
    projectId: 'home',
    name: id,
    height: mm(heightMm),
    isChild: false,
    noStep: false,
    position: 0,
  });

test('what was said of a place and of a group is what is asked', () => {
  expect(ask({}).bay).toMatchObject({
    lip: 30,
    shelfThickness: 18,
    openingLeft: 20,
    onDoor: { swing: 120, maxLoadG: 5000 },
    hinge: 'left',
    bottom: 1400,
  });
  expect(ask({}).groups[0]).toMatchObject({ tallestMm: 250, overRim: true });
  expect(ask({ belowRim: true }).groups[0]).not.toHaveProperty('overRim');
  expect(ask({ mayLie: true }).groups[0]).toMatchObject({ tallestMm: 250, mayLie: true });
  expect(ask({ mayLie: true }).groups[0]).not.toHaveProperty('minInnerHeight');
  // Kinds are shares of the litres that are counted.
  const kinds = ask({
    kinds: [
      { name: 'a', litres: 1 },
      { name: 'b', litres: 3 },
    ],
  });
  expect(kinds.groups[0]?.kinds).toEqual([
    { name: 'a', litres: 1 },
    { name: 'b', litres: 3 },
  ]);
  expect(ask({ kinds: [{ name: 'a', litres: 1 }] }).groups[0]?.kinds).toEqual([
    { name: 'a', litres: 4 },
  ]);
  // By the eyes of the smallest who uses it.
  expect(ask({ seen: true }).groups[0]?.eyeMm).toBe(1116);
  expect(ask({ seen: true }, { placing: { userIds: ['tom'] } }).groups[0]?.eyeMm).toBe(1674);
  expect(ask({ oneColour: true }, { placing: { userIds: ['tom'] } }).groups[0]?.ownerId).toBe(
    'tom',
  );
  expect(ask({ oneColour: true }).groups[0]).not.toHaveProperty('ownerId');
  expect(
    ask({ pieces: { shape: 'round', widthMm: 70, heightMm: 90, count: 6 }, dropMm: 80 }).groups[0],
  ).toMatchObject({
    pieces: { shape: 'round', width: 70, height: 90, count: 6 },
    hangs: { dropMm: 80 },
  });
});

const box = (id: string, more = {}) => ({
  id,
  name: id,
  outer: { width: 200, depth: 200, height: 100 },
  innerLitres: 3,
  innerHeight: 95,
  material: 'plastic' as const,
  priceMinor: 100,
  ...more,
});
const request: FitQuestion = fitRequestSchema.parse({
  bay: { id: 'bay', width: 800, depth: 300, height: 350, falseFloor: 10 },
  groups: [{ id: 'g', name: 'g', litres: 3 }],
  containers: [
    box('tray'),
    box('dear', { priceMinor: 450 }),
    { ...box('riser'), role: 'riser', underHeight: 90, underWidth: 190 },
    { ...box('plate', { shape: 'round' }), role: 'turntable', plateHeight: 20 },
    { ...box('hook'), role: 'hooks', hooks: 3 },
    { ...box('insert'), role: 'insert' },
  ],
});
const at = (containerId: string, more = {}) => ({
  ...{ containerId, groupId: 'g', x: 0, y: 0, z: 0, turned: false },
  ...more,
});
const surface = (containerId: string, more = {}) => ({
  ...{ containerId, x: 0, y: 0, z: 10, turned: false },
  ...more,
});

test('levels are listed from the floor up, alike ones numbered, and labels face where they are read', () => {
  const answer = {
    placements: [
      at('tray', { z: 10 }),
      at('tray', { on: 1, z: 130 }),
      at('tray', { on: 0, z: 110 }),
      at('hook', { z: 250 }),
      at('tray', { on: 2, z: 30 }),
      at('insert', { on: 3 }),
    ],
    surfaces: [surface('riser'), surface('riser', { z: 30 }), surface('plate'), surface('dear')],
  };
  expect(listLevels(request, answer).map(({ name, indexes }) => [name, indexes])).toEqual([
    ['On the floor of the place', [0]],
    ['In the container', [5]],
    ['On the turntable', [4]],
    ['On the riser, 1', [2]],
    ['On the riser, 2', [1]],
    ['Hanging from the shelf above', [3]],
  ]);
  expect(answer.placements.map((_, i) => labelFaceOf(request, answer, i))).toEqual([
    'front',
    'front',
    'front',
    'front',
    'outward',
    'above',
  ]);
  const drawer = { ...request, bay: { ...request.bay, pullOut: true } };
  expect(labelFaceOf(drawer, answer, 0)).toBe('above');
});

test('a wish costs what it is dearer by, or the litres that it leaves out', async () => {
  const solver = await loadSolver();
  const plan = (question: FitQuestion): FitAnswer =>
    planFit({ ...question, timeLimitMs: 200 }, { solver, clock });
  const pinned = { ...request, pins: [{ groupId: 'g', containerId: 'dear' }] };
  const free = withoutWish(pinned, { kind: 'pin', groupId: 'g' });
  expect(costOfWish(plan(pinned), plan(free))).toEqual({ litres: 0, minor: 350 });
  const narrow = { ...request, bay: { ...request.bay, width: 210 } };
  const airy = { ...narrow, clearances: { ...narrow.clearances, between: 37, side: 38 } };
  expect(costOfWish(plan(airy), plan(withoutWish(airy, { kind: 'air', mm: 35 })))).toEqual({
    litres: 3,
    minor: 0,
  });
  const [tray] = request.containers;
  const without = { ...request, containers: request.containers.slice(1) };
  expect(
    costOfWish(plan(without), plan(withoutWish(without, { kind: 'forbid', container: tray! }))),
  ).toEqual({ litres: 0, minor: 350 });
  const used = { ...request, uses: ['riser', 'riser'] };
  expect(withoutWish(used, { kind: 'use', containerId: 'riser' }).uses).toEqual(['riser']);
});
