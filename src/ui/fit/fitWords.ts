import type { FitAim, FitFault, FitReason, GroupFault } from '@/core/fit';
import { formatLength, formatLitres, type LengthUnit } from '@/core/shared';

export const aimWords: Readonly<Record<FitAim, { readonly name: string; readonly about: string }>> =
  {
    cost: { name: 'Least money', about: 'what costs least, your own first because it is free' },
    uniform: { name: 'Calmest look', about: 'as few different containers as will do' },
    reuse: { name: 'Reuse first', about: 'as few new pieces as will do' },
    easy: { name: 'Easiest to use', about: 'least to lift away to get at something' },
  };
export const fitFaultWords = (fault: FitFault): string =>
  `${fault.subject}: ${fault.rule.replaceAll('_', ' ')}`;

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
