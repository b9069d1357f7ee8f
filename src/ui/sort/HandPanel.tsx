'use client';
import { formatDate } from '@/core/shared';
import clsx from 'clsx';

import { parseISO } from 'date-fns';
import { Minus, Plus, ShieldAlert } from 'lucide-react';
import { useState, type KeyboardEvent, type ReactNode, type RefObject } from 'react';

import { cautionWords, reasonWords, sayFigures } from './sortWords';
import { SizeField } from './SizeField';
import { toggle } from './toggle';
import type { SizeFieldKeeper } from './SizeField';
import { SayIt } from '../inHand/SayIt';
import type { Bench } from './useBench';

interface HandPanelProps {
  readonly bench: Bench;
  readonly lineRef: RefObject<HTMLTextAreaElement | null>;
  readonly onLineKey: (event: KeyboardEvent<HTMLTextAreaElement>) => void;
  /** Makes a group; returns what went wrong, or nothing. */
  readonly onAddGroup: (name: string) => Promise<string>;
  /** Keeps what was typed over for every thing of the kind. */
  readonly onKeepKind: SizeFieldKeeper;
  readonly isSizing: boolean;
  readonly onSizing: (isOn: boolean) => void;
  /** A group was chosen: the verdict is next. */
  readonly onGroupChosen: () => void;
  readonly children: ReactNode;
}

/** The thing in hand: one line in plain words, and what was understood of it. */
export function HandPanel({
  bench,
  lineRef,
  onLineKey,
  onAddGroup,
  onKeepKind,
  isSizing,
  onSizing,
  onGroupChosen,
  children,
}: HandPanelProps) {
  const { inHand } = bench;
  return (
    <section
      aria-label="The thing in hand"
      className="panel border-t-4 border-t-rim px-4 pt-3 pb-3.5"
    >
      <div className="flex items-center gap-3 border-b-2 border-ink pb-1">
        <textarea
          ref={lineRef}
          autoFocus
          rows={1}
          value={bench.typed}
          onChange={(event) => bench.type(event.target.value.replace(/\n/g, ' '))}
          onKeyDown={onLineKey}
          aria-label="What is in hand, in plain words"
          placeholder="6 wool scarves, moth holes in two"
          maxLength={120}
          autoComplete="off"
          enterKeyHint="done"
          className={clsx(
            'field-sizing-content w-full resize-none bg-transparent py-1 font-head text-[25px]',
            'leading-tight font-[620] outline-none placeholder:font-normal placeholder:text-[#a3997f]',
            'max-md:min-h-12 max-md:text-[21px]',
            'focus-visible:shadow-[0_3px_0_0_var(--color-rim)]',
          )}
        />
        {inHand && <kbd className="max-md:hidden">Enter</kbd>}
        <SayIt onHeard={(text) => bench.type(text)} />
      </div>
      {inHand ? (
        <>
          <Understood
            bench={bench}
            onAddGroup={onAddGroup}
            onGroupChosen={onGroupChosen}
            isSizing={isSizing}
            onSizing={onSizing}
          />
          {isSizing && (
            <SizeField bench={bench} onKeepKind={onKeepKind} onDone={() => onSizing(false)} />
          )}
          <ReasonChips bench={bench} />
          {inHand.cautions.map((code) => (
            <p key={code} className="warn mt-2 flex gap-2">
              <ShieldAlert size={17} className="mt-px shrink-0 text-signal" aria-hidden="true" />{' '}
              {cautionWords[code]}
            </p>
          ))}
        </>
      ) : (
        <p className="mt-2 text-[14px] text-soft">
          Type what is in hand, with its number and what is wrong with it; “/ hats” names its group.
          Enter, then one key for the verdict.
        </p>
      )}
      {children}
    </section>
  );
}

function Understood({
  bench,
  onAddGroup,
  onGroupChosen,
  isSizing,
  onSizing,
}: Pick<HandPanelProps, 'bench' | 'onAddGroup' | 'onGroupChosen' | 'isSizing' | 'onSizing'>) {
  const { inHand } = bench;
  if (!inHand) return null;
  const round =
    'grid size-9 place-items-center rounded-[5px] border border-line bg-white max-md:size-12';
  return (
    <div className="mt-2.5 flex flex-wrap items-center gap-x-3 gap-y-2 text-[14px]">
      <span className="flex items-center gap-1.5">
        <button
          type="button"
          className={round}
          aria-label="One piece fewer"
          onClick={() => bench.change({ count: Math.max(1, inHand.count - 1) })}
        >
          <Minus size={15} />
        </button>
        <b className="min-w-8 text-center font-mono text-[18px]" aria-live="polite">
          {inHand.count}
        </b>
        <button
          type="button"
          className={round}
          aria-label="One piece more"
          onClick={() => bench.change({ count: inHand.count + 1 })}
        >
          <Plus size={15} />
        </button>
      </span>
      <GroupChoice bench={bench} onAddGroup={onAddGroup} onGroupChosen={onGroupChosen} />
      <span className="flex flex-wrap items-center gap-x-2 text-soft max-md:basis-full">
        <span>
          {sayFigures(inHand)}
          {inHand.expiresOn !== undefined &&
            ` · until ${formatDate(parseISO(inHand.expiresOn), 'd MMM yyyy')}`}
        </span>
        <button
          type="button"
          aria-expanded={isSizing}
          className="min-h-8 underline underline-offset-3 max-md:min-h-12"
          onClick={() => onSizing(!isSizing)}
        >
          {inHand.ranges.litres.from === 'unknown' ? 'say its size' : 'correct it'}{' '}
          <kbd className="max-md:hidden">W</kbd>
        </button>
      </span>
    </div>
  );
}

