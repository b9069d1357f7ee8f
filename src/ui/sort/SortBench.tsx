'use client';

import { CircleHelp, ListPlus, Split } from 'lucide-react';
import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';

import { piecesOf } from '@/core/count';
import type { Currency } from '@/core/shared';
import {
  type Group,
  type OpinionFacts,
  type Verdict,
  intervalsOf,
  isHesitating,
  isKept,
  goesToLandfill,
  leavesHome,
  needsProperWay,
  offeredWays,
  personOf,
  type WayOut,
  traitsOf,
  verdicts,
} from '@/core/sort';
import type { HaulDestination, Leaving } from '@/core/takeAway';
import type { GoesTo } from '@/core/things';
import type { ActionResult } from '../actionResult';
import { buzz } from '../inHand/handSettings';
import { useMutation } from '../useMutation';
import { useKeys } from '../primitives/useKeys';
import { useNow } from '../primitives/useNow';
import { wayOutWords } from './sortWords';
import { CarryCalls } from './CarryCalls';
import { ConflictNotes } from './ConflictNotes';
import { AskFirst } from './AskFirst';
import { HandPanel } from './HandPanel';
import type { SizeFieldKeeper } from './SizeField';
import { JustNow } from './JustNow';
import { OpinionPanel } from './OpinionPanel';
import { SessionBar, type SessionBarProps } from './SessionBar';
import { SpaceGauge } from './SpaceGauge';
import { SplitPanel } from './SplitPanel';
import { ThingPicture } from './ThingPicture';
import { toggle } from './toggle';
import type { BenchData } from './benchData';
import { useBench, type Bench } from './useBench';
import { WhereItGoes } from './WhereItGoes';
import { VerdictBoxes } from './VerdictBoxes';
import { WhereTo, type Destination } from './WhereTo';

interface SortBenchProps extends BenchData {
  /** To be decided anew as soon as the bench is there. */
  readonly openThingId: string | undefined;
  readonly otherRooms: readonly { readonly id: string; readonly name: string }[];
  /** Where things that leave any home are taken, and what this home says of it. */
  readonly destinationsOfDesk: readonly HaulDestination[];
  readonly leaving: Leaving;
  /** Usable litres of the whole room, for the level of the keep box. */
  readonly roomLitres: number;
  readonly liftLimitG: number;
  readonly currency: Currency;
  readonly sentimentalSchool: OpinionFacts['sentimentalSchool'];
  readonly session: Omit<SessionBarProps, 'log'>;
  readonly onAddGroup: (name: string) => Promise<ActionResult<Group>>;
  readonly onPlaceGroup: (
    assignment: readonly { readonly groupId: string; readonly bayId: string | null }[],
  ) => Promise<ActionResult>;
  readonly onKeepKind: (typed: Parameters<SizeFieldKeeper>[0]) => Promise<ActionResult>;
}

/** Verdicts that want to know where the thing goes. */
/** A day is given later, in the list of what waits. */
const isAskedAtOnce = (verdict: Verdict): boolean =>
  !['day', undefined].includes(traitsOf(verdict).asks);

