import { visitStateOf, type Visit } from './model';

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
