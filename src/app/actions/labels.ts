'use server';

import { z } from 'zod';

import { daySchema, personMarkSchema } from '@/core/agree';
import { labelMedia, pictureNames, SHEET_GRIDS, TAPE_WIDTHS_MM } from '@/core/labels';
import {
  bayIdSchema,
  groupIdSchema,
  personIdSchema,
  projectIdSchema,
  roomIdSchema,
} from '@/core/shared';
import { getDatabase } from '@/data/startData';
import {
  changeLabel,
  changeStock,
  giveMark,
  makeAgain,
  noteMade,
  setSettles,
  toggleCell,
} from '@/server/setUp/labels';
import {
  askPrinter,
  labelPrinterAddressOf,
  sendLabels,
  takeBack,
  type PrinterFault,
  type PrinterSays,
} from '@/server/setUp/labelPrinter';
import type { Result } from '@/core/shared';
import type { ActionResult } from '@/ui/actionResult';
import { printerFaultWords } from '@/ui/setUp/labelWords';
import { answer, done, showAnew } from './answer';

const ofRoom = z.object({ projectId: projectIdSchema, roomId: roomIdSchema });
const refSchema = z.object({
  bayId: bayIdSchema,
  groupId: groupIdSchema,
  n: z.number().int().min(0).max(1000).nullable(),
});
const choiceSchema = refSchema.extend({
  name: z.string().max(120),
  text: z.string().trim().max(80, 'At most 80 letters'),
  second: z.string().trim().max(80, 'At most 80 letters'),
  picture: z.enum(['', ...pictureNames]),
  isLeftOut: z.boolean(),
});

export async function changeLabelAction(
  projectId: string,
  roomId: string,
  choice: z.input<typeof choiceSchema>,
): Promise<ActionResult> {
  return answer(
    ofRoom.extend({ choice: choiceSchema }),
    { projectId, roomId, choice },
    async (input) => {
      const { text, picture, ...rest } = input.choice;
      await changeLabel(await getDatabase(), input.projectId, {
        ...rest,
        roomId: input.roomId,
        text: text === '' ? null : text,
        picture: picture === '' ? null : picture,
      });
      return done;
    },
  );
}

export async function setSettlesAction(
  projectId: string,
  roomId: string,
  typed: { readonly on: string; readonly name: string },
): Promise<ActionResult> {
  return answer(
    ofRoom.extend({
      on: z.union([z.literal('').transform(() => null), daySchema]),
      name: z.string().max(80),
    }),
    { projectId, roomId, ...typed },
    async ({ projectId: id, on, ...input }) => {
      await setSettles(await getDatabase(), id, { ...input, settlesOn: on });
      return done;
    },
  );
}

export async function noteMadeAction(
  projectId: string,
  roomId: string,
  keys: readonly string[],
): Promise<ActionResult> {
  return answer(
    ofRoom.extend({ keys: z.array(z.string().max(300)).max(1000) }),
    { projectId, roomId, keys },
    async (input) => {
      await noteMade(await getDatabase(), input.projectId, input);
      return done;
    },
  );
}

export async function makeAgainAction(
  projectId: string,
  roomId: string,
  label: z.input<typeof refSchema> & { readonly name: string },
): Promise<ActionResult> {
  return answer(
    ofRoom.extend({ label: refSchema.extend({ name: z.string().max(120) }) }),
    { projectId, roomId, label },
    async (input) => {
      await makeAgain(await getDatabase(), input.projectId, {
        roomId: input.roomId,
        ...input.label,
      });
      return done;
    },
  );
}

export async function changeStockAction(
  projectId: string,
  stock: { readonly medium: string; readonly gridId: string; readonly tapeMm: number },
): Promise<ActionResult> {
  return answer(
    z.object({
      projectId: projectIdSchema,
      medium: z.enum(labelMedia),
      gridId: z
        .string()
        .refine((id) => SHEET_GRIDS.some((grid) => grid.id === id), 'no such sheet'),
      tapeMm: z
        .number()
        .refine((mm) => TAPE_WIDTHS_MM.some((width) => width === mm), 'no such tape'),
    }),
    { projectId, ...stock },
    async ({ projectId: id, ...input }) => {
      await changeStock(await getDatabase(), id, input);
      return done;
    },
  );
}

export async function toggleCellAction(projectId: string, cell: number): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, cell: z.number().int().min(0).max(500) }),
    { projectId, cell },
    async (input) => {
      await toggleCell(await getDatabase(), input.projectId, input);
      return done;
    },
  );
}

export async function giveMarkAction(
  projectId: string,
  personId: string,
  mark: unknown,
): Promise<ActionResult> {
  return answer(
    z.object({
      projectId: projectIdSchema,
      personId: personIdSchema,
      mark: personMarkSchema.nullable(),
    }),
    { projectId, personId, mark },
    async (input) => {
      await giveMark(await getDatabase(), input.projectId, input);
      return done;
    },
  );
}

type OfRoom = z.output<typeof ofRoom>;

export async function sendLabelsAction(
  projectId: string,
  roomId: string,
): Promise<ActionResult<PrinterSays>> {
  return atPrinter(projectId, roomId, async (of, address) =>
    sendLabels(await getDatabase(), of, address),
  );
}

export async function askPrinterAction(
  projectId: string,
  roomId: string,
): Promise<ActionResult<PrinterSays>> {
  return atPrinter(projectId, roomId, async (of, address) =>
    askPrinter(await getDatabase(), of, address),
  );
}

export async function takeBackAction(
  projectId: string,
  roomId: string,
): Promise<ActionResult<undefined>> {
  return atPrinter(projectId, roomId, async (of, address) =>
    takeBack(await getDatabase(), of, address),
  );
}

const atPrinter = <T>(
  projectId: string,
  roomId: string,
  ask: (of: OfRoom, address: string) => Promise<Result<T, PrinterFault>>,
): Promise<ActionResult<T>> =>
  answer<typeof ofRoom, T>(ofRoom, { projectId, roomId }, async (of) => {
    const said = await ask(of, labelPrinterAddressOf(process.env));
    if (said.ok) return { ok: true, value: said.value };
    // What was to be sent is written down, and waits.
    showAnew();
    return { ok: false, message: printerFaultWords(said.error) };
  });
