'use client';

import { useState } from 'react';

import { formatCount } from '@/core/shared';

import type { ActionResult } from '../actionResult';
import { useMutation } from '../useMutation';
import type { DaysProposal } from './Proposal';
import type { BoardVisit } from './WeeksBoard';
import { timesWords } from './visitWords';

export interface ProposalActs {
  readonly onAsk: () => Promise<ActionResult<DaysProposal>>;
  readonly onTake: (
    projectIds: readonly string[],
    visits: readonly unknown[],
  ) => Promise<ActionResult>;
}

/** Days that were worked out and are not taken yet; after a visit was moved they are worked out anew. */
export function useProposal({ onAsk, onTake }: ProposalActs) {
  const { mutate, isPending } = useMutation();
  const [proposal, setProposal] = useState<DaysProposal>();
  const ask = async () => {
    const result = await mutate(onAsk);
    if (result.ok) setProposal(result.value);
  };
  const take = async () => {
    if (!proposal) return;
    const visits = proposal.answer.visits.map(({ parts, ...visit }) => ({
      ...visit,
      sectionIds: [...new Set(parts.map(({ sectionId }) => sectionId))],
    }));
    const ids = replacedHomesOf(proposal);
    // Undo is of one home: with several it is said that they were taken, and each has its own.
    const done = ids.length > 1 ? `Took ${formatCount(visits.length, 'visit')}.` : undefined;
    const result = await mutate(() => onTake(ids, visits), {
      offersUndo: true,
      ...(done === undefined ? {} : { done }),
    });
    if (result.ok) setProposal(undefined);
  };
  /** Does something to a visit that stands, then works out what follows. */
  const change = async (work: () => Promise<ActionResult>) => {
    const result = await mutate(work);
    if (result.ok) await ask();
  };
  return { proposal, isPending, ask, take, leave: () => setProposal(undefined), change };
}

/** The homes of which a proposal has visits: only there it puts them in the place of others. */
export const replacedHomesOf = ({ answer }: DaysProposal): string[] => [
  ...new Set(answer.visits.map(({ homeId }) => homeId)),
];

/** The visits of a proposal as they stand on a board; with several homes each says its home. */
export function toBoardVisits({ answer, homes }: DaysProposal): BoardVisit[] {
  return answer.visits.map((visit) => {
    const home = homes.find(({ id }) => id === visit.homeId);
    const names = visit.parts.map(
      ({ sectionId }) => home?.sections.find(({ id }) => id === sectionId)?.name ?? '',
    );
    const work = [...new Set(names)].join(', ');
    return {
      id: `proposed ${visit.homeId} ${visit.day}`,
      day: visit.day,
      times: timesWords(visit),
      title: homes.length > 1 ? (home?.name ?? '') : work,
      note: homes.length > 1 ? work : visit.people.join(', '),
      state: 'proposed',
    };
  });
}
