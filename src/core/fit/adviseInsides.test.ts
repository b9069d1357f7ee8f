import { aBay, aGroup, mm } from '@test/builders';
import type { Bay } from '../look';
import {
  adviseInsides,
  containerProductSchema,
  findInCatalogue,
  toFitContainer,
  toFitRequest,
  type ContainerProduct,
} from '.';

const product = (
  id: string,
  kind: ContainerProduct['kind'],
  [width, depth, height]: readonly [number, number, number],
  change: Partial<ContainerProduct> = {},
): ContainerProduct => ({
  ...containerProductSchema.parse({
    id: id.replace(' ', '-'),
    projectId: null,
    name: id,
    kind,
    width: mm(width),
    depth: mm(depth),
    height: mm(height),
    innerLitres: 2,
    innerHeightMm: Math.max(1, height - 5),
    innerWidthMm: null,
    shape: kind === 'turntable' ? 'round' : 'box',
    lid: false,
    clear: false,
    material: 'plastic',
    stackable: false,
    maxStack: null,
    tareG: 100,
    maxLoadG: null,
    turnable: true,
    ownedCount: null,
  }),
  ...change,
});
const products = [
  product('small turntable', 'turntable', [250, 250, 60]),
  product('large turntable', 'turntable', [390, 390, 60]),
  product('pull-out', 'pull-out', [300, 450, 120]),
  product('riser', 'riser', [380, 220, 160]),
  product('low riser', 'riser', [380, 220, 90]),
  product('bin', 'bin', [200, 200, 120], { lid: true }),
  product('basket', 'basket', [200, 200, 120], { material: 'wicker' }),
  product('rack', 'rack', [300, 250, 200]),
];
const people = [{ name: 'Ida', labels: 'pictures' as const, lids: 'leaves' as const }];
const place = (
  change: Partial<Record<keyof Bay, unknown>>,
  {
    unitKind = 'cupboard' as const,
    containerIds = [] as readonly string[],
    who = [] as typeof people,
  }: {
    readonly unitKind?: 'cupboard' | 'wardrobe';
    readonly containerIds?: readonly string[];
    readonly who?: typeof people;
  } = {},
) => {
  const bay = aBay(change);
  const question = toFitRequest({
    bay,
    groups: [aGroup({ bayId: 'shelf', uncountedLitres: 4 })],
    things: [],
    containers: products.map((each) => toFitContainer(each, 500)),
    prefer: 'cost',
  });
  const answer =
    containerIds.length === 0
      ? undefined
      : {
          placements: containerIds.map((containerId, i) => ({
            containerId,
            groupId: 'hats',
            x: i * 210,
            y: 10,
            z: 0,
            turned: false,
          })),
        };
  return adviseInsides({ bay, unitKind, question, answer, products, people: who });
};

test('an ordinary shelf asks for nothing', () => expect(place({})).toEqual([]));

test('a deep place gets the largest turntable that turns in it, and what pulls out', () =>
  expect(place({ depthReadings: [mm(600)], widthReadings: [mm(500)] })).toEqual([
    { code: 'deep', depthMm: 595, diameterMm: 494, names: ['large turntable', 'pull-out'] },
  ]));

test('a turntable has to come through the opening', () =>
  expect(place({ depthReadings: [mm(600)], openingWidth: mm(300) })).toMatchObject([
    { code: 'deep', diameterMm: 300, names: ['small turntable', 'pull-out'] },
  ]));

test('around a pipe the circle keeps clear of it', () => {
  const [tip] = place({
    obstacles: [{ label: 'trap', x: 390, y: 0, z: 0, width: 20, depth: 300, height: 350 }],
  });
  expect(tip).toMatchObject({ code: 'around_pipes', labels: ['trap'], names: ['small turntable'] });
  expect(tip?.code === 'around_pipes' && tip.circleMm).toBeLessThanOrEqual(295);
});

test('a drawer’s frame is lower than its inside; one that is not says nothing', () => {
  expect(place({ pullOut: true, openingHeight: mm(300) })).toEqual([
    { code: 'under_frame', frameMm: 300, insideMm: 350, mostMm: 300 },
  ]);
  expect(place({ pullOut: true })).toEqual([]);
});

test('air above what stands is offered to risers that go over it, and lids that will not be closed are told', () => {
  const tips = place({ heightReadings: [mm(400)] }, { containerIds: ['bin', 'bin'], who: people });
  expect(tips).toEqual([
    { code: 'air_above', freeMm: 255, names: ['riser'] },
    { code: 'no_lids', lidded: 2 },
    { code: 'pictures', personNames: ['Ida'] },
  ]);
  expect(place({ heightReadings: [mm(250)] }, { containerIds: ['bin'] })).toEqual([]);
});

test('damp leaves wicker out, and a wardrobe takes a rail only where a coat hangs free', () => {
  expect(place({ moist: true })).toEqual([{ code: 'damp', leftOut: 1 }]);
  expect(
    place({ heightReadings: [mm(1200)], widthReadings: [mm(900)] }, { unitKind: 'wardrobe' }),
  ).toEqual([{ code: 'rail', lengthMm: 900, coats: 20, shirts: 36, dropMm: 1100 }]);
  expect(place({ heightReadings: [mm(1000)] }, { unitKind: 'wardrobe' })).toEqual([]);
});

test.each([
  ['', null, 8],
  ['TURN table', null, 2],
  ['wicker', null, 1],
  ['lid', null, 1],
  ['round metal', null, 0],
  ['', { widthMm: 230, depthMm: 390, heightMm: 160 }, 4],
  ['riser', { widthMm: Infinity, depthMm: 230, heightMm: 100 }, 1],
] as const)('the catalogue finds by words %j and space %j', (words, into, count) =>
  expect(findInCatalogue(products, { words, into })).toHaveLength(count),
);
