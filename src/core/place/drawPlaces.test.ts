import fc from 'fast-check';

import { aBay, aDecision, aGroup, aUnit, mm } from '@test/builders';
import { usableLitresOf } from '../look';
import { foldDecisions } from '../sort';
import { drawPlaces, placesIn, type Draft } from '.';
import { draftSchema } from './draft';

const unit = aUnit({
  height: mm(1000),
  bays: [aBay(), aBay({ id: 'top', name: 'Top', rowIndex: 1 })],
});
const draw = (counts: readonly number[], litresEach: number) => {
  const groups = counts.flatMap((count, b) =>
    Array.from({ length: count }, (_, i) =>
      aGroup({ id: `g${b}-${i}`, name: `Group ${b} ${i}`, bayId: b === 0 ? 'shelf' : 'top' }),
    ),
  );
  const things = foldDecisions(
    groups.map((group, i) =>
      aDecision({ id: `d${i}`, thingId: `t${i}`, groupId: group.id, litres: litresEach }),
    ),
  );
  return drawPlaces({ units: [unit], groups, things, measureUnit: 'cm', penMm: 2.6 });
};
test('against another arrangement each tag says whether it stays, comes or leaves', () => {
  const [stays, comes, leaves] = ['Caps', 'Mugs', 'Bowls'].map((name, i) =>
    aGroup({ id: `g${i}`, name, bayId: i === 2 ? 'top' : 'shelf' }),
  ) as [ReturnType<typeof aGroup>, ReturnType<typeof aGroup>, ReturnType<typeof aGroup>];
  const sketch = drawPlaces({
    units: [aUnit({ bays: [aBay()] })],
    groups: [stays, comes, leaves],
    before: [stays, { ...comes, bayId: null }, { ...leaves, bayId: stays.bayId }],
    things: [],
    measureUnit: 'cm',
    penMm: 2.6,
  });
  const tags = sketch.marks.flatMap((mark) =>
    mark.kind === 'rect' && mark.role.startsWith('tag') ? [`${mark.role}: ${mark.title}`] : [],
  );
  expect(tags).toEqual(['tag: Caps', 'tag-comes: + Mugs', 'tag-leaves: − Bowls']);
});

const rects = (sketch: ReturnType<typeof draw>, role: string) =>
  sketch.marks.flatMap((mark) => (mark.kind === 'rect' && mark.role === role ? [mark] : []));

test('every tag and every level lies inside its place, however many there are', () =>
  fc.assert(
    fc.property(
      fc.tuple(fc.nat(30), fc.nat(30)),
      fc.double({ min: 0, max: 90, noNaN: true }),
      (counts, litres) => {
        const sketch = draw(counts, litres);
        const bays = rects(sketch, 'bay');
        expect(bays).toHaveLength(2);
        for (const mark of [
          ...rects(sketch, 'tag'),
          ...rects(sketch, 'level'),
          ...rects(sketch, 'level-over'),
        ]) {
          expect(
            bays.some(
              (bay) =>
                mark.x >= bay.x - 1e-6 &&
                mark.y >= bay.y - 1e-6 &&
                mark.x + mark.width <= bay.x + bay.width + 1e-6 &&
                mark.y + mark.depth <= bay.y + bay.depth + 1e-6,
            ),
          ).toBe(true);
        }
      },
    ),
    { numRuns: 60 },
  ));

test('a place is filled by its share of litres, and hatched where it holds too much', () => {
  const half = draw([1, 0], usableLitresOf(aBay()) / 2);
  expect((rects(half, 'level')[0]?.depth ?? 0) / (rects(half, 'bay')[0]?.depth ?? 1)).toBeCloseTo(
    0.5,
    6,
  );
  expect(rects(draw([1, 1], 500), 'level-over')).toHaveLength(2);
});

test('more tags than a place has room for end with how many more there are', () => {
  const names = draw([20, 1], 1).marks.flatMap((mark) =>
    mark.kind === 'text' && mark.role === 'name' ? [mark.text] : [],
  );
  const shown = names.filter((name) => name.startsWith('Group 0')).length;
  expect(names).toContain(`${20 - shown} more groups`);
});

const draft = (places: readonly { groupId: string; bayId: string | null }[] | null): Draft =>
  draftSchema.parse({
    id: 'draft',
    projectId: 'home',
    roomId: 'hall',
    name: 'By person',
    places,
    position: 1,
  });
test('an arrangement knows each group where it has it; what it does not know, or a place that is gone, is nowhere', () => {
  const groups = [
    aGroup({ id: 'a', bayId: 'shelf', standsBayId: 'top' }),
    aGroup({ id: 'b', bayId: 'gone', standsBayId: null }),
    aGroup({ id: 'new', bayId: 'top' }),
  ];
  const bayIds = new Set(['shelf', 'top']);
  const of = (arrangement: Parameters<typeof placesIn>[1]['arrangement']) =>
    placesIn(groups, { arrangement, bayIds });
  expect(of('today')).toEqual({ a: 'top', b: null, new: null });
  expect(of('chosen')).toEqual({ a: 'shelf', b: null, new: 'top' });
  expect(of(draft(null))).toEqual(of('chosen'));
  expect(
    of(
      draft([
        { groupId: 'a', bayId: 'gone' },
        { groupId: 'b', bayId: 'shelf' },
      ]),
    ),
  ).toEqual({ a: null, b: 'shelf', new: null });
});
