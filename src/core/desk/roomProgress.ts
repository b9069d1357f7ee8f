import type { Section } from '../agree';
import { type Picture, type Room, type Unit, type VantagePoint, askewMeasuresOf } from '../look';
import type { TakenFit } from '../fit';
import type { ContainerNeed } from '../shop';
import { keptLitresOf, type Group, type Thing } from '../sort';
import { pairPictures } from '../show';

export const steps = [
  'look',
  'agree',
  'sort',
  'place',
  'fit',
  'shop',
  'set-up',
  'take-away',
  'show',
  'look-again',
] as const;
export type Step = (typeof steps)[number];
/** Those that make the work: looking again comes after it. */
export const workSteps = steps.filter((step) => step !== 'look-again');

/** What is missing next, most urgent first within a step. The screen words it. */
export type NextStep =
  | { readonly step: 'look'; readonly code: 'add_unit' }
  | { readonly step: 'look'; readonly code: 'add_vantage_point' }
  | { readonly step: 'look'; readonly code: 'take_before'; readonly vantagePointName: string }
  | { readonly step: 'look'; readonly code: 'measure_again'; readonly bayName: string }
  | {
      readonly step: 'look';
      readonly code: 'measure_usual';
      readonly count: number;
      readonly firstName: string;
    }
  | { readonly step: 'look'; readonly code: 'measure_walls' }
  | { readonly step: 'agree'; readonly code: 'set_room_budget' }
  | { readonly step: 'agree'; readonly code: 'make_sections' }
  | { readonly step: 'agree'; readonly code: 'get_agreement' }
  | { readonly step: 'sort'; readonly code: 'start_sorting' }
  | { readonly step: 'sort'; readonly code: 'ask_client'; readonly count: number }
  | { readonly step: 'sort'; readonly code: 'decide_later'; readonly count: number }
  | {
      readonly step: 'place';
      readonly code: 'place_groups';
      readonly count: number;
      readonly firstName: string;
    }
  | {
      readonly step: 'fit';
      readonly code: 'fit_bays';
      readonly count: number;
      readonly firstBayName: string;
    }
  | {
      readonly step: 'fit';
      readonly code: 'groups_left_out';
      readonly count: number;
      readonly firstName: string;
    }
  | { readonly step: 'shop'; readonly code: 'buy'; readonly lines: number }
  | { readonly step: 'set-up'; readonly code: 'anchor'; readonly unitName: string }
  | { readonly step: 'set-up'; readonly code: 'set_up'; readonly count: number }
  | { readonly step: 'take-away'; readonly code: 'take_away'; readonly count: number }
  | { readonly step: 'show'; readonly code: 'take_after'; readonly vantagePointName: string };

export interface RoomFacts {
  readonly room: Room;
  readonly units: readonly Unit[];
  /** Of this room. */
  readonly sections: readonly Section[];
  readonly vantagePoints: readonly VantagePoint[];
  readonly pictures: readonly Picture[];
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly fits: readonly TakenFit[];
  /** Whether the household has agreed to the work. */
  readonly isAgreed: boolean;
  /** Lines of the shopping list: containers, what was put down by hand, materials. */
  readonly needs: readonly Pick<ContainerNeed, 'qty' | 'hadQty'>[];
  /** Of the working list: tasks that are open and done, and what should be fixed to the wall and is not. */
  readonly setUp: {
    readonly openCount: number;
    readonly doneCount: number;
    readonly unanchoredName: string | undefined;
  };
  /** Piles of this room that leave the home: those that wait, and those that have gone. */
  readonly leaving: { readonly waitingCount: number; readonly goneCount: number };
}

/** How far a room has come. Nothing is locked: the order is advice. */
export interface RoomProgress {
  readonly next: readonly NextStep[];
  /** Steps with nothing missing, of those that have begun. */
  readonly doneSteps: readonly Step[];
  /** 0..1, for the fill of the room's tab. */
  readonly doneRatio: number;
}

/** Works out from a room's records which steps are done and what comes next. */
export function roomProgressOf(facts: RoomFacts): RoomProgress {
  const next = [
    ...lookGaps(facts),
    ...agreeGaps(facts),
    ...sortGaps(facts),
    ...placeGaps(facts),
    ...fitGaps(facts),
    ...shopGaps(facts),
    ...setUpGaps(facts),
    ...takeAwayGaps(facts),
    ...showGaps(facts),
  ];
  const hasBegun: Readonly<Record<Step, boolean>> = {
    look: facts.units.length > 0,
    agree: facts.isAgreed,
    sort: facts.things.length > 0,
    place: facts.groups.some((group) => group.bayId !== null),
    fit: facts.fits.length > 0,
    shop: facts.needs.length > 0,
    'set-up': facts.setUp.doneCount > 0,
    'take-away': facts.leaving.goneCount > 0,
    show: facts.pictures.some((picture) => picture.moment === 'after'),
    'look-again': false,
  };
  const doneSteps = workSteps.filter(
    (step) => hasBegun[step] && next.every((gap) => gap.step !== step),
  );
  return { next, doneSteps, doneRatio: doneSteps.length / workSteps.length };
}

