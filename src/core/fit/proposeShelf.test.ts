import { cpuClock as clock } from '@test/cpuClock';
import { loadSolver } from '../shared';
import { findFitFaults, fitRequestSchema, planFit, proposeShelf } from '.';

const shelf = (id: string, height: number, litres: number, more: object = {}) =>
  fitRequestSchema.parse({
    bay: { id, width: 420, depth: 320, height, ...more },
    groups: [{ id: `g-${id}`, name: id, litres }],
    containers: [
      {
        id: 'tall',
        name: 'tall',
        outer: { width: 200, depth: 300, height: 300 },
        innerLitres: 16,
        innerHeight: 290,
        material: 'plastic',
        priceMinor: 400,
      },
      {
        id: 'low',
        name: 'low',
        outer: { width: 200, depth: 300, height: 100 },
        innerLitres: 4,
        innerHeight: 90,
        material: 'plastic',
        priceMinor: 300,
      },
    ],
  });

test('the shelf moves by whole holes to where both places cost least, and both still go in', async () => {
  const means = { solver: await loadSolver(), clock };
  // Below 300 mm high boxes need 325: two holes of 32 mm more, which the upper place can spare.
  const question = { lower: shelf('lower', 270, 30), upper: shelf('upper', 270, 8), pitchMm: 32 };
  const { now, better } = proposeShelf(question, means);
  expect(now.unmetLitres).toBeGreaterThan(10);
  expect(better).toMatchObject({ byMm: 64, unmetLitres: 0, costMinor: 1400 });
  if (better)
    expect(
      findFitFaults(
        { ...question.lower, bay: { ...question.lower.bay, height: 334 } },
        better.lower,
      ),
    ).toEqual([]);
  expect(
    proposeShelf(
      { lower: shelf('lower', 334, 30), upper: shelf('upper', 206, 8), pitchMm: 32 },
      means,
    ).better,
  ).toBeUndefined();
}, 30_000);

test('what is in the way above keeps its place in the room', async () => {
  const means = { solver: await loadSolver(), clock };
  const pipe = { label: 'pipe', x: 0, y: 0, z: 40, width: 420, depth: 320, height: 30 };
  const question = {
    lower: shelf('lower', 270, 30),
    upper: shelf('upper', 270, 8, { obstacles: [pipe] }),
    pitchMm: 32,
  };
  const { better } = proposeShelf(question, means);
  // A pipe over the whole floor: with the shelf above it, it hangs in the lower place, 310 mm over
  // its floor, and high boxes go under it.
  expect(better).toMatchObject({ byMm: 96, unmetLitres: 0 });
  if (better)
    expect(
      findFitFaults(
        {
          ...question.lower,
          bay: { ...question.lower.bay, height: 366, obstacles: [{ ...pipe, z: 310 }] },
        },
        better.lower,
      ),
    ).toEqual([]);
  // Had it stayed where it was above, nothing would stand there.
  expect(planFit(question.upper, means).unmet).toEqual([{ groupId: 'g-upper', litres: 8 }]);
}, 30_000);
