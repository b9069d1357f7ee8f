'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';

import type { WallPlace } from '@/core/look';
import type { ActionResult } from '../actionResult';
import type { Moved, PlanThing } from './planItems';

/** Arrow keys come in runs; the run is kept as one change once it has ended. */
const SOON_MS = 500;

interface PlanMoves {
  readonly moved: Moved;
  readonly message: string;
  /** Shows a thing at its new place; `keep` stores it now, `soon` when no further move follows. */
  readonly move: (thing: PlanThing, place: WallPlace | null, when: 'show' | 'soon' | 'keep') => void;
}

/** Moves that are shown at once and kept behind the scenes. */
export function usePlanMoves(onMove: (kind: PlanThing['kind'], id: string, place: WallPlace | null) => Promise<ActionResult>): PlanMoves {
  const router = useRouter();
  const [moved, setMoved] = useState<Moved>({});
  const [message, setMessage] = useState('');
  const waiting = useRef(new Map<string, { readonly timer: ReturnType<typeof setTimeout>; readonly keep: () => void }>());
  useEffect(() => {
    const open = waiting.current;
    // Leaving the page must not lose the last run.
    return () => open.forEach(({ timer, keep }) => {
      clearTimeout(timer);
      keep();
    });
  }, []);
  const keep = async (thing: PlanThing, place: WallPlace | null) => {
    waiting.current.delete(thing.key);
    const result = await onMove(thing.kind, thing.id, place);
    setMessage(result.ok ? '' : result.message);
    router.refresh();
    // Only this move is settled; one made meanwhile waits for its own answer.
    setMoved((before) => {
      if (before[thing.key] !== place) return before;
      const { [thing.key]: settled, ...others } = before;
      void settled;
      return others;
    });
  };
  const move: PlanMoves['move'] = (thing, place, when) => {
    setMoved((before) => ({ ...before, [thing.key]: place }));
    const open = waiting.current.get(thing.key);
    if (open) clearTimeout(open.timer);
    waiting.current.delete(thing.key);
    if (when === 'keep') void keep(thing, place);
    if (when === 'soon') waiting.current.set(thing.key, { timer: setTimeout(() => void keep(thing, place), SOON_MS), keep: () => void onMove(thing.kind, thing.id, place) });
  };
  return { moved, message, move };
}
