'use client';

import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';

import { usableLitresOf, type Bay, type Unit } from '@/core/look';
import { findLastStanding, findRestorable, foldDecisions, parseThing, spaceInBay, tallyByVerdict, type DecisionEvent, type Group, type ParsedThing, type Reason, type Thing, type Verdict } from '@/core/sort';
import { decisionIdSchema, groupIdSchema, thingIdSchema, type BayId, type RoomId } from '@/core/shared';
import { decisionOutbox } from './decisionOutbox';

export interface BenchData {
  readonly projectId: string;
  readonly roomId: RoomId;
  /** This room's log as the server has it. */
  readonly log: readonly DecisionEvent[];
  /** Groups of the whole project; those of this room are offered. */
  readonly groups: readonly Group[];
  /** Things of other rooms, which share bays with this one. */
  readonly otherThings: readonly Thing[];
  readonly units: readonly Unit[];
}

/** The thing in hand: as it was understood, with what was set by hand over it. */
export interface InHand extends Omit<ParsedThing, 'groupId'> {
  readonly groupId: Group['id'] | undefined;
}

const draftKey = (roomId: string) => `tin-box-typed-${roomId}`;

/** Everything the bench knows and can do; its screen only shows and forwards. */
export function useBench({ projectId, roomId, log, groups, otherThings, units }: BenchData) {
  const typedState = useTyped(roomId);
  const { typed, setTyped } = typedState;
  const [changes, setChanges] = useState<Partial<InHand>>({});
  const [chosenBayId, setChosenBayId] = useState<BayId>();
  // The server's answer may be older than what waits here, so both logs are folded together.
  const sent = useSyncExternalStore(subscribeSent, getSent, getNothing);
  const fullLog = useMemo(() => mergeLogs(log, sent.filter((entry) => entry.projectId === projectId && isOfRoom(entry.event, log, roomId, sent))), [log, sent, projectId, roomId]);
  const things = useMemo(() => foldDecisions(fullLog).filter((thing) => thing.roomId === roomId), [fullLog, roomId]);
  const roomGroups = groups.filter((group) => group.roomId === roomId);
  const parsed = useMemo(() => parseThing(typed, { groups: roomGroups, things }), [typed, roomGroups, things]);
  const inHand: InHand | undefined = parsed && applyChanges({ ...parsed, groupId: parsed.groupId }, changes);

  const group = roomGroups.find(({ id }) => id === inHand?.groupId);
  const bays = units.flatMap((unit) => unit.bays);
  const bay = bays.find(({ id }) => id === (group?.bayId ?? chosenBayId)) ?? bays.find(({ id }) => id === chosenBayId);
  const send = (events: readonly DecisionEvent[]) => {
    decisionOutbox.add(projectId, events);
    noteSent(projectId, events);
  };

  return {
    typed,
    inHand,
    things,
    roomGroups,
    bays,
    bay,
    space: bay && spaceFor(bay, { groups, things: [...things, ...otherThings], inHand, group }),
    tally: tallyByVerdict(things),
    recent: [...things].sort((a, b) => b.decidedAt.localeCompare(a.decidedAt)).slice(0, 5),
    canUndo: findLastStanding(fullLog) !== undefined,
    canRedo: findRestorable(fullLog) !== undefined,
    type: (text: string) => {
      setTyped(text);
      // A number that is typed counts; what was set by hand before it no longer does.
      setChanges(({ count: _, ...before }) => (text.trim() === '' ? {} : before));
    },
    change: (change: Partial<InHand>) => setChanges((before) => ({ ...before, ...change })),
    chooseBay: setChosenBayId,
    decide: (verdict: Verdict, to: string) => {
      if (!inHand) return;
      send([toDecision({ inHand, roomId, verdict, to })]);
      setTyped('');
      setChanges({});
    },
    undo: () => {
      const last = findLastStanding(fullLog);
      if (last) send([toFollowUp('undone', last)]);
    },
    redo: () => {
      const last = findRestorable(fullLog);
      if (last) send([toFollowUp('restored', last)]);
    },
  };
}
export type Bench = ReturnType<typeof useBench>;

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

/** A new number of pieces scales what they take. */
function applyChanges(parsed: InHand, changes: Partial<InHand>): InHand {
  const count = changes.count ?? parsed.count;
  const ratio = count / parsed.count;
  return { ...parsed, litres: parsed.litres * ratio, massG: parsed.massG * ratio, ...changes, count };
}

function spaceFor(bay: Bay, input: { readonly groups: readonly Group[]; readonly things: readonly Thing[]; readonly inHand: InHand | undefined; readonly group: Group | undefined }) {
  return {
    ...spaceInBay({ bayId: bay.id, usableLitres: usableLitresOf(bay), groups: input.groups, things: input.things, inHand: input.inHand }),
    bay,
    group: input.group,
  };
}

function toDecision({ inHand, roomId, verdict, to }: { readonly inHand: InHand; readonly roomId: RoomId; readonly verdict: Verdict; readonly to: string }): DecisionEvent {
  return {
    kind: 'decided', id: decisionIdSchema.parse(crypto.randomUUID()), thingId: thingIdSchema.parse(crypto.randomUUID()),
    decidedAt: new Date().toISOString(), device: 'desk', roomId, name: inHand.name, count: inHand.count, verdict,
    reasons: [...inHand.reasons] as Reason[], groupId: inHand.groupId === undefined ? null : groupIdSchema.parse(inHand.groupId), to,
    litres: Math.round(inHand.litres * 100) / 100, massG: Math.round(inHand.massG),
  };
}

const toFollowUp = (kind: 'undone' | 'restored', about: DecisionEvent): DecisionEvent => ({
  kind, id: decisionIdSchema.parse(crypto.randomUUID()), thingId: about.thingId, aboutId: about.id, decidedAt: new Date().toISOString(), device: 'desk',
});

function mergeLogs(log: readonly DecisionEvent[], sent: readonly SentEntry[]): readonly DecisionEvent[] {
  const known = new Set(log.map((event) => event.id));
  return [...log, ...sent.map((entry) => entry.event).filter((event) => !known.has(event.id))];
}

function isOfRoom(event: DecisionEvent, log: readonly DecisionEvent[], roomId: string, sent: readonly SentEntry[]): boolean {
  if (event.kind === 'decided') return event.roomId === roomId;
  return [...log, ...sent.map((entry) => entry.event)].some((other) => other.id === event.aboutId && other.kind === 'decided' && other.roomId === roomId);
}

interface SentEntry {
  readonly projectId: string;
  readonly event: DecisionEvent;
}

/** What this page has decided since it was loaded, kept or not; with what still waited from before. */
let sentEntries: readonly SentEntry[] = [];
const sentListeners = new Set<() => void>();
const nothing: readonly SentEntry[] = [];
const getNothing = () => nothing;
const getSent = () => sentEntries;

function noteSent(projectId: string, events: readonly DecisionEvent[]): void {
  sentEntries = [...sentEntries, ...events.map((event) => ({ projectId, event }))];
  sentListeners.forEach((listener) => listener());
}

function subscribeSent(listener: () => void): () => void {
  if (sentEntries.length === 0) {
    const entries = decisionOutbox.listAllWaiting();
    if (entries.length > 0) {
      sentEntries = entries;
      queueMicrotask(listener);
    }
  }
  sentListeners.add(listener);
  return () => sentListeners.delete(listener);
}
