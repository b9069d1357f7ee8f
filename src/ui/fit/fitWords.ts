import type { FitAim, FitFault, FitReason, GroupFault, LabelFace } from '@/core/fit';
import { formatCount, formatLength, formatLitres, type LengthUnit } from '@/core/shared';

export const aimWords: Readonly<Record<FitAim, { readonly name: string; readonly about: string }>> =
  {
    cost: { name: 'Least money', about: 'what costs least, your own first because it is free' },
    uniform: { name: 'Calmest look', about: 'as few different containers as will do' },
    reuse: { name: 'Reuse first', about: 'as few new pieces as will do' },
    easy: { name: 'Easiest to use', about: 'least to lift away to get at something' },
    daily: {
      name: 'Fewest movements',
      about: 'nothing on or before what is used daily, on a turntable where there is one',
    },
  };
/** Where the label of a container faces. */
export const LABEL_FACE_WORDS: Readonly<Record<LabelFace, string>> = {
  front: 'to the front',
  outward: 'outward, so that it is read as it turns',
  above: 'on top',
};

const FAULT_WORDS: Readonly<Record<FitFault['rule'], string>> = {
  unknown_container: 'is no longer known',
  unknown_group: 'no longer lives here',
  outside_bay: 'stands out of the place',
  gap: 'stand too close',
  support: 'has nothing under it',
  stack_height: 'is stacked too high',
  stack_load: 'bears too much',
  opening: 'does not pass the opening',
  wish: 'is not as the group asks',
  moist: 'draws damp',
  content_load: 'holds more than it bears',
  bay_load: 'is more than the place bears',
  available: 'is not there in that number',
  front_blocked: 'stands before what is used daily',
  blocked_mass: 'stands before more than 4 kg',
  litres: 'has more than its containers hold',
  totals: 'adds up to something else',
  unknown_surface: 'stands on something that is not there',
  surface: 'reaches over what it stands on',
  surface_load: 'has more on it than it bears',
  turns: 'is in the way of the turntable',
  pull_out: 'does not pull out all the way',
  hung: 'does not hang from the shelf above',
  insert: 'does not lie in a container',
  divider: 'does not reach from wall to wall',
  kind: 'has more than one kind in a container',
  person: 'is not in the colour of its person alone',
  crushed: 'has something on it, and is crushed',
  above_eyes: 'stands above the eyes and cannot be seen through',
  beside_opening: 'stands beside the opening and is used daily',
};
const MENDS: Readonly<Record<FitFault['rule'], string>> = {
  unknown_container: 'discard it, or take another answer',
  unknown_group: 'put the group back here, or discard the fit',
  outside_bay: 'measure once more, or take another answer',
  gap: 'measure once more, or take another answer',
  support: 'take another answer',
  stack_height: 'take another answer',
  stack_load: 'take another answer',
  opening: 'measure once more, or take another answer',
  wish: 'ask less of the group in Place, or take another answer',
  moist: 'take another answer',
  content_load: 'keep less of it, or take another answer',
  bay_load: 'keep less of it, or move a group',
  available: 'discard another fit with it, or take another answer',
  front_blocked: 'take another answer',
  blocked_mass: 'take another answer',
  litres: 'keep less, or take an answer with more room',
  totals: 'take it once more',
  unknown_surface: 'take another answer',
  surface: 'measure once more, or take another answer',
  surface_load: 'keep less of it, or take another answer',
  turns: 'take another answer',
  pull_out: 'measure once more, or take another answer',
  hung: 'take another answer',
  insert: 'take another answer',
  divider: 'measure once more, or take another answer',
  kind: 'take another answer',
  person: 'take another answer',
  crushed: 'take another answer',
  above_eyes: 'take another answer',
  beside_opening: 'take another answer',
};

