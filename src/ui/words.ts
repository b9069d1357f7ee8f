import type { NextStep, RoomProgress, Step } from '@/core/desk';
import type { FitAim, FitFault } from '@/core/fit';
import type { ContentKind } from '@/core/agree';
import type {
  DivideColumnError,
  DoorSwing,
  FixtureKind,
  LayOutUnitError,
  Moment,
  Reach,
  SchoolQuestion,
  TraceWallsError,
  UnitDoor,
  UnitKind,
} from '@/core/look';
import type { PlaceWarning } from '@/core/place';
import {
  assertNever,
  formatCount,
  formatLength,
  formatLitres,
  formatMass,
  type LengthError,
  type LengthUnit,
  type MoneyError,
} from '@/core/shared';
import type { CautionCode, Verdict } from '@/core/sort';

/** Codes from core become sentences here and nowhere else. */
export const stepWords: Readonly<Record<Step, string>> = {
  look: 'Look',
  agree: 'Agree',
  sort: 'Sort',
  place: 'Place',
  fit: 'Fit',
  shop: 'Shop',
  show: 'Show',
};

export const verdictWords: Readonly<Record<Verdict, string>> = {
  keep: 'Keep',
  donate: 'Donate',
  discard: 'Discard',
  elsewhere: 'Elsewhere',
  give: 'Give to',
  sell: 'Sell',
  recycle: 'Recycle',
  ask: 'Ask',
  later: 'Later',
};
export const verdictPast: Readonly<Record<Verdict, string>> = {
  keep: 'kept',
  donate: 'donated',
  discard: 'discarded',
  elsewhere: 'belongs elsewhere',
  give: 'given',
  sell: 'to sell',
  recycle: 'recycled',
  ask: 'ask the client',
  later: 'decide later',
};
/** One key a verdict, shown on its box. */
export const verdictKeys: Readonly<Record<Verdict, string>> = {
  keep: 'K',
  donate: 'D',
  discard: 'X',
  elsewhere: 'E',
  give: 'G',
  sell: 'S',
  recycle: 'R',
  ask: 'Q',
  later: 'L',
};

export const momentWords: Readonly<Record<Moment, string>> = {
  before: 'Before',
  emptied: 'Emptied',
  'mock-up': 'Mock-up',
  after: 'After',
  later: 'Looked at again',
};

export const unitKindWords: Readonly<Record<UnitKind, string>> = {
  cupboard: 'Cupboard with shelves',
  drawers: 'Stack of drawers',
  'under-basin': 'Under a basin',
  shelving: 'Open shelving',
  cubes: 'Grid of cubes',
  wardrobe: 'Wardrobe with rail',
  fridge: 'Fridge',
  locker: 'Locker',
  bench: 'Bench',
  hooks: 'Wall with hooks',
  'under-bed': 'Under a bed',
  'cupboard-top': 'Top of a cupboard',
  other: 'Something else',
};

