'use client';

import { useState } from 'react';

import type { EnoughLine, HouseholdCounts, LetGo } from '@/core/count';
import { splitPile, type Verdict } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { sendDecisions } from '../sort/sendDecisions';
import { createMeans } from '../sort/eventMeans';
import { verdictWords } from '../sort/sortWords';
import { RuleForm, type RuleTyped } from './RuleForm';
import { ruleWords } from './countWords';

interface EnoughLineViewProps {
  readonly projectId: string;
  readonly line: EnoughLine<RuleTyped>;
  readonly household: HouseholdCounts;
  readonly roomName: (id: string) => string;
  readonly onSave: (typed: RuleTyped) => Promise<ActionResult>;
  readonly onDrop: (name: string) => Promise<ActionResult>;
}

const LEAVES: readonly Verdict[] = ['donate', 'discard'];

/** One kind: what there is as a row of strokes against what is enough, and which to let go first. */
export function EnoughLineView({
  projectId,
  line,
  household,
  roomName,
  onSave,
  onDrop,
}: EnoughLineViewProps) {
  const [isEditing, setIsEditing] = useState(false);
  const [decided, setDecided] = useState<ReadonlySet<string>>(new Set());
  const { rule, kept, enough, over, short, undecided, letGoFirst } = line;
  const letGo = ({ thing, count }: LetGo, verdict: Verdict) => {
    // What is let go is the part that leaves; the rest stays the thing.
    const parts = [
      ...(thing.count > count
        ? [{ count: thing.count - count, verdict: thing.verdict, to: thing.to }]
        : []),
      { count, verdict, to: '' },
    ];
    const events = splitPile(thing, parts, createMeans());
    sendDecisions(projectId, events);
    setDecided(new Set([...decided, thing.decisionId]));
  };
  const open = letGoFirst.filter(({ thing }) => !decided.has(thing.decisionId));
  const small =
    'min-h-8 rounded-[5px] border-[1.5px] border-line bg-white px-2 text-[13.5px] hover:border-rim max-md:min-h-12';
  return (
    <li className="py-2.5">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <b className="text-[15.5px]">{rule.name}</b>
        <span className="text-[14px]">
          <b className="font-mono text-[16px]">{kept}</b> kept, {enough}{' '}
          {enough === 1 ? 'is' : 'are'} enough
          {over > 0 && <b className="text-signal-deep">, {over} over</b>}
          {over === 0 && short > 0 && kept > 0 && `, ${short} short`}
          {undecided > 0 && <span className="text-soft">, {undecided} undecided</span>}
        </span>
      </div>
      {kept > 0 && <Strokes kept={kept} enough={enough} />}
      <p className="text-[13.5px] text-soft">
        {ruleWords(rule, household)}{' '}
        <button
          type="button"
          aria-expanded={isEditing}
          aria-label={`Change the rule for ${rule.name}`}
          className="min-h-6 px-1 underline underline-offset-3 max-md:min-h-12"
          onClick={() => setIsEditing(!isEditing)}
        >
          change
        </button>
      </p>
      {open.length > 0 && (
        <ul aria-label={`${rule.name}: let go first`} className="mt-1 grid gap-1">
          {open.map((part) => (
            <li
              key={part.thing.id}
              className="flex flex-wrap items-center justify-between gap-x-3 gap-y-1 text-[14px]"
            >
              <span>
                {part.count === part.thing.count ? '' : `${part.count} of `}
                {part.thing.count} {part.thing.name}{' '}
                <span className="text-soft">{roomName(part.thing.roomId).toLowerCase()}</span>
              </span>
              <span className="flex gap-1.5">
                {LEAVES.map((verdict) => (
                  <button
                    key={verdict}
                    type="button"
                    className={small}
                    aria-label={`${verdictWords[verdict]} ${part.count} ${part.thing.name}`}
                    onClick={() => letGo(part, verdict)}
                  >
                    {verdictWords[verdict]} {part.count}
                  </button>
                ))}
              </span>
            </li>
          ))}
        </ul>
      )}
      {isEditing && (
        <RuleForm
          rule={rule}
          onSave={async (typed) => {
            const result = await onSave(typed);
            if (result.ok) setIsEditing(false);
            return result;
          }}
          onDrop={async () => {
            const result = await onDrop(rule.name);
            if (result.ok) setIsEditing(false);
            return result;
          }}
          onBack={() => setIsEditing(false)}
        />
      )}
    </li>
  );
}

/**
 * A stroke a piece, in fives as one counts by hand; what is over stands apart in another colour and
 * hatched.
 */
function Strokes({ kept, enough }: { kept: number; enough: number }) {
  const shown = Math.min(60, Math.max(kept, enough));
  return (
    <span aria-hidden="true" className="my-1 flex flex-wrap items-end gap-y-1">
      {Array.from({ length: shown }, (_, i) => {
        const ownLook =
          i >= enough
            ? 'bg-[repeating-linear-gradient(135deg,#c8641b_0_3px,#f0b98c_3px_5px)]'
            : 'bg-rim';
        const look = i >= kept ? 'border border-dashed border-soft/60' : ownLook;
        const fiveGap = i % 5 === 4 ? 'mr-2' : 'mr-[3px]';
        const gap = i === enough - 1 && kept > enough ? 'mr-3' : fiveGap;
        return <i key={i} className={`inline-block h-4 w-[7px] rounded-[1px] ${look} ${gap}`} />;
      })}
      {Math.max(kept, enough) > shown && <span className="text-[12.5px] text-soft">and more</span>}
    </span>
  );
}
