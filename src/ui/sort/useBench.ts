'use client';

import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';

import { usableLitresOf } from '@/core/look';
import {
  actOf,
  addBoxes,
  leavingStatesOf,
  openBoxesOf,
  addTallies,
  correctThing,
  findConflicts,
  findLastStanding,
  findRestorable,
  foldDecisions,
  mergePiles,
  orderReasons,
  createParser,
  factsOf,
  ownKindsOf,
  withCount,
  type ParsedThing,
  spaceInBay,
  splitPile,
  tallyByVerdict,
  type BenchBase,
  type DecisionEvent,
  type PilePart,
  type StandingEvent,
  type Thing,
  type Verdict,
} from '@/core/sort';
import { reasons, type Reason } from '@/core/things';
import {
  type BayId,
  type RoomId,
  type DecisionId,
  type GroupId,
  type PictureId,
  type ThingId,
  toId,
} from '@/core/shared';
import { sendDecisions } from './sendDecisions';
import { serverNow } from './deviceClock';
import { createUuid } from '../createUuid';
import { createMeans, createThingId } from './eventMeans';
import { enoughFor, needOfGroup, withDateReason } from './handFacts';
import { deviceName } from '../outbox/deviceNames';
import { liveLog } from './liveLog';
import {
  applyChanges,
  findGroupByStart,
  hundredths,
  offOf,
  splitGroup,
  withSizeAnew,
} from './handLine';
import { type BenchData, type InHand, type InHandChanges } from './benchData';

const draftKey = (roomId: string) => `tin-box-typed-${roomId}`;
/** Disagreements older than this are settled by now. */
const CONFLICT_MINUTES = 30;