/** The bench: the thing in hand, one key a verdict, what it makes of the space. */
export function SortBench({
  openThingId,
  otherRooms,
  roomLitres,
  destinationsOfDesk,
  leaving,
  liftLimitG,
  currency,
  sentimentalSchool,
  session,
  onAddGroup,
  onPlaceGroup,
  onKeepKind,
  ...data
}: SortBenchProps) {
  const [addedGroups, setAddedGroups] = useState<readonly Group[]>([]);
  const groups = [
    ...data.groups,
    ...addedGroups.filter((added) => data.groups.every(({ id }) => id !== added.id)),
  ];
  const bench = useBench({ ...data, groups });
  const otherRoomNames = otherRooms.map(({ name }) => name);
  const [asking, setAsking] = useState<Verdict>();
  /** A leaving verdict on something that never leaves without asking. */
  const [stopped, setStopped] = useState<Verdict>();
  /** What was to be thrown away, and must not go in the bin. */
  const [isKeptFromBin, setIsKeptFromBin] = useState(false);
  const [isSizing, setIsSizing] = useState(false);
  const { mutate } = useMutation();
  const [aside, setAside] = useState<'split' | 'opinion'>();
  const [isCounting, setIsCounting] = useState(false);
  /** Who said yes to what asks first, until it is decided. */
  const agreedByRef = useRef<string>(undefined);
  /** While a group is being made, with the verdict that was given meanwhile. */
  const addingRef = useRef<{ verdict?: Verdict }>(undefined);
  /** The verdict that waited. */
  const [given, setGiven] = useState<{ readonly verdict: Verdict }>();
  const lineRef = useRef<HTMLTextAreaElement>(null);
  const boxesRef = useRef<HTMLDivElement>(null);
  const isSlow = useHesitation(bench);

  const settle = () => {
    setAsking(undefined);
    setStopped(undefined);
    agreedByRef.current = undefined;
    setIsKeptFromBin(false);
    setIsSizing(false);
    setAside(undefined);
    lineRef.current?.focus();
  };
  const decide = (verdict: Verdict, to = '') => {
    buzz();
    if (isCounting && bench.inHand) {
      bench.countOne({ ...bench.inHand }, verdict, to);
      return setAsking(undefined);
    }
    bench.decide(verdict, to, agreedByRef.current);
    settle();
  };
  const go = (verdict: Verdict) => {
    setStopped(undefined);
    // What is poison, medicine or a cell has its own way, whoever throws it away.
    const isNotForBin = goesToLandfill({ verdict }) && needsProperWay(bench.inHand?.goesTo ?? []);
    setIsKeptFromBin(isNotForBin);
    if (isNotForBin) setAsking('recycle');
    else if (isAskedAtOnce(verdict)) setAsking(verdict);
    else decide(verdict);
  };
  const pick = (verdict: Verdict) => {
    // The group is still on its way: the verdict waits for it.
    if (addingRef.current) {
      addingRef.current.verdict = verdict;
      return;
    }
    if (!bench.inHand) return lineRef.current?.focus();
    if (bench.inHand.mustAsk !== undefined && leavesHome({ verdict })) setStopped(verdict);
    else go(verdict);
  };
  const pickRef = useRef(pick);
  useEffect(() => {
    pickRef.current = pick;
  });
  // Now the bench knows the group.
  useEffect(() => {
    if (given) pickRef.current(given.verdict);
  }, [given]);
  const onLineKey = (event: KeyboardEvent<HTMLTextAreaElement>) => {
    if (event.key === 'Enter') {
      event.preventDefault();
      if (bench.newGroupName !== undefined) void addTypedGroup(bench.newGroupName);
      toVerdicts();
    }
    const verdict = event.altKey
      ? verdicts.find((candidate) => event.code === `Key${traitsOf(candidate).key}`)
      : undefined;
    if (verdict) {
      event.preventDefault();
      pick(verdict);
    }
  };
  const addTypedGroup = async (name: string) => {
    const adding: { verdict?: Verdict } = {};
    addingRef.current = adding;
    const problem = await addGroup(name);
    addingRef.current = undefined;
    const { verdict: waiting } = adding;
    if (problem !== '') return lineRef.current?.focus();
    if (waiting !== undefined) setGiven({ verdict: waiting });
  };
  const toVerdicts = () => {
    if (bench.inHand) boxesRef.current?.querySelector('button')?.focus();
  };
  const toggleAside = (which: 'split' | 'opinion') =>
    bench.inHand && setAside(aside === which ? undefined : which);
  useBenchKeys({
    bench,
    isAsking: asking !== undefined || stopped !== undefined,
    pick,
    toLine: () => lineRef.current?.focus(),
    acts: {
      p: () => toggleAside('split'),
      o: () => toggleAside('opinion'),
      m: () => setIsCounting(!isCounting),
      w: () => setIsSizing(true),
    },
  });

  const addGroup = async (name: string): Promise<string> => {
    const result = await onAddGroup(name);
    if (!result.ok) return result.message;
    setAddedGroups([...addedGroups, result.value]);
    bench.change({ groupId: result.value.id });
    return '';
  };
  const stopAsking = () => {
    setAsking(undefined);
    setStopped(undefined);
    setIsKeptFromBin(false);
    agreedByRef.current = undefined;
    boxesRef.current?.querySelector('button')?.focus();
  };
  const destinations = destinationsFor(asking, otherRoomNames, bench.inHand?.goesTo ?? [], [
    ...bench.things.map(({ verdict, to }) => ({ verdict, to })),
    ...bench.givenTo.map((to) => ({ verdict: 'give' as const, to })),
  ]);
  const { inHand } = bench;
  return (
    <div className="max-md:not-flat:pb-[214px]">
      <SessionBar {...session} log={bench.log} />
      <ConflictNotes conflicts={bench.conflicts} />
      <HandPanel
        bench={bench}
        lineRef={lineRef}
        onLineKey={onLineKey}
        onAddGroup={addGroup}
        onGroupChosen={toVerdicts}
        isSizing={isSizing}
        onSizing={setIsSizing}
        onKeepKind={async (typed) => (await mutate(() => onKeepKind(typed))).ok}
      >
        {inHand && (
          <Acts
            count={inHand.count}
            aside={aside}
            isCounting={isCounting}
            onAside={toggleAside}
            onCount={() => setIsCounting(!isCounting)}
          >
            <ThingPicture
              projectId={data.projectId}
              pictureId={inHand.pictureId}
              onTaken={(pictureId) => bench.change({ pictureId })}
            />
          </Acts>
        )}
        <WhereItGoes
          inHand={inHand}
          destinations={destinationsOfDesk}
          leaving={leaving}
          unit={data.lengthUnit}
        />
        <SpaceGauge bench={bench} roomLitres={roomLitres} onPlaceGroup={onPlaceGroup} />
      </HandPanel>
      {isCounting && (
        <p role="status" className="warn mt-2">
          Counting aloud: each verdict is one more of these. Undo takes one back; “Count aloud” ends
          it.
        </p>
      )}
      {inHand && aside === 'split' && inHand.count > 1 && (
        <SplitPanel
          key={inHand.name}
          name={inHand.name}
          count={inHand.count}
          onSplit={(parts) => {
            bench.split(parts);
            settle();
          }}
          onBack={() => setAside(undefined)}
        />
      )}
      {inHand && (aside === 'opinion' || (isSlow && aside === undefined)) && (
        <OpinionPanel
          because={aside === 'opinion' ? 'asked' : 'hesitating'}
          currency={currency}
          facts={opinionFacts(bench, { sentimentalSchool, otherRooms })}
        />
      )}
      {stopped && bench.inHand?.mustAsk !== undefined && (
        <AskFirst
          wish={bench.inHand.mustAsk}
          verdict={stopped}
          people={session.people}
          onAsk={() => decide('ask')}
          onAgreed={(who) => {
            agreedByRef.current = who;
            go(stopped);
          }}
          onCancel={stopAsking}
        />
      )}
      {asking && (
        <WhereTo
          note={isKeptFromBin ? 'Not into the bin.' : ''}
          onBin={isKeptFromBin ? () => decide('discard') : undefined}
          verdict={asking}
          destinations={destinations}
          onChoose={(to) => decide(asking, to)}
          onCancel={stopAsking}
        />
      )}
      <VerdictBoxes ref={boxesRef} tally={bench.tally} roomLitres={roomLitres} onPick={pick} />
      <CarryCalls boxes={bench.boxes} carries={data.carries} liftLimitG={liftLimitG} />
      <JustNow bench={bench} roomNames={otherRoomNames} openThingId={openThingId} />
    </div>
  );
}

