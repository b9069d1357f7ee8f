'use client';

import { Minus, Plus } from 'lucide-react';
import { useState } from 'react';

import { traitsOf, waysOut, verdicts, type PilePart, type Verdict } from '@/core/sort';
import { Button } from '../primitives/Button';
import { verdictWords } from './sortWords';
import { verdictLooks } from './verdictLooks';

interface SplitPanelProps {
  readonly name: string;
  readonly count: number;
  readonly onSplit: (parts: readonly PilePart[]) => void;
  readonly onBack: () => void;
}

/** A pile in parts: so many kept, so many donated. What is not given a verdict yet is counted down. */
export function SplitPanel({ name, count, onSplit, onBack }: SplitPanelProps) {
  const [pieces, setPieces] = useState<Readonly<Partial<Record<Verdict, number>>>>({});
  const given = verdicts.reduce((sum, verdict) => sum + (pieces[verdict] ?? 0), 0);
  const left = count - given;
  const add = (verdict: Verdict, by: number) =>
    setPieces({
      ...pieces,
      [verdict]: Math.max(0, Math.min((pieces[verdict] ?? 0) + by, (pieces[verdict] ?? 0) + left)),
    });
  const split = () =>
    onSplit(
      verdicts.flatMap((verdict) => {
        const part = pieces[verdict] ?? 0;
        // Where a part goes can be corrected afterwards; the commonest way stands first.
        return part > 0
          ? [{ count: part, verdict, to: traitsOf(verdict).asks === 'way_out' ? waysOut[0] : '' }]
          : [];
      }),
    );
  const round =
    'grid size-9 place-items-center rounded-[5px] border border-line bg-white disabled:opacity-35 max-md:size-12';
  return (
    <section aria-label="Split the pile" className="panel mt-3 border-l-4 border-l-rim p-3">
      <p className="mb-2 text-[14.5px]">
        <b>
          {count} {name}:
        </b>{' '}
        <span role="status">
          {left === 0 ? 'every piece has its verdict' : `${left} without a verdict`}
        </span>
      </p>
      <ul className="grid grid-cols-3 gap-x-4 gap-y-1.5 max-md:grid-cols-1">
        {verdicts.map((verdict) => {
          const { icon: Icon, color } = verdictLooks[verdict];
          return (
            <li key={verdict} className="flex items-center gap-1.5 text-[14px]">
              <Icon size={16} style={{ color }} aria-hidden="true" />{' '}
              <span className="min-w-0 flex-1">{verdictWords[verdict]}</span>
              <button
                type="button"
                className={round}
                aria-label={`One fewer to ${verdictWords[verdict]}`}
                disabled={(pieces[verdict] ?? 0) === 0}
                onClick={() => add(verdict, -1)}
              >
                <Minus size={14} />
              </button>
              <b className="w-8 text-center font-mono">{pieces[verdict] ?? 0}</b>
              <button
                type="button"
                className={round}
                aria-label={`One more to ${verdictWords[verdict]}`}
                disabled={left === 0}
                onClick={() => add(verdict, 1)}
              >
                <Plus size={14} />
              </button>
              <button
                type="button"
                className={round}
                aria-label={`All the rest to ${verdictWords[verdict]}`}
                disabled={left === 0}
                onClick={() => add(verdict, left)}
              >
                all
              </button>
            </li>
          );
        })}
      </ul>
      <div className="mt-2.5 flex gap-2">
        <Button look="main" disabled={left > 0} onClick={split}>
          Decide these parts
        </Button>
        <Button onClick={onBack}>Back</Button>
      </div>
    </section>
  );
}
