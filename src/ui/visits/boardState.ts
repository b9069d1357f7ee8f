import { visitStateOf, type Visit } from '@/core/visits';
import type { BoardVisit } from './WeeksBoard';

const LIVE_STATES = { here: 'here', break: 'here', lived: 'lived' } as const;

/** How a visit looks on the board of weeks. */
export const boardStateOf = (visit: Visit): BoardVisit['state'] => {
  const state = visitStateOf(visit);
  if (state !== 'planned') return LIVE_STATES[state];
  return visit.isPinned ? 'pinned' : 'planned';
};