/** Everything the bench knows and can do; its screen only shows and forwards. */
export function useBench({
  projectId,
  roomId,
  log,
  base,
  otherKeptLitres,
  lastSeq,
  groups,
  units,
  home,
  enough,
  kindSizes,
  learntSizes,
  neverLeaves,
  lengthUnit,
  carries,
}: BenchData) {
  const { typed, setTyped } = useTyped(roomId);
  const [changes, setChanges] = useState<InHandChanges>({});
  const [chosenBayId, setChosenBayId] = useState<BayId>();
  const [inHandSince, setInHandSince] = useState<number>();
  const fullLog = useFullLog({ projectId, roomId, log, lastSeq });
  const things = useMemo(
    () => foldDecisions(fullLog).filter((thing) => thing.roomId === roomId),
    [fullLog, roomId],
  );
  const roomGroups = useMemo(
    () => groups.filter((group) => group.roomId === roomId),
    [groups, roomId],
  );
  // What is closed counts in its group as a heap: the sums are the same, and the list stays short.
  const heaps = useMemo(
    () =>
      groups.map((group) => ({
        ...group,
        uncountedLitres:
          group.uncountedLitres +
          (base.keptLitres[group.id] ?? 0) +
          (otherKeptLitres[group.id] ?? 0),
      })),
    [groups, base, otherKeptLitres],
  );
  const known = useMemo(() => [...base.names, ...things], [base, things]);
  const own = useMemo(() => ownKindsOf(kindSizes, learntSizes), [kindSizes, learntSizes]);
  const [today] = useState(() => new Date().toISOString().slice(0, 10));
  const parse = useMemo(
    () =>
      createParser(
        { groups: roomGroups, things: known, mustAsk: neverLeaves, bareUnit: lengthUnit },
        own,
      ),
    [roomGroups, known, own, neverLeaves, lengthUnit],
  );
  const { groupTyped } = splitGroup(typed);
  const parsed = useMemo(
    () => withDateReason(parse(splitGroup(typed).line), today),
    [parse, typed, today],
  );
  const named = groupTyped === undefined ? undefined : findGroupByStart(roomGroups, groupTyped);
  const inHand: InHand | undefined =
    parsed && applyChanges({ ...parsed, groupId: named?.id ?? parsed.groupId }, changes);
  // Learned when the page is opened; digits must not change under the hand.
  const [reasonOrder] = useState(() =>
    orderReasons(reasons, countReasons(base, foldDecisions(log))),
  );

  const group = roomGroups.find(({ id }) => id === inHand?.groupId);
  const bays = units.flatMap((unit) => unit.bays);
  const bay =
    bays.find(({ id }) => id === (group?.bayId ?? chosenBayId)) ??
    bays.find(({ id }) => id === chosenBayId);
  const send = (events: readonly DecisionEvent[]) => sendDecisions(projectId, events);
  const clear = () => {
    setTyped('');
    setChanges({});
    setInHandSince(undefined);
  };
  const follow = (kind: 'undone' | 'restored', event: StandingEvent | undefined) =>
    event && send(actOf(event, fullLog).map((about) => toFollowUp(kind, about)));
  const toPile = (pile: InHand): Parameters<typeof splitPile>[0] => {
    const { id: _, decisionId: __, decidedAt: ___, ...facts } = toThing({ inHand: pile, roomId });
    return { ...facts, id: createThingId() };
  };

  return {
    typed,
    inHand,
    own,
    lengthUnit,
    /** A group that was named behind a slash and is none yet. */
    newGroupName: named || groupTyped === undefined ? undefined : groupTyped,
    /** What was typed behind a slash and is not the whole name of the group it was taken for. */
    groupBegun:
      named && named.name.toLowerCase() !== groupTyped?.toLowerCase() ? groupTyped : undefined,
    inHandSince,
    things,
    log: fullLog,
    thingCount: base.thingCount + things.length,
    roomGroups,
    reasonOrder,
    givenTo: base.givenTo,
    groupNeed: group && needOfGroup(group.id, { things, base, inHand }),
    enoughFor: (name: string) => enoughFor(name, { things, home, enough, roomId }),
    bays,
    bay,
    space: bay && {
      ...spaceInBay({
        bayId: bay.id,
        usableLitres: usableLitresOf(bay),
        groups: heaps,
        things,
        inHand: inHand && { ...inHand, offLitres: offOf(inHand) },
      }),
      bay,
      group,
    },
    tally: addTallies(base.tally, tallyByVerdict(things)),
    /** What this room keeps, heaps that nobody counted among it. */
    roomKeptLitres:
      addTallies(base.tally, tallyByVerdict(things)).keep.litres +
      roomGroups.reduce((sum, { uncountedLitres }) => sum + uncountedLitres, 0),
    boxes: addBoxes([
      base.boxes,
      [...openBoxesOf(things, leavingStatesOf(things, carries)).values()],
    ]),
    recent: [...things].sort((a, b) => b.decidedAt.localeCompare(a.decidedAt)).slice(0, 8),
    conflicts: findConflicts(
      fullLog,
      new Date(lastInstantOf(fullLog) - CONFLICT_MINUTES * 60_000).toISOString(),
    ),
    canUndo: findLastStanding(fullLog, deviceName()) !== undefined,
    canRedo: findRestorable(fullLog, deviceName()) !== undefined,
    type: (text: string) => {
      setTyped(text);
      setInHandSince((before) => (text.trim() === '' ? undefined : (before ?? Date.now())));
      // A number that is typed counts; what was set by hand before it no longer does.
      setChanges(({ count: _, correction: __, ...before }) => (text.trim() === '' ? {} : before));
    },
    change: (change: InHandChanges) => setChanges((before) => ({ ...before, ...change })),
    chooseBay: setChosenBayId,
    /** `agreedBy`: who said yes at once to what never leaves without asking. */
    decide: (verdict: Verdict, to: string, agreedBy?: string) => {
      if (!inHand) return;
      const pile = { ...toPile(inHand), ...(agreedBy === undefined ? {} : { agreedBy }) };
      send(splitPile(pile, [{ count: inHand.count, verdict, to }], createMeans()));
      clear();
    },
    /** Parts of the pile in hand, each with a verdict of its own; one act. */
    split: (parts: readonly PilePart[]) => {
      if (!inHand) return;
      send(splitPile(toPile(inHand), parts, createMeans()));
      clear();
    },
    splitThing: (thing: Thing, parts: readonly PilePart[]) =>
      send(splitPile(thing, parts, createMeans())),
    correct: (thing: Thing, change: Parameters<typeof correctThing>[1]) =>
      send([correctThing(thing, withSizeAnew(thing, change, parse), createMeans())]),
    merge: (into: Thing, other: Thing) => send(mergePiles(into, other, createMeans())),
    /** One more of a pile that is counted aloud; its first is a thing of its own. */
    countOne: (pile: InHand, verdict: Verdict, to: string) => {
      const one = withCount(pile, 1);
      const same = things.find(
        (thing) =>
          thing.name === pile.name &&
          thing.verdict === verdict &&
          thing.to === to &&
          JSON.stringify(thing.reasons) === JSON.stringify(pile.reasons),
      );
      send(
        same
          ? [correctThing(same, { count: same.count + 1 }, createMeans())]
          : splitPile(toPile(one), [{ count: 1, verdict, to }], createMeans()),
      );
    },
    undo: () => follow('undone', findLastStanding(fullLog, deviceName())),
    redo: () => follow('restored', findRestorable(fullLog, deviceName())),
  };
}
export type Bench = ReturnType<typeof useBench>;

