'use server';

import { z } from 'zod';

import { fitAims, fitAnswerSchema } from '@/core/fit';
import {
  bayIdSchema,
  containerIdSchema,
  formatCount,
  groupIdSchema,
  projectIdSchema,
  roomIdSchema,
} from '@/core/shared';
import { findProject, loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import { listOpenPlaces, type OpenPlaces } from '@/server/fit/openPlaces';
import { dropFit, listFitContainers, takeFit, takeFits, fitNames } from '@/server/fit/takeFit';
import {
  correctContainer,
  countBrokenElsewhere,
  noteFitWish,
  type Refit,
} from '@/server/fit/wishes';
import { loadRoomShopping, shoppingNames } from '@/server/shop/roomShopping';
import { sumTillWith, type TillSum } from '@/server/shop/till';
import type { ActionResult } from '@/ui/actionResult';
import { containerSizeSchemaFor } from '@/ui/fit/containerSize';
import { fitFaultWords } from '@/ui/fit/fitWords';
import { answer, done, showAnew } from './answer';

export async function takeFitAction(
  projectId: string,
  { bayId, foundLitres }: { readonly bayId: string; readonly foundLitres: number | undefined },
  prefer: unknown,
  fit: unknown,
): Promise<ActionResult> {
  const schema = z.object({
    projectId: projectIdSchema,
    bayId: bayIdSchema,
    prefer: z.enum(fitAims),
    answer: fitAnswerSchema,
    foundLitres: z.number().positive().max(10_000).optional(),
  });
  return answer(schema, { projectId, bayId, prefer, answer: fit, foundLitres }, async (input) => {
    const taken = await takeFit(await getDatabase(), input.projectId, input);
    if (taken.ok) return done;
    return {
      ok: false,
      message: `This no longer goes in as drawn (${taken.error
        .slice(0, 3)
        .map((fault) => fitFaultWords(fault, (id) => id))
        .join('; ')}). Load the page again.`,
    };
  });
}

/** Takes many fits, each checked as one alone is; those that break a rule are named, and the others kept. */
export async function takeFitsAction(
  projectId: string,
  prefer: unknown,
  fits: unknown,
): Promise<ActionResult> {
  const schema = z.object({
    projectId: projectIdSchema,
    prefer: z.enum(fitAims),
    fits: z.array(z.object({ bayId: bayIdSchema, answer: fitAnswerSchema })).max(500),
  });
  return answer(schema, { projectId, prefer, fits }, async (input) => {
    const refused = await takeFits(await getDatabase(), input.projectId, input);
    return refused.length === 0
      ? done
      : {
          ok: false,
          message: `${refused.length} no longer go in as drawn and were not taken. Load the page again.`,
        };
  });
}

/** What the tills take if a place is fitted out with these; undefined where there is no such place. */
export async function sumTillAction(
  place: { readonly projectId: string; readonly roomId: string; readonly bayId: string },
  placed: unknown,
): Promise<TillSum | undefined> {
  const input = z
    .object({
      projectId: projectIdSchema,
      roomId: roomIdSchema,
      bayId: bayIdSchema,
      placements: fitAnswerSchema.shape.placements,
      surfaces: fitAnswerSchema.shape.surfaces,
    })
    .safeParse({ ...place, ...(typeof placed === 'object' ? placed : {}) });
  if (!input.success) return undefined;
  const db = await getDatabase();
  const records = await loadRecords(db, input.data.projectId, ...shoppingNames);
  if (records.rooms.every(({ id }) => id !== input.data.roomId)) return undefined;
  return sumTillWith(
    await loadRoomShopping(db, records, input.data.roomId),
    input.data.bayId,
    input.data,
  );
}

/** All open places of the home; undefined where there is no such project. */
export async function listHomePlacesAction(projectId: string): Promise<OpenPlaces | undefined> {
  const id = projectIdSchema.safeParse(projectId);
  if (!id.success) return undefined;
  const db = await getDatabase();
  if (!(await findProject(db, id.data))) return undefined;
  const records = await loadRecords(db, id.data, 'rooms', ...fitNames);
  return listOpenPlaces(records, await listFitContainers(db, records));
}

export async function dropFitAction(projectId: string, bayId: string): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, bayId: bayIdSchema }),
    { projectId, bayId },
    async (input) => {
      await dropFit(await getDatabase(), input.projectId, input.bayId);
      return done;
    },
  );
}

const wishSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.enum(['forbid', 'allow']), containerId: containerIdSchema }),
  z.object({ kind: z.literal('pin'), groupId: groupIdSchema, containerId: containerIdSchema }),
  z.object({ kind: z.literal('unpin'), groupId: groupIdSchema }),
  z.object({ kind: z.enum(['use', 'unuse', 'never']), containerId: containerIdSchema }),
  z.object({ kind: z.literal('air'), mm: z.number().int().min(0).max(200) }),
]);

export async function noteFitWishAction(
  projectId: string,
  bayId: string,
  wish: unknown,
): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, bayId: bayIdSchema, wish: wishSchema }),
    { projectId, bayId, wish },
    async (input) => {
      await noteFitWish(await getDatabase(), input.projectId, input.bayId, input.wish);
      return done;
    },
  );
}

/** Typed: what the tape says. The answer tells what became of the fits that it stands in. */
export async function correctContainerAction(
  projectId: string,
  containerId: string,
  typed: unknown,
): Promise<ActionResult & { readonly words?: string }> {
  const db = await getDatabase();
  const whose = z
    .object({ projectId: projectIdSchema, containerId: containerIdSchema })
    .safeParse({ projectId, containerId });
  if (!whose.success) return { ok: false, message: 'There is no such container' };
  const { project, containers, groups } = await loadRecords(
    db,
    whose.data.projectId,
    'containers',
    'groups',
    'project',
  );
  const form = containerSizeSchemaFor(project.units).safeParse(typed);
  if (!form.success)
    return {
      ok: false,
      message: form.error.issues
        .map((issue) => `${issue.path.join('.')}: ${issue.message}`)
        .join('; '),
    };
  const { width, depth, height } = form.data;
  const corrected = await correctContainer(db, whose.data.projectId, {
    containerId: whose.data.containerId,
    widthMm: width.mm,
    depthMm: depth.mm,
    heightMm: height.mm,
  });
  if (!corrected.ok) return { ok: false, message: 'A round container is as wide as it is deep' };
  showAnew();
  const elsewhere = await countBrokenElsewhere(db, whose.data.projectId, whose.data.containerId);
  const other =
    elsewhere === 0
      ? ''
      : ` ${formatCount(elsewhere, 'place')} of other homes no longer ` +
        `${elsewhere === 1 ? 'holds' : 'hold'} what was taken; each says so when it is opened.`;
  const nameOf = (id: string) =>
    [...containers, ...groups].find((each) => each.id === id)?.name ?? id;
  const here = corrected.value.map((refit) => refitWords(refit, nameOf)).join(' ');
  return { ...done, words: `${here || 'Noted. It stands in no fit here.'}${other}` };
}

function refitWords({ bayName, faults }: Refit, nameOf: (id: string) => string): string {
  return faults.length === 0
    ? `${bayName}: it still goes in as drawn.`
    : `${bayName}: it stays as it was taken, but ${faults
        .slice(0, 2)
        .map((fault) => fitFaultWords(fault, nameOf))
        .join('; ')}.`;
}
