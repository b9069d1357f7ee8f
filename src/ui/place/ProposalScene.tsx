'use client';

import { createContext, useContext, useMemo, type ReactNode } from 'react';

import { placeOfRow, type ZonesAnswer, type ZonesProgress } from '@/core/place';
import { useZones } from './useZones';

type Scene = ReturnType<typeof useZones>;
const SceneContext = createContext<Scene | undefined>(undefined);

/** Holds the proposal that is being worked out, so that the drawing shows what the list beside it says. */
export function ProposalScene({ children }: { readonly children: ReactNode }) {
  const zones = useZones();
  return <SceneContext value={zones}>{children}</SceneContext>;
}

/** The proposal of the page. Requires: a `ProposalScene` around. */
export function useProposal(): Scene {
  const scene = useContext(SceneContext);
  if (!scene) throw new Error('there is no ProposalScene around');
  return scene;
}

/** The best that is known so far; undefined while there is none, or where none can be. */
export const foundIn = ({ run }: Scene): ZonesAnswer | ZonesProgress | undefined =>
  run.answer && run.answer.objective === null ? undefined : (run.answer ?? run.progress);

/** Which group would go to which place, of those that would move; empty while nothing is proposed. */
export function useProposedPlaces(
  groups: readonly { readonly id: string; readonly bayId: string | null }[],
): ReadonlyMap<string, string> {
  const found = foundIn(useProposal());
  return useMemo(
    () =>
      new Map(
        (found?.assignment ?? [])
          .map(({ groupId, bayId }) => [groupId, placeOfRow(bayId)] as const)
          .filter(([groupId, bayId]) => groups.find(({ id }) => id === groupId)?.bayId !== bayId),
      ),
    [found, groups],
  );
}
