import { z } from 'zod';
import { clearSpaceSchema, type RoomCheck } from '@/core/look';
import type { LengthUnit } from '@/core/shared';
import { typedPositiveLength } from '../typedValues';

/** What should be possible again: words alone, or floor (before a unit, or anywhere) or a table's top kept clear. */
export const checkFormSchemaFor = (unit: LengthUnit) =>
  z
    .object({
      id: z.string(),
      text: z
        .string()
        .trim()
        .min(1, 'Type what should be possible here again')
        .max(160, 'At most 160 letters'),
      needs: z.enum(['words', 'floor', 'table']),
      width: z.string(),
      depth: z.string(),
      unitId: z.string(),
    })
    .transform((form, context): Pick<RoomCheck, 'text' | 'clear'> & { readonly id: string } => {
      if (form.needs === 'words') return { id: form.id, text: form.text, clear: null };
      const read = z
        .object({ width: typedPositiveLength(unit), depth: typedPositiveLength(unit) })
        .safeParse(form);
      if (!read.success) {
        for (const issue of read.error.issues)
          context.addIssue({ code: 'custom', path: [...issue.path], message: issue.message });
        return z.NEVER;
      }
      if (form.needs === 'table' && form.unitId === '') {
        context.addIssue({
          code: 'custom',
          path: ['unitId'],
          message: 'Choose the table or bench',
        });
        return z.NEVER;
      }
      const clear = clearSpaceSchema.parse({
        surface: form.needs,
        ...read.data,
        place: null,
        unitId: form.unitId === '' ? null : form.unitId,
      });
      return { id: form.id, text: form.text, clear };
    });

export type CheckTyped = z.input<ReturnType<typeof checkFormSchemaFor>>;
