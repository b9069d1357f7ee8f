import { verdictTable, type VerdictTraits } from './verdictTable';

export type Verdict = keyof typeof verdictTable;

/** What can be decided about a thing, in the order in which the boxes stand on the bench. */
export const verdicts = Object.keys(verdictTable) as [Verdict, ...Verdict[]];

export const traitsOf = (verdict: Verdict): VerdictTraits => verdictTable[verdict];

interface Decided {
  readonly verdict: Verdict;
}

/** Stays in the room it was decided in. */
export const isKept = ({ verdict }: Decided): boolean => traitsOf(verdict).ends === 'here';

/** Stays in the home, here or in another room. */
export const isInHome = ({ verdict }: Decided): boolean =>
  isKept({ verdict }) || movesRoom({ verdict });

/** Belongs in another room of the home. */
export const movesRoom = ({ verdict }: Decided): boolean => traitsOf(verdict).ends === 'home';

/** Goes out of the home for good. */
export const leavesHome = ({ verdict }: Decided): boolean => traitsOf(verdict).ends === 'out';

/** Nobody has decided yet. */
export const isOpen = ({ verdict }: Decided): boolean => traitsOf(verdict).ends === 'open';

export const waitsForClient = ({ verdict }: Decided): boolean =>
  traitsOf(verdict).waitsFor === 'client';

export const waitsForDay = ({ verdict }: Decided): boolean => traitsOf(verdict).waitsFor === 'day';

export const goesToLandfill = ({ verdict }: Decided): boolean => traitsOf(verdict).isLandfill;

/** Has been decided and is no longer where it was. */
export const isGone = ({ verdict }: Decided): boolean =>
  leavesHome({ verdict }) || movesRoom({ verdict });