/**
 * The server's log with what was decided since, here and on other devices, of things that were ever
 * in this room.
 */
function useFullLog({
  projectId,
  roomId,
  log,
  lastSeq,
}: Pick<BenchData, 'projectId' | 'roomId' | 'log' | 'lastSeq'>): readonly DecisionEvent[] {
  const live = useSyncExternalStore(liveLog.subscribe, liveLog.list, liveLog.none);
  useEffect(() => liveLog.follow(projectId, lastSeq), [projectId, lastSeq]);
  return useMemo(() => {
    const known = new Set(log.map((event) => event.id));
    const added = live.flatMap(({ projectId: of, event }) =>
      of === projectId && !known.has(event.id) ? [event] : [],
    );
    const all = [...log, ...added];
    const here = new Set(
      all.flatMap((event) =>
        event.kind === 'decided' && event.roomId === roomId ? [event.thingId] : [],
      ),
    );
    return all.filter((event) => here.has(event.thingId));
  }, [log, live, projectId, roomId]);
}

/** What is typed survives a reload in the middle of a word. */
function useTyped(roomId: string) {
  const [typed, setTypedState] = useState('');
  useEffect(() => {
    const kept = window.localStorage.getItem(draftKey(roomId));
    // Read after the first paint: the server cannot know it, and both must agree on that paint.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    if (kept) setTypedState(kept);
  }, [roomId]);
  const setTyped = (text: string) => {
    setTypedState(text);
    if (text === '') window.localStorage.removeItem(draftKey(roomId));
    else window.localStorage.setItem(draftKey(roomId), text);
  };
  return { typed, setTyped };
}

function toThing({ inHand, roomId }: { readonly inHand: InHand; readonly roomId: RoomId }): Thing {
  return {
    id: toId<ThingId>('in-hand'),
    decisionId: toId<DecisionId>('in-hand'),
    decidedAt: '',
    roomId,
    name: inHand.name,
    count: inHand.count,
    verdict: 'keep',
    to: '',
    reasons: [...inHand.reasons] as Reason[],
    groupId: inHand.groupId === undefined ? null : toId<GroupId>(inHand.groupId),
    litres: hundredths(inHand.litres),
    massG: Math.round(inHand.massG),
    ...factsOf(inHand as ParsedThing),
    ...(inHand.pictureId === undefined ? {} : { pictureId: toId<PictureId>(inHand.pictureId) }),
  };
}

const toFollowUp = (kind: 'undone' | 'restored', about: DecisionEvent): DecisionEvent => ({
  kind,
  id: toId<DecisionId>(createUuid()),
  thingId: about.thingId,
  aboutId: about.id,
  decidedAt: serverNow(),
  device: deviceName(),
});

function countReasons(base: BenchBase, things: readonly Thing[]): BenchBase['reasonCounts'] {
  const counts: Partial<Record<Reason, number>> = { ...base.reasonCounts };
  for (const reason of things.flatMap((thing) => thing.reasons))
    counts[reason] = (counts[reason] ?? 0) + 1;
  return counts;
}

const lastInstantOf = (log: readonly DecisionEvent[]): number =>
  log.reduce((latest, event) => Math.max(latest, Date.parse(event.decidedAt)), 0);
