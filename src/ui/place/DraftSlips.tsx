'use client';

import clsx from 'clsx';
import { Check, CopyPlus } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';

import type { ActionResult } from '../actionResult';
import { Button } from '../primitives/Button';
import { useMutation } from '../useMutation';
import { Link } from '../primitives/Link';

export interface DraftSlip {
  /** "today", "chosen" where there are no drafts yet, or a draft's id. */
  readonly ref: string;
  readonly name: string;
  readonly isChosen: boolean;
}

interface DraftSlipsProps {
  readonly slips: readonly DraftSlip[];
  readonly shownRef: string;
  readonly base: string;
  readonly onAdd: (from: string, name: string) => Promise<ActionResult<string>>;
  readonly onRename: (draftId: string, name: string) => Promise<ActionResult>;
  readonly onChoose: (draftId: string) => Promise<ActionResult>;
  readonly onRemove: (draftId: string) => Promise<ActionResult>;
}

/** The arrangements of a room side by side: as it is today first, the chosen one ticked, one shown below. */
export function DraftSlips({
  slips,
  shownRef,
  base,
  onAdd,
  onRename,
  onChoose,
  onRemove,
}: DraftSlipsProps) {
  const router = useRouter();
  const { mutate } = useMutation();
  const [typed, setTyped] = useState<{ readonly what: 'copy' | 'name'; readonly text: string }>();
  const shown = slips.find(({ ref }) => ref === shownRef);
  const isDraft = shown !== undefined && shown.ref !== 'today' && shown.ref !== 'chosen';
  const settle = async <T,>(work: () => Promise<ActionResult<T>>) => {
    const result = await mutate(work);
    if (result.ok) setTyped(undefined);
    return result;
  };
  const keep = async () => {
    if (!typed || !shown) return;
    if (typed.what === 'name') return void settle(() => onRename(shown.ref, typed.text));
    const added = await settle(() => onAdd(shown.ref, typed.text));
    if (added.ok) router.push(`${base}?draft=${added.value}`);
  };
  return (
    <div className="mb-3">
      <div className="flex flex-wrap items-center gap-2">
        <nav aria-label="Drafts" className="contents">
          {slips.map((slip) => (
            <Link
              key={slip.ref}
              href={`${base}?draft=${slip.ref}`}
              aria-current={slip.ref === shownRef ? 'true' : undefined}
              className={clsx(
                'inline-flex min-h-9 items-center gap-1.5 rounded-[5px] border-[1.5px] px-3 text-[14.5px] font-[650] max-md:min-h-12',
                slip.ref === shownRef
                  ? 'border-2 border-rim bg-white text-rim-deep'
                  : 'border-line bg-sheet',
              )}
            >
              {slip.isChosen && <Check size={15} aria-label="chosen" className="text-rim" />}
              {slip.name}
            </Link>
          ))}
        </nav>
        <button
          type="button"
          onClick={() => setTyped({ what: 'copy', text: '' })}
          className={clsx(
            'inline-flex min-h-9 items-center gap-1.5 rounded-[5px] border-[1.5px] border-dashed',
            'border-[#b3a78d] px-3 text-[14.5px] font-[650] text-rim-deep max-md:min-h-12',
          )}
        >
          <CopyPlus size={16} aria-hidden="true" /> Try another
        </button>
        {isDraft && (
          <span className="ml-auto flex items-center gap-3 text-[14px]">
            {!shown.isChosen && (
              <Button
                look="quiet"
                className="min-h-9!"
                onClick={() => void settle(() => onChoose(shown.ref))}
              >
                Choose this one
              </Button>
            )}
            <button
              type="button"
              className="text-rim underline underline-offset-3 max-md:min-h-12"
              onClick={() => setTyped({ what: 'name', text: shown.name })}
            >
              Rename
            </button>
            {!shown.isChosen && (
              <button
                type="button"
                className="text-rim underline underline-offset-3 max-md:min-h-12"
                onClick={() =>
                  void settle(() => onRemove(shown.ref)).then(({ ok }) => ok && router.push(base))
                }
              >
                Remove
              </button>
            )}
          </span>
        )}
      </div>
      {typed && (
        <form
          className="mt-2 flex max-w-[520px] gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <input
            autoFocus
            className="input"
            maxLength={40}
            aria-label={
              typed.what === 'copy'
                ? `Name of a copy of ${shown?.name ?? ''}`
                : 'Name of this draft'
            }
            placeholder={typed.what === 'copy' ? `a copy of “${shown?.name ?? ''}”, called …` : ''}
            value={typed.text}
            onChange={(event) => setTyped({ ...typed, text: event.target.value })}
          />
          <Button type="submit" look="quiet" disabled={typed.text.trim() === ''}>
            {typed.what === 'copy' ? 'Copy' : 'Keep'}
          </Button>
          <Button onClick={() => setTyped(undefined)}>Leave</Button>
        </form>
      )}
    </div>
  );
}
