import type { SectionId } from '../shared';
import { visitStateOf } from './visitState';
import type { Visit } from './model';
import type { BringCode } from './whatToBring';

/** What happens on a visit, with one tap each. */
export const visitMarks = ['arrive', 'break', 'goOn', 'leave', 'goBack'] as const;
export type VisitMark = (typeof visitMarks)[number];

/**
 * A visit on which somebody arrived, has a break, goes on, or left; `goBack` takes the leaving back. The
 * visit itself where it is so already, or cannot be.
 */
export function markVisit(visit: Visit, mark: VisitMark, now: string): Visit {
  const state = visitStateOf(visit);
  const ended = visit.breaks.map((each) => (each.to === null ? { ...each, to: now } : each));
  if (mark === 'arrive' && state === 'planned') return { ...visit, arrivedAt: now };
  if (mark === 'break' && state === 'here')
    return { ...visit, breaks: [...visit.breaks, { from: now, to: null }] };
  if (mark === 'goOn' && state === 'break') return { ...visit, breaks: ended };
  if (mark === 'leave' && (state === 'here' || state === 'break'))
    return { ...visit, leftAt: now, breaks: ended };
  if (mark === 'goBack' && state === 'lived') return { ...visit, leftAt: null };
  return visit;
}

/** A visit on which a section is finished, or open again; the visit itself where it is so already. */
export function tickSection(visit: Visit, sectionId: SectionId, isDone: boolean): Visit {
  const doneSectionIds = ticked(visit.doneSectionIds, sectionId, isDone);
  return doneSectionIds === visit.doneSectionIds ? visit : { ...visit, doneSectionIds };
}

/** What is packed, to go there or (`isBack`) to go home. */
export interface Packed {
  readonly code: BringCode;
  readonly isBack: boolean;
  readonly isPacked: boolean;
}

/** A visit for which one thing is packed, or is not; the visit itself where it is so already. */
export function packFor(visit: Visit, { code, isBack, isPacked }: Packed): Visit {
  const list = isBack ? 'packedBack' : 'packed';
  const codes = ticked(visit[list], code, isPacked);
  return codes === visit[list] ? visit : { ...visit, [list]: codes };
}

function ticked<T>(list: readonly T[], one: T, isOn: boolean): T[] {
  if (list.includes(one) === isOn) return list as T[];
  return isOn ? [...list, one] : list.filter((each) => each !== one);
}
