'use client';

import { useRef, useState, type KeyboardEvent } from 'react';

import { disposals, reasons as reasonChoices, verdicts, type Group, type Verdict } from '@/core/sort';
import type { ActionResult } from '../actionResult';
import { useKeys } from '../primitives/useKeys';
import { verdictKeys } from '../words';
import { HandPanel } from './HandPanel';
import { JustNow } from './JustNow';
import { SpaceGauge } from './SpaceGauge';
import { useBench, type BenchData } from './useBench';
import { VerdictBoxes } from './VerdictBoxes';
import { WhereTo, type Destination } from './WhereTo';

interface SortBenchProps extends BenchData {
  readonly otherRoomNames: readonly string[];
  /** Usable litres of the whole room, for the level of the keep box. */
  readonly roomLitres: number;
  readonly onAddGroup: (name: string) => Promise<ActionResult<Group>>;
  readonly onPlaceGroup: (groupId: string, bayId: string) => Promise<ActionResult>;
}

/** Verdicts that want to know where the thing goes. */
const ASKS_WHERE: ReadonlySet<Verdict> = new Set(['elsewhere', 'give', 'recycle']);

/** The bench: the thing in hand, one key a verdict, what it makes of the space. */
export function SortBench({ otherRoomNames, roomLitres, onAddGroup, onPlaceGroup, ...data }: SortBenchProps) {
  const [addedGroups, setAddedGroups] = useState<readonly Group[]>([]);
  const groups = [...data.groups, ...addedGroups.filter((added) => data.groups.every(({ id }) => id !== added.id))];
  const bench = useBench({ ...data, groups });
  const [asking, setAsking] = useState<Verdict>();
  const lineRef = useRef<HTMLTextAreaElement>(null);
  const boxesRef = useRef<HTMLDivElement>(null);

  const decide = (verdict: Verdict, to = '') => {
    bench.decide(verdict, to);
    setAsking(undefined);
    lineRef.current?.focus();
  };
  const pick = (verdict: Verdict) => {
    if (!bench.inHand) return lineRef.current?.focus();
    if (ASKS_WHERE.has(verdict)) setAsking(verdict);
    else decide(verdict);
  };
  const onLineKey = (event: KeyboardEvent<HTMLTextAreaElement>) => {
    if (event.key === 'Enter') {
      event.preventDefault();
      if (bench.inHand) boxesRef.current?.querySelector('button')?.focus();
    }
    const verdict = event.altKey ? verdicts.find((candidate) => event.code === `Key${verdictKeys[candidate]}`) : undefined;
    if (verdict) {
      event.preventDefault();
      pick(verdict);
    }
  };
  useBenchKeys({ bench, isAsking: asking !== undefined, pick, toLine: () => lineRef.current?.focus() });

  const addGroup = async (name: string): Promise<string> => {
    const result = await onAddGroup(name);
    if (!result.ok) return result.message;
    setAddedGroups([...addedGroups, result.value]);
    bench.change({ groupId: result.value.id });
    return '';
  };
  const stopAsking = () => {
    setAsking(undefined);
    boxesRef.current?.querySelector('button')?.focus();
  };
  const destinations = destinationsFor(asking, otherRoomNames, bench.things);
  return (
    <div className="max-md:pb-[214px]">
      <HandPanel bench={bench} lineRef={lineRef} onLineKey={onLineKey} onAddGroup={addGroup}>
        <SpaceGauge bench={bench} roomLitres={roomLitres} onPlaceGroup={onPlaceGroup} />
      </HandPanel>
      {asking && <WhereTo verdict={asking} destinations={destinations} onChoose={(to) => decide(asking, to)} onCancel={stopAsking} />}
      <VerdictBoxes ref={boxesRef} tally={bench.tally} roomLitres={roomLitres} isReady={bench.inHand !== undefined} onPick={pick} />
      <JustNow bench={bench} />
    </div>
  );
}

function useBenchKeys({ bench, isAsking, pick, toLine }: { bench: ReturnType<typeof useBench>; isAsking: boolean; pick: (verdict: Verdict) => void; toLine: () => void }): void {
  const { inHand } = bench;
  const byVerdict = Object.fromEntries(verdicts.map((verdict) => [verdictKeys[verdict].toLowerCase(), () => pick(verdict)]));
  const byReason = Object.fromEntries(reasonChoices.slice(0, 9).map((reason, i) => [String(i + 1), () => inHand && bench.change({ reasons: toggle(inHand.reasons, reason) })]));
  const addPieces = (pieces: number) => () => inHand && bench.change({ count: Math.max(1, inHand.count + pieces) });
  useKeys({
    z: bench.undo,
    y: bench.redo,
    t: toLine,
    // While a destination is asked for, digits choose it and letters wait.
    ...(isAsking ? {} : { ...byVerdict, ...byReason, '+': addPieces(1), '-': addPieces(-1) }),
  });
}

export const toggle = <T,>(list: readonly T[], item: T): T[] => (list.includes(item) ? list.filter((other) => other !== item) : [...list, item]);

function destinationsFor(verdict: Verdict | undefined, otherRoomNames: readonly string[], things: readonly { readonly verdict: Verdict; readonly to: string }[]): readonly Destination[] {
  switch (verdict) {
    case 'elsewhere': return [...otherRoomNames.map((name) => ({ label: name, to: name })), { label: 'no home yet', to: '' }];
    case 'recycle': return disposals.map((to) => ({ label: to, to }));
    case 'give': {
      const names = [...new Set(things.filter((thing) => thing.verdict === 'give' && thing.to !== '').map((thing) => thing.to))];
      return names.map((name) => ({ label: name, to: name }));
    }
    default: return [];
  }
}
