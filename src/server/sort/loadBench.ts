import 'server-only';

import { benchBaseOf, keptLitresByGroup, type BenchBase, type DecisionEvent, type Thing } from '@/core/sort';
import type { ProjectId, RoomId } from '@/core/shared';
import type { Db } from '@/data/db';
import { lastSeqOf, listRecentHistories } from '@/data/decisionLog';

/** So many of the latest decisions of a project are open on the bench: they can be undone and are shown one by one. */
const OPEN_EVENTS = 300;

export interface LoadedBench {
  /** Complete histories of the open things, in the log's order. */
  readonly log: readonly DecisionEvent[];
  readonly base: BenchBase;
  /** Litres kept elsewhere in the project, by group: they may share a bay with this room's. */
  readonly otherKeptLitres: Readonly<Record<string, number>>;
  readonly lastSeq: number;
}

/** What the bench of a room starts from: the latest decisions one by one, everything older as sums. */
export async function loadBench(db: Db, { projectId, roomId, things }: { readonly projectId: ProjectId; readonly roomId: RoomId; readonly things: readonly Thing[] }): Promise<LoadedBench> {
  const lastSeq = await lastSeqOf(db, projectId);
  const recent = await listRecentHistories(db, projectId, OPEN_EVENTS);
  const touchedHere = new Set(recent.flatMap((event) => (event.kind === 'decided' && event.roomId === roomId ? [event.thingId] : [])));
  const log = recent.filter((event) => touchedHere.has(event.thingId));
  const isOpen = (thing: Thing) => touchedHere.has(thing.id);
  const otherKeptLitres = keptLitresByGroup(things.filter((thing) => thing.roomId !== roomId && !isOpen(thing)));
  return { log, base: benchBaseOf(things.filter((thing) => thing.roomId === roomId && !isOpen(thing))), otherKeptLitres, lastSeq };
}
