import type { FitAim, FitFault, FitReason, GroupFault } from '@/core/fit';
import { formatLength, formatLitres, type LengthUnit } from '@/core/shared';

export const aimWords: Readonly<Record<FitAim, { readonly name: string; readonly about: string }>> =
  {
    cost: { name: 'Least money', about: 'what costs least, your own first because it is free' },
    uniform: { name: 'Calmest look', about: 'as few different containers as will do' },
    reuse: { name: 'Reuse first', about: 'as few new pieces as will do' },
    easy: { name: 'Easiest to use', about: 'least to lift away to get at something' },
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
} as const;

function groupFaultWords(why: GroupFault, unit: LengthUnit): string {
  if (why.fault !== 'too_low' && why.fault !== 'too_narrow') return GROUP_FAULT_WORDS[why.fault];
  const side = why.fault === 'too_low' ? 'high' : 'wide';
  return `${formatLength(why.hasMm, unit)} ${side} inside, needs ${formatLength(why.needsMm, unit)}`;
}