function lookGaps({ room, units, vantagePoints, pictures }: RoomFacts): NextStep[] {
  const gaps: NextStep[] = [];
  if (vantagePoints.length === 0) gaps.push({ step: 'look', code: 'add_vantage_point' });
  for (const { vantagePoint, before, after } of pairPictures(vantagePoints, pictures)) {
    // Once there is an after, no before can be taken any more.
    if (!before && !after && vantagePoint.beforeMissed === null)
      gaps.push({ step: 'look', code: 'take_before', vantagePointName: vantagePoint.name });
  }
  if (units.length === 0) gaps.push({ step: 'look', code: 'add_unit' });
  const askew = units.flatMap((unit) => unit.bays).find((bay) => askewMeasuresOf(bay).length > 0);
  if (askew) gaps.push({ step: 'look', code: 'measure_again', bayName: askew.name });
  const guessed = units
    .flatMap((unit) => unit.bays)
    .filter((bay) => bay.isUsual && !bay.outOfScope);
  if (guessed[0])
    gaps.push({
      step: 'look',
      code: 'measure_usual',
      count: guessed.length,
      firstName: guessed[0].name,
    });
  if (room.plan === null) gaps.push({ step: 'look', code: 'measure_walls' });
  return gaps;
}

const agreeGaps = ({ room, units, sections, isAgreed }: RoomFacts): NextStep[] => [
  ...(room.budgetMinor === 0 ? [{ step: 'agree', code: 'set_room_budget' } as const] : []),
  ...(units.length > 0 && sections.length === 0
    ? [{ step: 'agree', code: 'make_sections' } as const]
    : []),
  ...(sections.length > 0 && !isAgreed ? [{ step: 'agree', code: 'get_agreement' } as const] : []),
];

function sortGaps({ things }: RoomFacts): NextStep[] {
  if (things.length === 0) return [{ step: 'sort', code: 'start_sorting' }];
  const countOf = (verdict: 'ask' | 'later') =>
    things.filter((thing) => thing.verdict === verdict).length;
  return [
    ...(countOf('ask') > 0
      ? [{ step: 'sort', code: 'ask_client', count: countOf('ask') } as const]
      : []),
    ...(countOf('later') > 0
      ? [{ step: 'sort', code: 'decide_later', count: countOf('later') } as const]
      : []),
  ];
}

function placeGaps({ groups, things }: RoomFacts): NextStep[] {
  const unplaced = groups.filter(
    (group) => group.bayId === null && keptLitresOf(group, things) > 0,
  );
  const first = unplaced[0];
  return first
    ? [{ step: 'place', code: 'place_groups', count: unplaced.length, firstName: first.name }]
    : [];
}

function fitGaps({ units, groups, things, fits }: RoomFacts): NextStep[] {
  const open = units
    .flatMap((unit) => unit.bays)
    .filter((bay) =>
      groups.some(
        (group) => group.bayId === bay.id && !group.loose && keptLitresOf(group, things) > 0,
      ),
    )
    .filter((bay) => fits.every((fit) => fit.bayId !== bay.id));
  const first = open[0];
  const leftOut = groups.filter(({ id, bayId }) =>
    fits.some((fit) => fit.bayId === bayId && fit.answer.unmet.some((each) => each.groupId === id)),
  );
  return [
    ...(first
      ? [{ step: 'fit', code: 'fit_bays', count: open.length, firstBayName: first.name } as const]
      : []),
    ...(leftOut[0]
      ? [
          {
            step: 'fit',
            code: 'groups_left_out',
            count: leftOut.length,
            firstName: leftOut[0].name,
          } as const,
        ]
      : []),
  ];
}

function shopGaps({ needs }: RoomFacts): NextStep[] {
  const lines = needs.filter(({ qty, hadQty }) => qty > hadQty).length;
  return lines > 0 ? [{ step: 'shop', code: 'buy', lines }] : [];
}

/** Once something is placed or begun; before, there is nothing to set up. */
function setUpGaps({ setUp, groups, fits }: RoomFacts): NextStep[] {
  const hasBegun =
    setUp.doneCount > 0 || fits.length > 0 || groups.some(({ bayId }) => bayId !== null);
  if (!hasBegun || setUp.openCount === 0) return [];
  return [
    ...(setUp.doneCount > 0 && setUp.unanchoredName !== undefined
      ? [{ step: 'set-up', code: 'anchor', unitName: setUp.unanchoredName } as const]
      : []),
    { step: 'set-up', code: 'set_up', count: setUp.openCount },
  ];
}

const takeAwayGaps = ({ leaving: { waitingCount } }: RoomFacts): NextStep[] =>
  waitingCount > 0 ? [{ step: 'take-away', code: 'take_away', count: waitingCount }] : [];

function showGaps({ vantagePoints, pictures }: RoomFacts): NextStep[] {
  return pairPictures(vantagePoints, pictures)
    .filter(
      ({ vantagePoint, before, after }) =>
        (before !== undefined || vantagePoint.beforeMissed !== null) && !after,
    )
    .map(({ vantagePoint }) => ({
      step: 'show',
      code: 'take_after',
      vantagePointName: vantagePoint.name,
    }));
}