function GroupChoice({
  bench,
  onAddGroup,
  onGroupChosen,
}: Pick<HandPanelProps, 'bench' | 'onAddGroup' | 'onGroupChosen'>) {
  const [newName, setNewName] = useState<string>();
  const [problem, setProblem] = useState('');
  if (bench.newGroupName !== undefined)
    return (
      <span className="font-[650] text-rim-deep">
        a new group “{bench.newGroupName}”: Enter makes it
      </span>
    );
  if (newName === undefined) {
    const { groupBegun } = bench;
    const select = (
      <select
        aria-label="Group"
        className="input min-h-9 w-auto max-w-[230px] bg-rim-wash py-1 font-[650] max-md:min-h-12 max-md:min-w-0 max-md:flex-1"
        value={bench.inHand?.groupId ?? ''}
        onChange={(event) => {
          if (event.target.value === '+') setNewName('');
          else {
            bench.change({
              groupId: bench.roomGroups.find(({ id }) => id === event.target.value)?.id,
            });
            // One key is the verdict again: keys in a list stay letters.
            onGroupChosen();
          }
        }}
      >
        <option value="">no group</option>
        {bench.roomGroups.map((group) => (
          <option key={group.id} value={group.id}>
            {group.name}
          </option>
        ))}
        <option value="+">a new group…</option>
      </select>
    );
    if (groupBegun === undefined) return select;
    return (
      <>
        {select}
        <button
          type="button"
          className="min-h-9 rounded-[5px] border border-rim px-2.5 font-[650] text-rim-deep max-md:min-h-12"
          onClick={() => void onAddGroup(groupBegun).then(setProblem).then(onGroupChosen)}
        >
          or a new group “{groupBegun}”
        </button>
        {problem !== '' && (
          <span role="alert" className="text-signal-deep">
            {problem}
          </span>
        )}
      </>
    );
  }
  const make = async () => {
    const message = await onAddGroup(newName.trim());
    setProblem(message);
    if (message === '') setNewName(undefined);
  };
  return (
    <form
      className="flex items-center gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (newName.trim() !== '') void make();
      }}
    >
      <input
        autoFocus
        className="input min-h-9 w-[180px] py-1"
        aria-label="Name of the new group"
        placeholder="e.g. Scarves & hats"
        maxLength={60}
        value={newName}
        onChange={(event) => setNewName(event.target.value)}
        onKeyDown={(event) => event.key === 'Escape' && setNewName(undefined)}
      />
      <button
        type="submit"
        className="min-h-9 rounded-[5px] border border-rim px-2.5 font-[650] text-rim-deep max-md:min-h-12"
      >
        Add
      </button>
      {problem !== '' && (
        <span role="alert" className="text-signal-deep">
          {problem}
        </span>
      )}
    </form>
  );
}

function ReasonChips({ bench }: { bench: Bench }) {
  const { inHand } = bench;
  if (!inHand) return null;
  return (
    <div
      role="group"
      aria-label="Reasons"
      className="mt-2.5 flex flex-wrap gap-1.5 max-md:flex-nowrap max-md:overflow-x-auto"
    >
      {bench.reasonOrder.map((reason, i) => {
        const isOn = inHand.reasons.includes(reason);
        return (
          <button
            key={reason}
            type="button"
            aria-pressed={isOn}
            onClick={() => bench.change({ reasons: toggle(inHand.reasons, reason) })}
            className={clsx(
              'flex min-h-8 items-center gap-1.5 rounded-[4px] border px-2 text-[13.5px] whitespace-nowrap',
              'max-md:min-h-12',
              isOn
                ? 'border-rim bg-rim-wash font-[650] text-rim-deep'
                : 'border-line bg-white text-soft',
            )}
          >
            {i < 9 && (
              <span aria-hidden="true" className="font-mono text-[11.5px] opacity-70 max-md:hidden">
                {i + 1}
              </span>
            )}
            {reasonWords[reason]}
          </button>
        );
      })}
    </div>
  );
}
