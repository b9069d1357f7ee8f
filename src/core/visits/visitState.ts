import type { Visit } from './model';

/** Planned; somebody is there, or has a break; over. */
export type VisitState = 'planned' | 'here' | 'break' | 'lived';

export const visitStateOf = ({ arrivedAt, leftAt, breaks }: Visit): VisitState => {
  if (arrivedAt === null) return 'planned';
  if (leftAt !== null) return 'lived';
  return breaks.at(-1)?.to === null ? 'break' : 'here';
};

/**
 * Planned for sections and not pinned: what a proposal may put elsewhere. A visit without sections is
 * for something else that a person has in mind, and stays.
 */
export const isLoose = (visit: Visit, today: string): boolean =>
  visitStateOf(visit) === 'planned' &&
  !visit.isPinned &&
  visit.sectionIds.length > 0 &&
  visit.day >= today;

/** Of a visit that is only planned. */
export const LIVED_NOTHING: Pick<
  Visit,
  | 'packed'
  | 'packedBack'
  | 'doneSectionIds'
  | 'arrivedAt'
  | 'leftAt'
  | 'breaks'
  | 'correctedMinutes'
  | 'done'
  | 'promised'
  | 'next'
> = {
  packed: [],
  packedBack: [],
  doneSectionIds: [],
  arrivedAt: null,
  leftAt: null,
  breaks: [],
  correctedMinutes: null,
  done: '',
  promised: '',
  next: '',
};
