'use server';

import { z } from 'zod';

import { arrangementRefSchema as refSchema, draftSchema, moveListSchema } from '@/core/place';
import {
  bayIdSchema,
  draftIdSchema,
  groupIdSchema,
  projectIdSchema,
  roomIdSchema,
  thingIdSchema,
} from '@/core/shared';
import type { Group } from '@/core/sort';
import { getDatabase } from '@/data/startData';
import { addDraft, arrange, chooseDraft, removeDraft, renameDraft } from '@/server/place/drafts';
import { makeMoveList, noteDeviation, type MoveListReasons } from '@/server/place/moveList';
import { takeIn } from '@/server/place/takeIn';
import type { ActionResult } from '@/ui/actionResult';
import { movesReasonWords } from '@/ui/place/placeWords';
import { answer, done } from './answer';

const room = { projectId: projectIdSchema, roomId: roomIdSchema };
/** A room's arrangement, or (null) the whole home's. */
const arranged = { projectId: projectIdSchema, roomId: roomIdSchema.nullable() };
const nameSchema = draftSchema.shape.name;

export async function arrangeAction(
  projectId: string,
  roomId: string | null,
  ref: string,
  assignment: readonly { readonly groupId: string; readonly bayId: string | null }[],
): Promise<ActionResult> {
  const schema = z.object({
    ...arranged,
    ref: refSchema,
    assignment: z
      .array(z.object({ groupId: groupIdSchema, bayId: bayIdSchema.nullable() }))
      .max(1000),
  });
  return answer(schema, { projectId, roomId, ref, assignment }, async (input) => {
    await arrange(await getDatabase(), input.projectId, input);
    return done;
  });
}

export async function addDraftAction(
  projectId: string,
  roomId: string | null,
  from: string,
  name: string,
): Promise<ActionResult<string>> {
  return answer(
    z.object({ ...arranged, from: refSchema, name: nameSchema }),
    { projectId, roomId, from, name },
    async (input) => ({
      ok: true,
      value: await addDraft(await getDatabase(), input.projectId, input),
    }),
  );
}

export async function renameDraftAction(
  projectId: string,
  roomId: string | null,
  draftId: string,
  name: string,
): Promise<ActionResult> {
  return answer(
    z.object({ ...arranged, draftId: draftIdSchema, name: nameSchema }),
    { projectId, roomId, draftId, name },
    async (input) => {
      await renameDraft(await getDatabase(), input.projectId, input);
      return done;
    },
  );
}

const draftInput = z.object({ ...arranged, draftId: draftIdSchema });

export async function chooseDraftAction(
  projectId: string,
  roomId: string | null,
  draftId: string,
): Promise<ActionResult> {
  return answer(draftInput, { projectId, roomId, draftId }, async (input) => {
    await chooseDraft(await getDatabase(), input.projectId, input);
    return done;
  });
}

export async function removeDraftAction(
  projectId: string,
  roomId: string | null,
  draftId: string,
): Promise<ActionResult> {
  return answer(draftInput, { projectId, roomId, draftId }, async (input) => {
    await removeDraft(await getDatabase(), input.projectId, input);
    return done;
  });
}

export async function takeInAction(
  projectId: string,
  roomId: string,
  thingId: string,
): Promise<ActionResult<Group>> {
  return answer(
    z.object({ ...room, thingId: thingIdSchema }),
    { projectId, roomId, thingId },
    async (input) => ({
      ok: true,
      value: await takeIn(await getDatabase(), input.projectId, input),
    }),
  );
}

const moveListInput = moveListSchema
  .pick({ cleaning: true, cleanedBayIds: true, basketsStand: true })
  .extend(room);

export async function makeMoveListAction(
  projectId: string,
  roomId: string,
  input: {
    readonly cleaning: string;
    readonly cleanedBayIds: readonly string[];
    readonly basketsStand: string;
  },
): Promise<ActionResult> {
  return answer(moveListInput, { projectId, roomId, ...input }, async (asked) => {
    const made = await makeMoveList(await getDatabase(), asked.projectId, asked);
    return made.ok ? done : cannotMove(made.error);
  });
}

/** `bayId` null: it is in a basket. */
export async function noteDeviationAction(
  projectId: string,
  roomId: string,
  groupId: string,
  bayId: string | null,
): Promise<ActionResult> {
  return answer(
    z.object({ ...room, groupId: groupIdSchema, bayId: bayIdSchema.nullable() }),
    { projectId, roomId, groupId, bayId },
    async (input) => {
      const noted = await noteDeviation(await getDatabase(), input.projectId, input);
      return noted.ok ? done : cannotMove(noted.error);
    },
  );
}

const cannotMove = (reasons: MoveListReasons): ActionResult<never> => ({
  ok: false,
  message: reasons.map((reason) => movesReasonWords(reason, reason.bayName)).join(' '),
});
