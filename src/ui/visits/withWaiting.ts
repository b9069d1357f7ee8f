import type { FieldCommand } from '@/core/field';
import { markVisit, type Visit } from '@/core/visits';

/** A visit as it will be once the desk has what waits on this device. */
export const withWaiting = (
  kept: Visit,
  waiting: readonly (FieldCommand & { readonly at: string })[],
): Visit =>
  waiting.reduce((visit: Visit, each) => {
    if (!('visitId' in each) || each.visitId !== visit.id) return visit;
    if (each.kind === 'visit_mark') return markVisit(visit, each.mark, each.at);
    if (each.kind === 'section_done')
      return {
        ...visit,
        doneSectionIds: ticked(visit.doneSectionIds, each.sectionId, each.isDone),
      };
    const list = each.isBack ? 'packedBack' : 'packed';
    return { ...visit, [list]: ticked(visit[list], each.code, each.isPacked) };
  }, kept);

const ticked = <T>(list: readonly T[], one: T, isOn: boolean): T[] => [
  ...list.filter((each) => each !== one),
  ...(isOn ? [one] : []),
];