export const unitDoorWords: Readonly<Record<UnitDoor, string>> = {
  none: 'no door',
  left: 'door, hinged left',
  right: 'door, hinged right',
  pair: 'a pair of doors',
  slides: 'sliding doors',
};
export const fixtureKindWords: Readonly<Record<FixtureKind, string>> = {
  door: 'Door',
  window: 'Window',
  socket: 'Socket',
  radiator: 'Radiator',
  meter: 'Meter',
  valve: 'Valve',
  station: 'Station',
};
export const doorSwingWords: Readonly<Record<DoorSwing, string>> = {
  'in-start': 'into the room, hinged left',
  'in-end': 'into the room, hinged right',
  out: 'out of the room',
  slides: 'slides',
};
export const reachWords: Readonly<Record<Reach, string>> = {
  squat: 'squats',
  bend: 'bends',
  easy: 'easy',
  high: 'reaches up',
  stretch: 'stretches',
  step: 'needs a step',
};
export const contentKindWords: Readonly<Record<ContentKind, string>> = {
  linen: 'linen',
  clothes: 'clothes',
  kitchen: 'kitchen, food',
  tools: 'tools and parts',
  toys: 'toys',
  books: 'books',
  papers: 'papers',
  keepsakes: 'keepsakes',
  mixed: 'of everything',
};
export const schoolQuestionWords: Readonly<Record<SchoolQuestion, string>> = {
  method: 'Going through a room',
  containers: 'Containers',
  lids: 'Lids',
  sight: 'See or hide',
  decanting: 'Packs or jars',
  labels: 'Labels',
  sentimental: 'Sentimental',
  grouping: 'Group by',
  living: 'Where it lives',
};
export const schoolChoiceWords: Readonly<Record<string, string>> = {
  'quick-pass': 'quick pass',
  'empty-all': 'empty it all',
  'by-category': 'by category',
  buy: 'buy matching',
  reuse: 'use what is here',
  mix: 'mix, cheapest first',
  with: 'with lids',
  without: 'without',
  open: 'clear and open',
  hidden: 'hidden, uniform',
  jars: 'into jars',
  packs: 'original packs',
  'at-once': 'at once',
  settled: 'once settled',
  none: 'none yet',
  'while-space': 'while space holds',
  limit: 'to a set limit',
  photograph: 'photograph it',
  kind: 'kind',
  person: 'person',
  task: 'task',
  frequency: 'frequency',
  nearest: 'nearest to use',
  together: 'all together',
};

export function traceWallsWords(error: TraceWallsError, units: LengthUnit): string {
  switch (error.code) {
    case 'walls_turn_wrong':
      return `Going round a room takes four more right turns than left ones; here are ${error.rightTurns} right and ${error.leftTurns} left`;
    case 'walls_do_not_meet': {
      const gaps = [
        [error.acrossMm, 'across'],
        [error.downMm, 'lengthwise'],
      ] as const;
      return `The walls do not meet: ${gaps
        .filter(([mm]) => Math.abs(mm) > 0.5)
        .map(([mm, way]) => `${formatLength(Math.abs(mm), units)} ${way}`)
        .join(' and ')} apart at the last corner. One of them was read wrongly`;
    }
    case 'walls_cross':
      return `Wall ${error.wallIndex + 1} and wall ${error.otherIndex + 1} meet in the middle; check their turns`;
    default:
      return assertNever(error);
  }
}

export function divideColumnWords(error: DivideColumnError, units: LengthUnit): string {
  switch (error.code) {
    case 'shelf_outside':
      return `A shelf at ${formatLength(error.shelfMm, units)} is not inside the ${formatLength(error.insideMm, units)} of this column`;
    case 'shelves_too_close':
      return `Shelves at ${formatLength(error.shelfMm, units)} and ${formatLength(error.nextMm, units)} leave nothing between them`;
    default:
      return assertNever(error);
  }
}

export const aimWords: Readonly<Record<FitAim, { readonly name: string; readonly about: string }>> =
  {
    cost: { name: 'Least money', about: 'what costs least, your own first because it is free' },
    uniform: { name: 'Calmest look', about: 'as few different containers as will do' },
    reuse: { name: 'Reuse first', about: 'as few new pieces as will do' },
    easy: { name: 'Easiest to use', about: 'least to lift away to get at something' },
  };

export function lengthErrorWords(error: LengthError): string {
  switch (error.code) {
    case 'length_empty':
      return 'Type a measure, such as 36.5 cm';
    case 'length_unreadable':
      return `“${error.found.trim()}” makes no sense here; write it like 36,5 cm, 14 3/8" or 1' 4"`;
    case 'length_comma_ambiguous':
      return 'Is the comma a thousand or a decimal? Write 1250 or 1.25';
    case 'length_out_of_range':
      return 'That is more than 100 m; check the unit';
    default:
      return assertNever(error);
  }
}