interface ActsProps {
  readonly count: number;
  readonly aside: 'split' | 'opinion' | undefined;
  readonly isCounting: boolean;
  readonly onAside: (which: 'split' | 'opinion') => void;
  readonly onCount: () => void;
  readonly children: ReactNode;
}

/** What else can be done with the thing in hand. */
function Acts({ count, aside, isCounting, onAside, onCount, children }: ActsProps) {
  const look = (isOn: boolean) =>
    'inline-flex min-h-8 items-center gap-1.5 rounded-[4px] border px-2 text-[13.5px] ' +
    'max-md:min-h-12 ' +
    `${isOn ? 'border-rim bg-rim-wash font-[650] text-rim-deep' : 'border-line bg-white'}`;
  return (
    <div className="mt-2.5 flex flex-wrap gap-1.5">
      {count > 1 && (
        <button
          type="button"
          aria-pressed={aside === 'split'}
          className={look(aside === 'split')}
          onClick={() => onAside('split')}
        >
          <Split size={15} aria-hidden="true" /> Split the pile{' '}
          <kbd className="max-md:hidden">P</kbd>
        </button>
      )}
      <button
        type="button"
        aria-pressed={isCounting}
        className={look(isCounting)}
        onClick={onCount}
      >
        <ListPlus size={15} aria-hidden="true" /> Count aloud <kbd className="max-md:hidden">M</kbd>
      </button>
      <button
        type="button"
        aria-pressed={aside === 'opinion'}
        className={look(aside === 'opinion')}
        onClick={() => onAside('opinion')}
      >
        <CircleHelp size={15} aria-hidden="true" /> Second opinion{' '}
        <kbd className="max-md:hidden">O</kbd>
      </button>
      {children}
    </div>
  );
}

