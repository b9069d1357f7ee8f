import 'server-only';

import {
  listLooks,
  reviewIdOf,
  reviewSchema,
  withWalkLine,
  type Look,
  type PutAwayTest,
  type Review,
  type WalkLine,
} from '@/core/again';
import type { ProjectId, PutAwayTestId, RoomId } from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import {
  insertRecord,
  loadRecords,
  putAwayTestRecord,
  reviewRecord,
  type LoadName,
  type Records,
} from '@/data/records';
import { nowIso } from '../means';

export const lookNames = [
  'groups',
  'pictures',
  'project',
  'reviews',
  'rooms',
  'vantagePoints',
] as const satisfies readonly LoadName[];
type LookRecords = Records<(typeof lookNames)[number]>;

export const looksOf = ({ project, ...records }: LookRecords): Look[] =>
  listLooks({ projectId: project.id, ...records });

/** Which look is meant: one that is planned or written down, or one of somebody's own on a day. */
export interface LookAt {
  readonly roomId: RoomId | null;
  readonly kind: Review['kind'];
  readonly plannedOn: string;
}

const idOf = (projectId: ProjectId, { roomId, kind, plannedOn }: LookAt): string =>
  reviewIdOf({ key: roomId ?? projectId, kind, plannedOn });

/** The look as it is written down; one that is only planned begins empty. @errors `not_found`: no such room. */
function openReview(records: LookRecords, at: LookAt): Review {
  const projectId = records.project.id;
  const id = idOf(projectId, at);
  const known = records.reviews.find((review) => review.id === id);
  if (known) return known;
  if (at.roomId !== null && records.rooms.every((room) => room.id !== at.roomId))
    throw new DataError('not_found', 'there is no such room');
  return reviewSchema.parse({
    ...at,
    id,
    projectId,
    dueOn: at.plannedOn,
    doneOn: null,
    note: '',
    lines: [],
    changes: [],
  });
}

const nameOf = ({ rooms }: LookRecords, { roomId }: LookAt): string =>
  rooms.find(({ id }) => id === roomId)?.name.toLowerCase() ?? 'the home';

const change = async (
  db: Db,
  projectId: ProjectId,
  {
    at,
    code,
    after,
  }: {
    readonly at: LookAt;
    readonly code: 'look_made' | 'look_moved' | 'look_noted';
    readonly after: (review: Review) => Review;
  },
): Promise<void> => {
  const records = await loadRecords(db, projectId, ...lookNames);
  const deed = { code, name: nameOf(records, at) } as const;
  await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
    writer.put(reviewRecord, after(openReview(records, at))),
  );
};

/** Notes how a place was found. */
export const noteWalkLine = atomic(
  (db: Db, projectId: ProjectId, { at, line }: { readonly at: LookAt; readonly line: WalkLine }) =>
    change(db, projectId, {
      at,
      code: 'look_noted',
      after: (review) => ({ ...review, lines: withWalkLine(review.lines, line) }),
    }),
);

/** The look was made, with what was noted of it; undefined day: it is open again. */
export const endLook = atomic(
  (
    db: Db,
    projectId: ProjectId,
    {
      at,
      note,
      doneOn,
    }: { readonly at: LookAt; readonly note: string; readonly doneOn: string | null },
  ) =>
    change(db, projectId, {
      at,
      code: 'look_made',
      after: (review) => ({ ...review, note, doneOn }),
    }),
);

export const moveLook = atomic(
  (db: Db, projectId: ProjectId, { at, dueOn }: { readonly at: LookAt; readonly dueOn: string }) =>
    change(db, projectId, { at, code: 'look_moved', after: (review) => ({ ...review, dueOn }) }),
);

/** Keeps a test that somebody finished, outside undo: they did it. The same one counts once. */
export const keepTest = atomic(
  async (db: Db, projectId: ProjectId, test: PutAwayTest): Promise<void> => {
    const { putAwayTests, people } = await loadRecords(db, projectId, 'putAwayTests', 'people');
    if (putAwayTests.some(({ id }) => id === test.id)) return;
    await insertRecord(db, putAwayTestRecord, {
      ...test,
      projectId,
      personId: people.some(({ id }) => id === test.personId) ? test.personId : null,
    });
  },
);

/** @errors `not_found`. */
export const removeTest = atomic(
  async (db: Db, projectId: ProjectId, testId: PutAwayTestId): Promise<void> => {
    const { putAwayTests } = await loadRecords(db, projectId, 'putAwayTests');
    const test = putAwayTests.find(({ id }) => id === testId);
    if (!test) throw new DataError('not_found', 'there is no such test');
    await recordChange(
      db,
      { projectId, deed: { code: 'test_removed', name: test.personName }, now: nowIso() },
      (writer) => writer.remove(putAwayTestRecord, testId),
    );
  },
);
