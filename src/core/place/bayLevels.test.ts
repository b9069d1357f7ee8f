import fc from 'fast-check';

import { personSchema, reachLinesOf, tightestReach, type Person } from '../agree';
import { aBay, aDecision, aGroup, aUnit, HOME, mm } from '@test/builders';
import { foldDecisions } from '../sort';
import { bayLevelOf, walkBays } from './bayLevels';

const person = (name: string, heightMm: number): Person =>
  personSchema.parse({
    id: name.toLowerCase(),
    projectId: HOME,
    name,
    height: mm(heightMm),
    isChild: false,
    noStep: false,
    position: 0,
  });
const people = [person('Nora', 1680), person('Ida', 1210)];
const level = (change: Partial<Parameters<typeof bayLevelOf>[0]> = {}) =>
  bayLevelOf({ bay: aBay(), reachMm: 800, groups: [], things: [], people, ...change });

test('a level is what is kept there over what goes in', () => {
  const groups = [
    aGroup({ bayId: 'shelf', uncountedLitres: 21 }),
    aGroup({ id: 'other', uncountedLitres: 50 }),
  ];
  expect(level({ groups })).toMatchObject({
    usableLitres: 84,
    keptLitres: 21,
    fillRatio: 0.25,
    warnings: [],
  });
});

test.each([
  ['too much', { groups: [aGroup({ bayId: 'shelf', uncountedLitres: 90 })] }, 'bay_overfull'],
  [
    'too heavy',
    { bay: aBay({ maxLoadG: 3000 }), groups: [aGroup({ bayId: 'shelf', uncountedLitres: 11 })] },
    'bay_overloaded',
  ],
  [
    'not part of this pass',
    { bay: aBay({ outOfScope: true }), groups: [aGroup({ bayId: 'shelf' })] },
    'bay_out_of_scope',
  ],
  [
    'heavy and high',
    { reachMm: 1500, groups: [aGroup({ bayId: 'shelf', uncountedLitres: 60 })] },
    'heavy_high',
  ],
  [
    'daily and out of reach',
    { reachMm: 1600, groups: [aGroup({ bayId: 'shelf', front: true, uncountedLitres: 1 })] },
    'out_of_reach',
  ],
])('speaks up: %s', (_, change, code) =>
  expect(level(change).warnings.map((warning) => warning.code)).toContain(code),
);

test('only those who cannot reach are named', () => {
  const groups = [aGroup({ bayId: 'shelf', front: true, uncountedLitres: 1 })];
  expect(level({ reachMm: 1600, groups }).warnings).toContainEqual({
    code: 'out_of_reach',
    personNames: ['Ida'],
  });
});

test('a bay without any inside is full as soon as something is meant for it', () => {
  const pipe = { label: 'pipe', x: 0, y: 0, z: 0, width: 800, depth: 300, height: 350 };
  const things = foldDecisions([aDecision({ groupId: 'hats' })]);
  expect(
    level({ bay: aBay({ obstacles: [pipe] }), groups: [aGroup({ bayId: 'shelf' })], things })
      .fillRatio,
  ).toBe(Infinity);
  expect(level({ bay: aBay({ obstacles: [pipe] }) }).fillRatio).toBe(0);
});

test('keys walk unit by unit, left to right, from the top shelf down', () => {
  const unit = aUnit({
    position: 1,
    bays: [
      aBay({ id: 'low' }),
      aBay({ id: 'high', rowIndex: 1 }),
      aBay({ id: 'right', columnIndex: 1 }),
    ],
  });
  expect(
    walkBays([unit, aUnit({ id: 'first', bays: [aBay({ id: 'a' })] })]).map(({ id }) => id),
  ).toEqual(['a', 'high', 'low', 'right']);
});

test('between the tightest lines nobody stretches and nobody bends', () =>
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 900, max: 2100 }), { minLength: 1, maxLength: 6 }),
      (heights) => {
        const household = heights.map((height, i) => person(`P${i}`, height));
        const { ceiling, floor } = tightestReach(household);
        for (const lines of household.map(reachLinesOf)) {
          expect(ceiling?.noStretchMm).toBeLessThanOrEqual(lines.noStretchMm);
          expect(floor?.noBendMm).toBeGreaterThanOrEqual(lines.noBendMm);
          expect(lines.noStepMm).toBeGreaterThan(lines.noStretchMm);
        }
      },
    ),
  ));

test('an empty household has no lines', () =>
  expect(tightestReach([])).toEqual({ ceiling: undefined, floor: undefined }));
