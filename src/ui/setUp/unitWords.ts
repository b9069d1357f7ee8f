import type { TipAnswer, TipCase } from '@/core/setUp';
import { formatMass, formatNumber } from '@/core/shared';

/** Whether a unit stands by itself, in one sentence. */
export function tipWords({ wantsAnchoring, why }: TipAnswer, isSecured: boolean): string {
  if (isSecured) return 'Anchored to the wall.';
  if (!wantsAnchoring) return 'Stands by itself, loaded like this.';
  return {
    drawers_out: 'Anchor it: with its drawers out it tips over.',
    child_on_drawer: 'Anchor it: a child on an open drawer tips it over.',
    tall_and_shallow: 'Anchor it: it is tall for its depth.',
    leaned: 'Anchor it: leaned on at the top it tips over.',
    none: '',
  }[why];
}

/** What holds it against what tips it, as one figure. */
function tipCaseWords(what: string, { ratio }: TipCase): string {
  if (ratio === null) return `${what}: nothing tips it`;
  const rounded = ratio >= 10 ? 'over 10' : formatNumber(Math.round(ratio * 10) / 10);
  return `${what}: held by ${rounded} times what tips it`;
}

const wholeKg = (massG: number): number => Math.round(massG / 1000);

/** Its mass, and what it stands against, each as one figure. */
export function tipFactsWords(tipping: TipAnswer): string {
  const { emptyG, isMassAssumed, leaned, drawersOut, childOnDrawer, hasDrawers } = tipping;
  const empty = isMassAssumed
    ? `about ${wholeKg(emptyG.low)} to ${wholeKg(emptyG.high)} kg, assumed from its boards`
    : formatMass(emptyG.likely);
  const cases = [
    tipCaseWords('Leaned on at the top', leaned),
    ...(hasDrawers
      ? [
          tipCaseWords('all drawers out', drawersOut),
          tipCaseWords('a child on the fullest drawer', childOnDrawer),
        ]
      : []),
  ];
  return `Empty ${empty}; ${formatMass(tipping.loadG)} in it. ${cases.join('; ')}.`;
}

/** How a unit is put together, step by step. */
export function assemblyWords({
  isMoved,
  needsTwo,
  alikeBefore,
  wantsAnchoring,
}: {
  readonly isMoved: boolean;
  readonly needsTwo: boolean;
  readonly alikeBefore: number;
  readonly wantsAnchoring: boolean;
}): string[] {
  return [
    ...(isMoved
      ? [
          'Empty it, take out doors, drawers and shelves, and put its screws into a bag with its name.',
        ]
      : [
          'Lay the parts out and check them against the list; what is missing is asked for before the first screw.',
        ]),
    'Sort the small parts by kind into cups.',
    'Lay a blanket on the floor: it protects the floor and the front.',
    ...(alikeBefore > 0
      ? ['It is like the one before: do each step for all of them before the next, it goes faster.']
      : []),
    'Carcass first, then the back, which keeps it square; doors and drawers come last.',
    ...(needsTwo
      ? ['Two people stand it up: it is heavy or long.']
      : ['Stand it up with a clear floor around.']),
    'Level it, so that doors and drawers stay where they are left.',
    ...(wantsAnchoring ? ['Anchor it before anything is put in.'] : []),
  ];
}
