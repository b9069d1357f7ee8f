import { z } from 'zod';
import { leadsToSchema, passageKinds, type LeadsTo } from '@/core/look';
import { passageIdSchema, roomIdSchema, type LengthUnit } from '@/core/shared';
import { typedOptionalLength, typedOptionalNumber } from '../typedValues';

/** What a door leads to as a choice of a list: `outside`, `room:ID`, `passage:ID`; empty: not said. */
export const typedLeadsTo = z.string().transform((text, context): LeadsTo | null => {
  if (text === '') return null;
  const [to, id] = text.split(':');
  const read = leadsToSchema.safeParse({ to, [to === 'room' ? 'roomId' : 'passageId']: id });
  if (read.success) return read.data;
  context.addIssue({ code: 'custom', message: 'Say what is behind the door' });
  return z.NEVER;
});

/** Lengths are read in the unit of the home's tape, halls in metres too: `3,4 m`. */
export const passageFormSchemaFor = (unit: LengthUnit) =>
  z
    .object({
      id: z.string(),
      kind: z.enum(passageKinds),
      name: z.string().trim().max(60, 'At most 60 letters'),
      length: typedOptionalLength(unit),
      steps: typedOptionalNumber({ least: 0, most: 200, what: 'a number of steps' }),
      roomIds: z.array(roomIdSchema).max(40),
      passageIds: z.array(passageIdSchema).max(40),
    })
    .transform(({ id, ...form }, context) => {
      if (form.kind === 'opening' && form.roomIds.length < 2)
        context.addIssue({
          code: 'custom',
          path: ['roomIds'],
          message: 'Choose the two rooms that are joined',
        });
      if (form.kind !== 'opening' && form.name === '')
        context.addIssue({ code: 'custom', path: ['name'], message: 'Type what it is called' });
      return {
        ...form,
        id: id === '' ? undefined : passageIdSchema.parse(id),
        name: form.name === '' ? 'Opening' : form.name,
        steps: form.kind === 'stairs' && form.steps !== null ? Math.round(form.steps) : null,
        passageIds: form.kind === 'opening' ? [] : form.passageIds,
      };
    });

export type PassageTyped = z.input<ReturnType<typeof passageFormSchemaFor>>;
