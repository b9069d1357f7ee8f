'use client';
import dynamic from 'next/dynamic';
import clsx from 'clsx';

import { Redo2, Undo2 } from 'lucide-react';

import { useState } from 'react';

import { formatCount } from '@/core/shared';
import type { Thing } from '@/core/sort';
import { useAtRest } from '../primitives/useAtRest';
import { openFind } from '../shell/findEvent';
import { reasonWords, sayTo, verdictPast } from './sortWords';
import type { Bench } from './useBench';
import { verdictLooks } from './verdictLooks';

const loadSheet = () => import('./CorrectSheet');
const CorrectSheet = dynamic(() => loadSheet().then((part) => part.CorrectSheet));

/** The last decisions, newest first, and the way back. */
export function JustNow({
  bench,
  roomNames,
  openThingId,
}: {
  bench: Bench;
  roomNames: readonly string[];
  openThingId: string | undefined;
}) {
  useAtRest(loadSheet);
  const [corrected, setCorrected] = useState<Thing | undefined>(() =>
    bench.things.find(({ id }) => id === openThingId),
  );
  return (
    <section className="mt-5" aria-label="Just now">
      <div className="flex items-center justify-between gap-3 border-b-2 border-line pb-1">
        <h2 className="caption font-text">
          Just now · {formatCount(bench.thingCount, 'decision')} in this room
        </h2>
        <span className="flex gap-1">
          <button
            type="button"
            disabled={!bench.canUndo}
            onClick={bench.undo}
            className="flex min-h-9 items-center gap-1.5 rounded px-2 font-[650] text-rim-deep disabled:opacity-40 max-md:min-h-12"
          >
            <Undo2 size={16} aria-hidden="true" /> Undo <kbd className="max-md:hidden">Z</kbd>
          </button>
          <button
            type="button"
            disabled={!bench.canRedo}
            onClick={bench.redo}
            className="flex min-h-9 items-center gap-1.5 rounded px-2 font-[650] text-rim-deep disabled:opacity-40 max-md:min-h-12"
          >
            <Redo2 size={16} aria-hidden="true" /> <span className="max-md:sr-only">Again</span>{' '}
            <kbd className="max-md:hidden">Y</kbd>
          </button>
        </span>
      </div>
      {bench.recent.length === 0 && (
        <p className="mt-2 text-[14px] text-soft">Nothing is decided here yet.</p>
      )}
      <ol className="mt-2.5 flex flex-wrap gap-2">
        {bench.recent.map((thing) => (
          <RecentThing key={thing.id} thing={thing} onCorrect={() => setCorrected(thing)} />
        ))}
      </ol>
      {bench.thingCount > bench.recent.length && (
        <p className="mt-2 text-[14px] text-soft">
          An earlier one is decided again too:{' '}
          <button
            type="button"
            onClick={openFind}
            className="min-h-9 font-[650] text-rim-deep underline underline-offset-3 max-md:min-h-12"
          >
            find it by its name
          </button>
        </p>
      )}
      {corrected && (
        <CorrectSheet
          key={corrected.decisionId}
          bench={bench}
          thing={corrected}
          roomNames={roomNames}
          onDone={() => setCorrected(undefined)}
        />
      )}
    </section>
  );
}

function RecentThing({ thing, onCorrect }: { thing: Thing; onCorrect: () => void }) {
  const { icon: Icon, color } = verdictLooks[thing.verdict];
  const [reason] = thing.reasons;
  const why = reason ? reasonWords[reason] : verdictPast[thing.verdict];
  // “Recycled, to recycle” says nothing more.
  const isSaid = thing.to === '' || thing.to === thing.verdict;
  const note = isSaid ? why : `to ${sayTo(thing)}`;
  return (
    <li>
      <button
        type="button"
        onClick={onCorrect}
        title="Decide again"
        className={clsx(
          'flex max-w-[240px] gap-2 rounded-r-[5px] border border-l-[5px] border-line bg-sheet py-1.5',
          'pr-2.5 pl-2 text-left text-[13.5px] leading-tight hover:bg-white max-md:min-h-12',
        )}
        style={{ borderLeftColor: color }}
      >
        <Icon size={16} className="mt-px shrink-0" style={{ color }} aria-hidden="true" />
        <span className="min-w-0">
          <span className="block truncate">
            {thing.count === 1 ? '' : `${thing.count} `}
            {thing.name}
          </span>
          <small className="text-[12.5px] text-soft">
            <span className="sr-only">{verdictPast[thing.verdict]}, </span>
            {note}
          </small>
        </span>
      </button>
    </li>
  );
}
