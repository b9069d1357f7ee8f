import fc from 'fast-check';
import { renderToStaticMarkup } from 'react-dom/server';

import { aBay, aUnit, mm } from '@test/builders';
import { fitRequestArb } from '@test/fitArbitrary';
import { cpuClock as clock } from '@test/cpuClock';
import { planFit } from '@/core/fit';
import { loadSolver, type Solver } from '@/core/shared';
import { FitDrawing } from './fit/FitDrawing';
import { FrontDrawing } from './look/FrontDrawing';
import { BudgetBar } from './shop/BudgetBar';
import { OverBudget } from './shop/OverBudget';
import { shopRequestSchema, type ShopAnswer } from '@/core/shop';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

interface Rect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
const numberOf = (tag: string, name: string): number =>
  Number(new RegExp(` ${name}="([^"]+)"`).exec(tag)?.[1] ?? NaN);
const rectsOf = (svg: string): Rect[] =>
  (svg.match(/<rect[^>]*>/g) ?? []).map((tag) => ({
    x: numberOf(tag, 'x'),
    y: numberOf(tag, 'y'),
    width: numberOf(tag, 'width'),
    height: numberOf(tag, 'height'),
  }));
const svgsOf = (markup: string): string[] => markup.match(/<svg[\s\S]*?<\/svg>/g) ?? [];
const isInside = (inner: Rect, outer: Rect) =>
  inner.x >= outer.x - 0.01 &&
  inner.y >= outer.y - 0.01 &&
  inner.x + inner.width <= outer.x + outer.width + 0.01 &&
  inner.y + inner.height <= outer.y + outer.height + 0.01;

const drawFront = (unit: ReturnType<typeof aUnit>) =>
  renderToStaticMarkup(
    <FrontDrawing units={[unit]} measureUnit="cm" box={{ widthPx: 800, heightPx: 420 }} />,
  );

test('a front view is to scale, with every place inside its unit', () =>
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 60, max: 700 }), { minLength: 1, maxLength: 6 }),
      fc.integer({ min: 200, max: 2000 }),
      (heights, width) => {
        const unit = aUnit({
          width: mm(width + 40),
          height: mm(heights.reduce((a, b) => a + b, 0) + 60),
          bays: heights.map((height, rowIndex) =>
            aBay({
              id: `b${rowIndex}`,
              rowIndex,
              widthReadings: [mm(width)],
              heightReadings: [mm(height)],
            }),
          ),
        });
        const [outer, ...bays] = rectsOf(drawFront(unit));
        if (!outer) throw new Error('the unit is drawn');
        const scale = outer.width / unit.width.mm;
        expect(outer.height / unit.height.mm).toBeCloseTo(scale, 6);
        expect(bays).toHaveLength(heights.length);
        bays.forEach((bay, i) => {
          expect(isInside(bay, outer)).toBe(true);
          expect(bay.height / scale).toBeCloseTo(heights[i] ?? 0, 3);
          expect(bay.width / scale).toBeCloseTo(width, 3);
        });
      },
    ),
  ));

test('readings that lie apart are marked, what is out of scope is only outlined', () => {
  const svg = drawFront(
    aUnit({
      bays: [
        aBay({ widthReadings: [mm(800), mm(780)] }),
        aBay({ id: 'tank', rowIndex: 1, outOfScope: true }),
      ],
    }),
  );
  expect(svg).toContain('readings differ');
  expect(svg).toContain('not in scope');
  expect(svg.match(/stroke="#c8641b"/g)).toHaveLength(1);
});

test(
  'containers are drawn to scale inside their bay, from the front and from above',
  () =>
    fc.assert(
      fc.property(fitRequestArb, (request) => {
        const answer = planFit({ ...request, timeLimitMs: 50 }, { solver, clock });
        const markup = renderToStaticMarkup(
          <FitDrawing
            request={request}
            answer={answer}
            measureUnit="mm"
            pickedIndex={undefined}
            onPick={() => undefined}
          />,
        );
        const [front, above] = svgsOf(markup);
        for (const [svg, depthName] of [
          [front, 'height'],
          [above, 'depth'],
        ] as const) {
          const [bay] = rectsOf(svg ?? '');
          if (!bay) throw new Error('the bay is drawn');
          const scale = bay.width / request.bay.width;
          expect(bay.height / request.bay[depthName]).toBeCloseTo(scale, 6);
          const containers = (svg ?? '').match(/<g role="button"[\s\S]*?<\/g>/g) ?? [];
          for (const container of containers.flatMap(rectsOf))
            expect(isInside(container, bay)).toBe(true);
        }
        expect(((front ?? '').match(/role="button"/g) ?? []).length).toBe(answer.placements.length);
      }),
      { numRuns: 10 },
    ),
  30_000,
);

test.each([
  [
    { spentMinor: 4000, plannedMinor: 3000, budgetMinor: 9500 },
    ['£40.00', '£30.00', '£25.00</b> left'],
  ],
  [
    { spentMinor: 4000, plannedMinor: 6000, budgetMinor: 9500 },
    ['£40.00', '£60.00', '£5.00</b> over'],
  ],
  [{ spentMinor: 0, plannedMinor: 0, budgetMinor: 0 }, ['£0.00</b> left']],
])('the bar says what is bought, planned and left: %j', (sums, words) => {
  const markup = renderToStaticMarkup(<BudgetBar {...sums} currency="GBP" />);
  for (const word of words) expect(markup).toContain(word);
  // No part of the bar may run out of it.
  for (const [, percent] of markup.matchAll(/(?:width|left):([\d.]+)%/g))
    expect(Number(percent)).toBeLessThanOrEqual(100);
});

test('over budget: by how much, and which single line would do', () => {
  const request = shopRequestSchema.parse({
    needs: [{ id: 'tray', name: 'Deep tray', qty: 2, priority: 'must' }],
    offers: [],
    shops: [],
    budgetMinor: 500,
  });
  const answer: ShopAnswer = {
    status: 'infeasible',
    objective: null,
    bound: null,
    elapsedMs: 1,
    buys: [],
    met: [],
    payMinor: 0,
    perShop: [],
    leftovers: [],
    dropped: [],
    leastBudgetMinor: 680,
    reasons: [],
  };
  const markup = renderToStaticMarkup(
    <OverBudget
      request={request}
      answer={answer}
      waysBack={[{ needIds: ['tray'], leastMinor: 0, savesMinor: 680, isEnough: true }]}
      currency="GBP"
    />,
  );
  expect(markup).toContain('£1.80 over what is left.');
  expect(markup).toContain('Deep tray left out: £6.80 less');
});