export function pictureErrorWords({
  code,
}: {
  readonly code: 'picture_too_large' | 'not_a_picture' | 'picture_is_heic' | 'picture_damaged';
}): string {
  switch (code) {
    case 'picture_too_large':
      return 'This file is larger than 25 MB; send the picture, not the raw file.';
    case 'not_a_picture':
      return 'This file is not a picture that can be read here. JPEG, PNG, WebP, TIFF and AVIF can.';
    case 'picture_is_heic':
      return 'This is a HEIC picture, which cannot be read here. Set the phone’s camera to take JPEG (“most compatible”), or send it as JPEG.';
    case 'picture_damaged':
      return 'This picture is damaged and could not be read to its end. Take or send it again.';
    default:
      return assertNever(code);
  }
}

export function moneyErrorWords(error: MoneyError): string {
  switch (error.code) {
    case 'money_empty':
      return 'Type an amount, such as 140 or 9.80';
    case 'money_unreadable':
      return `“${error.found}” is not an amount; write it like 140 or 9.80`;
    case 'money_out_of_range':
      return 'That is more than ten million';
    default:
      return assertNever(error);
  }
}

export function layOutErrorWords(
  error: LayOutUnitError,
  units: LengthUnit,
  bayName: (id: string) => string,
): string {
  const say = (mm: number) => formatLength(mm, units);
  switch (error.code) {
    case 'bays_wider_than_unit':
      return `The columns are ${say(error.sumMm)} wide together, the unit is ${say(error.unitMm)}`;
    case 'bays_taller_than_unit':
      return `Column ${error.columnIndex + 1} is ${say(error.sumMm)} high in all, the unit is ${say(error.unitMm)}`;
    case 'bay_deeper_than_unit':
      return `${bayName(error.bayId)} is ${say(error.bayMm)} deep inside, the unit is ${say(error.unitMm)} outside`;
    case 'two_bays_in_one_place':
      return `${bayName(error.bayId)} has the same column and row as another place`;
    case 'opening_larger':
      return `The opening of ${bayName(error.bayId)} is ${say(error.openingMm)}, the inside only ${say(error.insideMm)}`;
    case 'obstacle_outside':
      return `“${error.label}” does not lie inside ${bayName(error.bayId)}; it counts from the front left bottom corner`;
    default:
      return assertNever(error);
  }
}

export function nextStepWords(next: NextStep): string {
  switch (next.code) {
    case 'add_unit':
      return 'Measure the first cupboard or shelf';
    case 'add_vantage_point':
      return 'Name a spot to photograph from, before anything moves';
    case 'take_before':
      return `Photograph “before” ${fromWords(next.vantagePointName)}`;
    case 'measure_again':
      return `Measure ${next.bayName} again: the readings differ by more than 5 mm`;
    case 'measure_usual':
      return next.count === 1
        ? `Measure ${next.firstName}: its sizes are only the usual ones`
        : `Measure ${next.firstName} and ${formatCount(next.count - 1, 'other place')}: usual sizes so far`;
    case 'measure_walls':
      return 'Measure the walls, so that the room can be drawn from above';
    case 'set_room_budget':
      return 'Set this room’s share of the budget';
    case 'make_sections':
      return 'Divide the room into sections, each for one visit';
    case 'start_sorting':
      return 'Sort the first thing';
    case 'ask_client':
      return `Put ${formatCount(next.count, 'question')} to the client`;
    case 'decide_later':
      return `Decide ${formatCount(next.count, 'thing')} left for later`;
    case 'place_groups':
      return next.count === 1
        ? `Find a home for ${next.firstName}`
        : `Find homes for ${next.firstName} and ${formatCount(next.count - 1, 'other group')}`;
    case 'fit_bays':
      return next.count === 1
        ? `Choose containers for ${next.firstBayName}`
        : `Choose containers for ${next.firstBayName} and ${formatCount(next.count - 1, 'other place')}`;
    case 'buy':
      return `Buy what is on the list, ${formatCount(next.lines, 'line')}`;
    case 'take_after':
      return `Photograph “after” ${fromWords(next.vantagePointName)}`;
    default:
      return assertNever(next);
  }
}