/** What is wrong with a fit that was taken, and what would mend it; ids are said by their names. */
export function fitFaultWords(fault: FitFault, nameOf: (id: string) => string): string {
  const subject = fault.subject
    .split(/( and | for )/)
    .map((part) => nameOf(part))
    .join('');
  return `${subject} ${FAULT_WORDS[fault.rule]} (${MENDS[fault.rule]})`;
}

/** "30 × 20 × 15 cm": width, depth and height, the unit said once. */
export function sizeWords(
  {
    width,
    depth,
    height,
  }: { readonly width: number; readonly depth: number; readonly height: number },
  unit: LengthUnit,
): string {
  const bare = (mm: number) => formatLength(mm, unit).replace(/ \w+$/, '');
  return `${bare(width)} × ${bare(depth)} × ${formatLength(height, unit)}`;
}

/** Why a container or a group does not go in, without a full stop; the container is named before it. */
export function fitReasonWords(
  reason: FitReason,
  { group, unit }: { readonly group: (id: string) => string; readonly unit: LengthUnit },
): string {
  const size = (mm: number) => formatLength(mm, unit);
  switch (reason.code) {
    case 'no_container_suits':
      return `${groupFaultWords(reason.why, unit)}, for ${group(reason.groupId)}`;
    case 'draws_damp':
      return `${reason.material} must not stand in a damp place`;
    case 'container_does_not_pass':
      return `${size(reason.sizeMm)} ${reason.side}, the opening is ${size(reason.openingMm)}`;
    case 'container_too_high':
      return `${size(reason.heightMm)} high, ${size(reason.freeMm)} is free under the ${size(reason.toLiftMm)} to lift it out`;
    case 'container_too_big':
      return (
        `${size(reason.widthMm)} × ${size(reason.depthMm)}, the floor is ` +
        `${size(reason.floorWidthMm)} × ${size(reason.floorDepthMm)}`
      );
    case 'pack_left':
      return `${group(reason.subject)}: no container takes a whole pack, ${formatLitres(reason.litres)} stay in it`;
    case 'needs_a_container':
      return 'belongs in a drawer or an open container, and there is none that it fits';
    case 'needs_shelf_thickness':
      return 'hangs from the shelf above, whose thickness nobody has measured';
    case 'shelf_too_thick':
      return `goes onto shelves of up to ${size(reason.clipMm)}, this one is ${size(reason.shelfMm)} thick`;
    case 'none_suits':
      return `${group(reason.subject)}: no container that goes in here suits it`;
    case 'too_few_pieces':
      return (
        `${group(reason.subject)}: of ${group(reason.containerId)} ` +
        `${formatCount(reason.available, 'piece is', 'pieces are')} there, and it takes ${reason.wanted}`
      );
    case 'not_enough_floor':
      return `${group(reason.subject)}: ${formatLitres(reason.litres)} have no container; ${
        reason.isImpossible
          ? 'no choice of these containers covers everything in this place'
          : 'no arrangement was found that covers everything'
      }`;
  }
}

const GROUP_FAULT_WORDS = {
  holds_nothing: 'holds nothing',
  no_lid: 'has no lid',
  lid: 'has a lid',
  not_clear: 'cannot be seen through',
  clear: 'can be seen through',
  colour: 'is of another colour',
  line: 'is of another line',
  too_weak: 'does not bear the heaviest of it',
  takes_no_pack: 'does not take a whole pack',
  not_round: 'is for round things',
  does_not_hang: 'is for what hangs',
  holds_no_piece: 'does not take a single piece',
  hangs: 'stands, and it is to hang',
} as const;

const SIDE_WORDS = {
  too_low: 'high inside',
  too_narrow: 'wide inside',
  too_short: 'long inside',
  too_wide_for_a_place: 'wide a place',
} as const;

function groupFaultWords(why: GroupFault, unit: LengthUnit): string {
  if (!('hasMm' in why)) return GROUP_FAULT_WORDS[why.fault];
  const needs = formatLength(why.needsMm, unit);
  return `${formatLength(why.hasMm, unit)} ${SIDE_WORDS[why.fault]}, needs ${needs}`;
}
