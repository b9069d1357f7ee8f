import 'server-only';

import {
  carrySchema,
  pauseOver,
  methodNames,
  methods,
  ownMethodSchema,
  sessionSchema,
  stepOver,
  timeSteps,
  withEnd,
  type Carry,
  type MethodName,
  type MethodStep,
  type Session,
} from '@/core/sort';
import {
  carryIdSchema,
  methodIdSchema,
  type CarryId,
  type MethodId,
  type ProjectId,
  type RoomId,
  type SectionId,
  type SessionId,
} from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { carryRecord, ownMethodRecord, sessionRecord } from '@/data/records';
import { listCarries, listOwnMethods, listSessions } from '@/data/sessionRepo';
import { createId, nowIso } from '../means';

interface SessionInput {
  readonly roomId: RoomId;
  readonly sectionId: SectionId | null;
  /** A shipped method's name, or the id of an own one. */
  readonly method: string;
  readonly plannedMinutes: number;
  readonly present: readonly string[];
}

/**
 * Starts a session; one that still goes on in this room ends with it. @errors `not_found`: no such
 * method.
 */
export const startSession = atomic(
  async (db: Db, projectId: ProjectId, input: SessionInput): Promise<SessionId> => {
    const own = (await listOwnMethods(db, projectId)).find(({ id }) => id === input.method);
    const shipped = methodNames.find((name: MethodName) => name === input.method);
    const steps = own?.steps ?? (shipped && methods[shipped]);
    if (!steps) throw new DataError('not_found', `there is no method ${input.method}`);
    const now = nowIso();
    const { method, ...facts } = input;
    const session = sessionSchema.parse({
      ...facts,
      id: createId(),
      method: own?.name ?? method,
      steps: timeSteps(steps, input.plannedMinutes),
      startedAt: now,
      stepStarts: [now],
      endedAt: null,
    });
    const open = (await listSessions(db, input.roomId)).filter(({ endedAt }) => endedAt === null);
    await recordChange(
      db,
      { projectId, deed: { code: 'session_started' }, now },
      async (writer) => {
        for (const other of open) await writer.put(sessionRecord, withEnd(other, now));
        await writer.insert(sessionRecord, session);
      },
    );
    return session.id;
  },
);

/** Stands still, or goes on (`pauseOver`): the time between does not count. @errors `not_found`. */
export const pauseSession = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { at, isPaused: stands, ...place }: SessionPlace & { at: string; isPaused: boolean },
  ): Promise<void> => {
    const session = await getSession(db, place);
    const after = pauseOver(session, { at, isPaused: stands });
    if (after === session) return;
    const code = stands ? 'session_paused' : 'session_on';
    await recordChange(db, { projectId, deed: { code }, now: nowIso() }, (writer) =>
      writer.put(sessionRecord, after),
    );
  },
);

/** Takes other steps from the one at hand on; what was begun stays. @errors `not_found`. */
export const changeSteps = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { steps, ...place }: SessionPlace & { readonly steps: readonly MethodStep[] },
  ): Promise<void> => {
    const session = await getSession(db, place);
    const begun = session.stepStarts.length;
    const after = sessionSchema.parse({
      ...session,
      steps: [...session.steps.slice(0, begun), ...steps.slice(begun)],
    });
    await recordChange(
      db,
      { projectId, deed: { code: 'steps_changed' }, now: nowIso() },
      (writer) => writer.put(sessionRecord, after),
    );
  },
);

interface SessionPlace {
  readonly roomId: RoomId;
  readonly sessionId: SessionId;
}
async function getSession(db: Db, { roomId, sessionId }: SessionPlace): Promise<Session> {
  const session = await findSession(db, roomId, sessionId);
  if (!session) throw new DataError('not_found', 'there is no such session in this home');
  return session;
}

/**
 * Ends a step at the time it was over (`stepOver`): the next one begins, or the session ends. Where that
 * step is over already, nothing changes. @errors `not_found`.
 */
export const endStep = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { at, from, isEnd, ...place }: SessionPlace & Parameters<typeof stepOver>[1],
  ): Promise<void> => {
    const session = await getSession(db, place);
    const after = stepOver(session, { at, from, isEnd });
    if (after === session) return;
    await recordChange(
      db,
      {
        projectId,
        deed:
          after.endedAt === null
            ? { code: 'step_begun', name: session.steps[session.stepStarts.length]?.name ?? '' }
            : { code: 'session_ended' },
        now: nowIso(),
      },
      (writer) => writer.put(sessionRecord, after),
    );
  },
);

const findSession = async (
  db: Db,
  roomId: RoomId,
  sessionId: SessionId,
): Promise<Session | undefined> =>
  (await listSessions(db, roomId)).find(({ id }) => id === sessionId);

/** Keeps steps as the organizer's own; one of the same name is replaced. */
export const saveOwnMethod = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: { readonly name: string; readonly steps: readonly MethodStep[] },
  ): Promise<MethodId> => {
    const known = (await listOwnMethods(db, projectId)).find(
      ({ name }) => name.toLowerCase() === input.name.toLowerCase(),
    );
    const id = known?.id ?? methodIdSchema.parse(createId());
    await recordChange(
      db,
      { projectId, deed: { code: 'method_kept', name: input.name }, now: nowIso() },
      (writer) => writer.put(ownMethodRecord, ownMethodSchema.parse({ ...input, id, projectId })),
    );
    return id;
  },
);

/** Notes that things went out of the room unsorted: a debt until it is settled. */
export async function noteDebt(
  db: Db,
  projectId: ProjectId,
  input: { readonly roomId: RoomId; readonly note: string; readonly dueOn: string | null },
  carriedAt = nowIso(),
): Promise<CarryId> {
  const carry = carrySchema.parse({
    ...input,
    id: carryIdSchema.parse(createId()),
    verdict: null,
    litres: 0,
    massG: 0,
    carriedAt,
    settledAt: null,
  });
  await recordChange(
    db,
    { projectId, deed: { code: 'carried_unsorted', name: input.note }, now: nowIso() },
    (writer) => writer.insert(carryRecord, carry),
  );
  return carry.id;
}

/** A debt is settled: what was carried out unsorted has been gone through. */
export const settleDebt = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { roomId, carryId }: { readonly roomId: RoomId; readonly carryId: CarryId },
  ): Promise<void> => {
    const carry: Carry | undefined = (await listCarries(db, roomId)).find(
      ({ id }) => id === carryId,
    );
    if (!carry) throw new DataError('not_found', 'there is no such debt in this home');
    if (carry.settledAt !== null) return;
    await recordChange(
      db,
      { projectId, deed: { code: 'debt_settled', name: carry.note }, now: nowIso() },
      (writer) => writer.put(carryRecord, { ...carry, settledAt: nowIso() }),
    );
  },
);