/** Spots are mostly named "from the door"; one that is not gets the word. */
export const fromWords = (spot: string): string =>
  /^from\b/i.test(spot) ? spot.replace(/^From/, 'from') : `from ${spot}`;

/** The word under a divider: what is missing in that step, or that it is done. */
export function stepStatus(
  step: Step,
  progress: RoomProgress,
): { readonly word: string; readonly isMissing: boolean } {
  const gap = progress.next.find((next) => next.step === step);
  if (!gap) return { word: progress.doneSteps.includes(step) ? 'done' : '', isMissing: false };
  switch (gap.code) {
    case 'add_unit':
      return { word: 'to measure', isMissing: false };
    case 'add_vantage_point':
      return { word: 'no pictures', isMissing: true };
    case 'take_before':
      return { word: 'no “before”', isMissing: true };
    case 'measure_again':
      return { word: 'measure again', isMissing: true };
    case 'measure_usual':
      return { word: `${gap.count} to measure`, isMissing: true };
    case 'measure_walls':
      return { word: 'no plan', isMissing: false };
    case 'set_room_budget':
      return { word: 'no budget', isMissing: true };
    case 'make_sections':
      return { word: 'no sections', isMissing: false };
    case 'start_sorting':
      return { word: 'not begun', isMissing: false };
    case 'ask_client':
      return { word: `${gap.count} to ask`, isMissing: true };
    case 'decide_later':
      return { word: `${gap.count} for later`, isMissing: false };
    case 'place_groups':
      return { word: `${gap.count} homeless`, isMissing: true };
    case 'fit_bays':
      return { word: `${gap.count} open`, isMissing: false };
    case 'buy':
      return { word: `${gap.lines} to buy`, isMissing: false };
    case 'take_after':
      return { word: 'no “after”', isMissing: false };
    default:
      return assertNever(gap);
  }
}

export function placeWarningWords(warning: PlaceWarning): string {
  switch (warning.code) {
    case 'bay_overfull':
      return `${formatLitres(warning.overLitres)} too much for this place`;
    case 'bay_overloaded':
      return `${formatMass(warning.overG)} more than it bears`;
    case 'bay_out_of_scope':
      return 'not part of this pass';
    case 'heavy_high':
      return `${formatMass(warning.massG)} above shoulder height: heavy things belong low`;
    case 'out_of_reach':
      return `used daily, and out of reach for ${warning.personNames.join(' and ')}`;
    default:
      return assertNever(warning);
  }
}

/** Read aloud at the step where it can hurt someone; local rules and licensed trades come first. */
export const cautionWords: Readonly<Record<CautionCode, string>> = {
  chemical:
    'Chemicals stay in their original packs, locked or out of a child’s reach, never beside food; nothing acid and no ammonia beside bleach.',
  medicine:
    'Medicine goes back to a pharmacy or a take-back scheme, not into the bin or the drain.',
  blade: 'Wrap blades and broken glass and mark the parcel before it leaves.',
  battery:
    'Batteries and rechargeable cells never go in the bin: take them to a collection point, terminals taped.',
  hazardous_waste:
    'Paint, solvents, canisters and bulbs go to the hazardous-waste site; ask the local one what it takes.',
  paper_private: 'Papers with names and numbers are shredded, not recycled whole.',
  mould_pest:
    'Bag what leaves; wash hot or freeze what stays. Mould in walls, vermin or needles: stop, and call licensed people.',
  heavy: 'More than 15 kg in one lift: two people, or two boxes.',
};

export const fitFaultWords = (fault: FitFault): string =>
  `${fault.subject}: ${fault.rule.replaceAll('_', ' ')}`;
