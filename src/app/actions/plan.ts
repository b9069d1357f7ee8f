'use server';

import { z } from 'zod';

import { roomCheckSchema, routineBreakSchema, wallPlaceSchema } from '@/core/look';
import {
  checkIdSchema,
  fixtureIdSchema,
  projectIdSchema,
  roomIdSchema,
  unitIdSchema,
} from '@/core/shared';
import type { Db } from '@/data/db';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import { createId } from '@/server/means';
import {
  movePlanItem,
  noteRoom,
  removeFixture,
  saveFixture,
  saveRoomPlan,
  type PlanItem,
} from '@/server/look/savePlan';
import type { ActionResult } from '@/ui/actionResult';
import { checkFormSchemaFor } from '@/ui/look/checkForm';
import { fixtureFormSchemaFor } from '@/ui/look/fixtureForm';
import { wallsFormSchemaFor } from '@/ui/look/wallsForm';
import { traceWallsWords } from '@/ui/look/lookWords';
import { answer, done } from './answer';

const placeSchema = z.object({ projectId: projectIdSchema, roomId: roomIdSchema });
type RoomPlace = z.input<typeof placeSchema>;

const unitsOf = async (db: Db, projectId: z.output<typeof projectIdSchema>) =>
  (await loadRecords(db, projectId, 'project')).project.units;
const findRoom = async (db: Db, place: z.output<typeof placeSchema>) =>
  (await loadRecords(db, place.projectId, 'rooms')).rooms.find(({ id }) => id === place.roomId);

export async function saveWallsAction(place: RoomPlace, typed: unknown): Promise<ActionResult> {
  return answer(placeSchema, place, async ({ projectId, roomId }) => {
    const db = await getDatabase();
    const units = await unitsOf(db, projectId);
    return answer(wallsFormSchemaFor(units), typed, async (plan) => {
      const saved = await saveRoomPlan(db, projectId, { roomId, plan });
      return saved.ok ? done : { ok: false, message: `${traceWallsWords(saved.error, units)}.` };
    });
  });
}

export async function saveFixtureAction(place: RoomPlace, typed: unknown): Promise<ActionResult> {
  return answer(placeSchema, place, async ({ projectId, roomId }) => {
    const db = await getDatabase();
    return answer(fixtureFormSchemaFor(await unitsOf(db, projectId)), typed, async (fixture) => {
      await saveFixture(db, projectId, { ...fixture, roomId, id: undefined });
      return done;
    });
  });
}

export async function removeFixtureAction(
  projectId: string,
  fixtureId: string,
): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, fixtureId: fixtureIdSchema }),
    { projectId, fixtureId },
    async (input) => {
      await removeFixture(await getDatabase(), input.projectId, input.fixtureId);
      return done;
    },
  );
}

/** Moves a unit, a fixture or a clear space; null takes it out of the plan. */
export async function movePlanItemAction(
  place: RoomPlace,
  kind: PlanItem['kind'],
  id: string,
  to: unknown,
): Promise<ActionResult> {
  const item = z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('unit'), id: unitIdSchema }),
    z.object({ kind: z.literal('fixture'), id: fixtureIdSchema }),
    z.object({ kind: z.literal('clear'), id: checkIdSchema }),
  ]);
  return answer(
    placeSchema.extend({ item, to: wallPlaceSchema.nullable() }),
    { ...place, item: { kind, id }, to },
    async (input) => {
      await movePlanItem(
        await getDatabase(),
        input.projectId,
        input.item.kind === 'clear' ? { ...input.item, roomId: input.roomId } : input.item,
        input.to,
      );
      return done;
    },
  );
}

export async function saveCheckAction(place: RoomPlace, typed: unknown): Promise<ActionResult> {
  return answer(placeSchema, place, async (input) => {
    const db = await getDatabase();
    return answer(checkFormSchemaFor(await unitsOf(db, input.projectId)), typed, async (form) => {
      const checks = (await findRoom(db, input))?.checks ?? [];
      const known = checks.find(({ id }) => id === form.id);
      const clear = form.clear && { ...form.clear, place: known?.clear?.place ?? null };
      const check = roomCheckSchema.parse({
        id: known?.id ?? createId(),
        text: form.text,
        clear,
        answer: known?.answer ?? null,
      });
      await noteRoom(db, input.projectId, {
        roomId: input.roomId,
        deed: { code: 'check_noted', name: check.text },
        change: {
          checks: known
            ? checks.map((other) => (other.id === check.id ? check : other))
            : [...checks, check],
        },
      });
      return done;
    });
  });
}

/** Changes one check of a room, or takes it away. */
export async function removeCheckAction(place: RoomPlace, checkId: string): Promise<ActionResult> {
  return answer(
    placeSchema.extend({ checkId: checkIdSchema }),
    { ...place, checkId },
    async (input) => {
      const db = await getDatabase();
      const checks = (await findRoom(db, input))?.checks ?? [];
      const check = checks.find(({ id }) => id === input.checkId);
      if (!check) return done;
      await noteRoom(db, input.projectId, {
        roomId: input.roomId,
        deed: { code: 'check_removed', name: check.text },
        change: { checks: checks.filter(({ id }) => id !== check.id) },
      });
      return done;
    },
  );
}

export async function saveRoutineBreaksAction(
  place: RoomPlace,
  breaks: unknown,
): Promise<ActionResult> {
  return answer(
    placeSchema.extend({ breaks: z.array(routineBreakSchema).max(30) }),
    { ...place, breaks },
    async (input) => {
      await noteRoom(await getDatabase(), input.projectId, {
        roomId: input.roomId,
        deed: { code: 'breaks_noted' },
        change: { routineBreaks: input.breaks },
      });
      return done;
    },
  );
}

/** Hours worked in a room, typed as people say them; empty takes the note back. */
export async function noteHoursAction(place: RoomPlace, hours: string): Promise<ActionResult> {
  const typed = z.string().transform((text, context): number | null => {
    if (text.trim() === '') return null;
    const value = Number(text.trim().replace(',', '.'));
    if (Number.isFinite(value) && value > 0 && value <= 2000) return Math.round(value * 60);
    context.addIssue({ code: 'custom', message: 'Type hours, such as 6,5' });
    return z.NEVER;
  });
  return answer(placeSchema.extend({ hours: typed }), { ...place, hours }, async (input) => {
    await noteRoom(await getDatabase(), input.projectId, {
      roomId: input.roomId,
      deed: { code: 'hours_noted' },
      change: { workedMinutes: input.hours },
    });
    return done;
  });
}
