import { isLoose, visitStateOf, type Visit } from '@/core/visits';
import type { BoardVisit } from './WeeksBoard';

const LIVE_STATES = { here: 'here', break: 'here', lived: 'lived' } as const;

/** How a visit looks on the board of weeks; `isReplaced` where a proposal of its home is looked at. */
export const boardStateOf = (
  visit: Visit,
  { isReplaced, today }: { readonly isReplaced: boolean; readonly today: string },
): BoardVisit['state'] => {
  const state = visitStateOf(visit);
  if (state !== 'planned') return LIVE_STATES[state];
  if (isReplaced && isLoose(visit, today)) return 'replaced';
  return visit.isPinned ? 'pinned' : 'planned';
};
