'use client';

import { useEffect, useOptimistic, useRef, useState, useTransition } from 'react';

import type { WallPlace } from '@/core/look';
import type { ActionResult } from '../actionResult';
import type { Moved, PlanThing } from './planItems';

/** Arrow keys come in runs; the run is kept as one change once it has ended. */
const SOON_MS = 500;
const NOTHING: Moved = {};

interface PlanMoves {
  readonly moved: Moved;
  readonly message: string;
  /** Shows a thing at its new place; `keep` stores it now, `soon` when no further move follows. */
  readonly move: (
    thing: PlanThing,
    place: WallPlace | null,
    when: 'show' | 'soon' | 'keep',
  ) => void;
}

/**
 * Moves that are shown at once and kept behind the scenes; a move is shown until the records say
 * the same.
 */
export function usePlanMoves(
  onMove: (kind: PlanThing['kind'], id: string, place: WallPlace | null) => Promise<ActionResult>,
): PlanMoves {
  const [held, setHeld] = useState<Moved>(NOTHING);
  const [sent, addSent] = useOptimistic(
    NOTHING,
    (moves: Moved, [key, place]: readonly [string, WallPlace | null]) => ({
      ...moves,
      [key]: place,
    }),
  );
  const [, startTransition] = useTransition();
  const [message, setMessage] = useState('');
  const waiting = useRef(
    new Map<string, { readonly timer: ReturnType<typeof setTimeout>; readonly keep: () => void }>(),
  );
  useEffect(() => {
    const open = waiting.current;
    // Leaving the page must not lose the last run.
    return () =>
      open.forEach(({ timer, keep }) => {
        clearTimeout(timer);
        keep();
      });
  }, []);
  const keep = (thing: PlanThing, place: WallPlace | null) => {
    waiting.current.delete(thing.key);
    setHeld(({ [thing.key]: _, ...others }) => others);
    startTransition(async () => {
      addSent([thing.key, place]);
      const result = await onMove(thing.kind, thing.id, place);
      setMessage(result.ok ? '' : result.message);
    });
  };
  const move: PlanMoves['move'] = (thing, place, when) => {
    const open = waiting.current.get(thing.key);
    if (open) clearTimeout(open.timer);
    waiting.current.delete(thing.key);
    if (when === 'keep') return keep(thing, place);
    setHeld((before) => ({ ...before, [thing.key]: place }));
    if (when === 'soon')
      waiting.current.set(thing.key, {
        timer: setTimeout(() => keep(thing, place), SOON_MS),
        keep: () => void onMove(thing.kind, thing.id, place),
      });
  };
  return { moved: { ...sent, ...held }, message, move };
}
