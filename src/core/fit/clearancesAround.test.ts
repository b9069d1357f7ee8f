import { aBay, aDecision, aGroup, mm } from '@test/builders';
import { foldDecisions } from '../sort';
import {
  clearancesAround,
  containerProductSchema,
  explainUnused,
  fitRequestSchema,
  toFitContainer,
  toFitRequest,
} from '.';

const product = containerProductSchema.parse({
  id: 'tub',
  projectId: null,
  name: 'Tub',
  kind: 'tub',
  width: mm(200),
  depth: mm(100),
  height: mm(150),
  innerLitres: 2.8,
  innerHeightMm: 145,
  innerWidthMm: null,
  shape: 'box',
  lid: false,
  clear: false,
  material: 'plastic',
  stackable: true,
  maxStack: null,
  tareG: 100,
  maxLoadG: null,
  turnable: true,
  ownedCount: null,
});
const groups = [
  aGroup({ bayId: 'shelf', front: true }),
  aGroup({ id: 'boots', name: 'Boots', bayId: 'shelf', loose: true, uncountedLitres: 9 }),
  aGroup({ id: 'far', bayId: 'other' }),
];
const things = foldDecisions([
  aDecision({ groupId: 'hats', count: 5, litres: 5, massG: 700 }),
  aDecision({ id: 'd2', thingId: 't2', groupId: 'hats', verdict: 'donate', litres: 80 }),
]);
const request = toFitRequest({
  bay: aBay({ openingWidth: mm(760), widthReadings: [mm(801), mm(800)] }),
  groups,
  things,
  containers: [toFitContainer(product, 340)],
  prefer: 'cost',
});

test('a bay is asked about as it stands: smallest readings, opening, and the groups that want a container', () => {
  expect(request.bay).toMatchObject({ width: 800, depth: 300, height: 350, openingWidth: 760 });
  // One hat of a litre is a cube of 100 mm; what is donated needs no place.
  expect(request.groups).toEqual([
    {
      id: 'hats',
      name: 'Hats',
      litres: 5,
      massG: 700,
      lid: 'any',
      see: 'any',
      front: true,
      minInnerWidth: 100,
    },
  ]);
});

test('what a household owns is offered at nothing, as often as there is of it', () =>
  expect(toFitContainer({ ...product, ownedCount: 3, innerWidthMm: 90 }, 0)).toMatchObject({
    priceMinor: 0,
    available: 3,
    innerWidth: 90,
  }));

test('the air around a container is measured to the next thing straight that way', () => {
  const placements = [
    { containerId: 'tub', groupId: 'hats', x: 10, y: 20, z: 0, turned: false },
    { containerId: 'tub', groupId: 'hats', x: 230, y: 40, z: 0, turned: true },
    { containerId: 'tub', groupId: 'hats', x: 10, y: 20, z: 150, turned: false },
  ];
  expect(clearancesAround(request, { placements }, 0)).toEqual({
    leftMm: 10,
    rightMm: 20,
    frontMm: 20,
    backMm: 180,
    aboveMm: 0,
  });
  expect(clearancesAround(request, { placements }, 1)).toEqual({
    leftMm: 20,
    rightMm: 470,
    frontMm: 40,
    backMm: 60,
    aboveMm: 200,
  });
  expect(clearancesAround(request, { placements }, 9)).toBeUndefined();
});

test.each([
  [
    { outer: { width: 900, depth: 100, height: 100 }, turnable: false },
    { code: 'container_does_not_pass', side: 'wide', sizeMm: 900, openingMm: 760 },
  ],
  [
    { outer: { width: 100, depth: 100, height: 360 } },
    { code: 'container_too_high', heightMm: 360, freeMm: 325, toLiftMm: 25 },
  ],
  [
    { outer: { width: 100, depth: 100, height: 330 } },
    { code: 'container_too_high', heightMm: 330, freeMm: 325, toLiftMm: 25 },
  ],
  [
    { outer: { width: 400, depth: 400, height: 100 } },
    {
      code: 'container_too_big',
      widthMm: 400,
      depthMm: 400,
      floorWidthMm: 794,
      floorDepthMm: 295,
    },
  ],
  [
    { outer: { width: 100, depth: 100, height: 100 }, innerWidth: 90 },
    {
      code: 'no_container_suits',
      groupId: request.groups[0]?.id,
      why: { fault: 'too_narrow', hasMm: 90, needsMm: 100 },
    },
  ],
])('says in figures why a container is not used: %j', (change, reason) => {
  const [container] = request.containers;
  const asked = fitRequestSchema.parse({ ...request, containers: [{ ...container, ...change }] });
  expect(explainUnused(asked)).toEqual([{ ...reason, subject: 'tub' }]);
});