/** The ways of the thing in hand first, then the others. */
const orderWays = (goesTo: readonly GoesTo[]): WayOut[] => [
  ...goesTo.flatMap((code) => offeredWays.find((way) => way === code) ?? []),
  ...offeredWays.filter((way) => !goesTo.some((code) => code === way)),
];

/** Whether the thing in hand has waited for longer than usual in this sort. */
function useHesitation(bench: Bench): boolean {
  const now = useNow(3000);
  if (!now || bench.inHandSince === undefined || !bench.inHand) return false;
  const usual = intervalsOf(
    bench.log.flatMap((event) =>
      event.kind === 'decided'
        ? [{ at: event.decidedAt, pieces: event.count, isLater: false }]
        : [],
    ),
  );
  return isHesitating((now.getTime() - bench.inHandSince) / 1000, usual);
}

function opinionFacts(
  bench: Bench,
  { sentimentalSchool, otherRooms }: Pick<SortBenchProps, 'sentimentalSchool' | 'otherRooms'>,
): OpinionFacts {
  const { inHand } = bench;
  const name = inHand?.name ?? '';
  const known = bench.enoughFor(name);
  const kept = bench.things.filter(
    (thing) => isKept(thing) && thing.groupId !== null && thing.groupId === inHand?.groupId,
  );
  return {
    name,
    count: inHand?.count ?? 1,
    reasons: inHand?.reasons ?? [],
    cautions: inHand?.cautions ?? [],
    keptCount: known.keptCount ?? piecesOf(kept),
    enoughCount: known.enoughCount,
    fittingCount: bench.space?.fittingCount,
    sentimentalSchool,
    elsewhere: known.elsewhere.flatMap(({ roomId, count }) =>
      otherRooms
        .filter(({ id }) => id === roomId)
        .map((room) => ({ roomName: `the ${room.name.toLowerCase()}`, count })),
    ),
  };
}

interface BenchKeys {
  readonly bench: Bench;
  readonly isAsking: boolean;
  readonly pick: (verdict: Verdict) => void;
  readonly toLine: () => void;
  readonly acts: Readonly<Record<string, () => void>>;
}

function useBenchKeys({ bench, isAsking, pick, toLine, acts }: BenchKeys): void {
  const { inHand } = bench;
  const byVerdict = Object.fromEntries(
    verdicts.map((verdict) => [traitsOf(verdict).key.toLowerCase(), () => pick(verdict)]),
  );
  const byReason = Object.fromEntries(
    bench.reasonOrder
      .slice(0, 9)
      .map((reason, i) => [
        String(i + 1),
        () => inHand && bench.change({ reasons: toggle(inHand.reasons, reason) }),
      ]),
  );
  const addPieces = (pieces: number) => () =>
    inHand && bench.change({ count: Math.max(1, inHand.count + pieces) });
  useKeys({
    z: bench.undo,
    y: bench.redo,
    t: toLine,
    // While a destination is asked for, digits choose it and letters wait.
    ...(isAsking
      ? {}
      : { ...byVerdict, ...byReason, ...acts, '+': addPieces(1), '-': addPieces(-1) }),
  });
}

function destinationsFor(
  verdict: Verdict | undefined,
  otherRoomNames: readonly string[],
  goesTo: readonly GoesTo[],
  things: readonly { readonly verdict: Verdict; readonly to: string }[],
): readonly Destination[] {
  switch (verdict && traitsOf(verdict).asks) {
    case 'room':
      return [
        ...otherRoomNames.map((name) => ({ label: name, to: name })),
        { label: 'no home yet', to: '' },
      ];
    case 'way_out':
      return orderWays(goesTo).map((way) => ({ label: wayOutWords[way], to: way }));
    case 'person': {
      const names = new Set(things.flatMap((thing) => personOf(thing) ?? []));
      return [...names].map((name) => ({ label: name, to: name }));
    }
    case 'day':
    case undefined:
      return [];
  }
}
