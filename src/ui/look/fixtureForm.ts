import { z } from 'zod';
import { doorSwingSchema, fixtureKindSchema } from '@/core/look';
import type { LengthUnit } from '@/core/shared';
import { fixtureKindWords } from './lookWords';
import { typedLeadsTo } from './passageForm';
import { typedLength, typedPositiveLength } from '../typedValues';

export const fixtureFormSchemaFor = (unit: LengthUnit) =>
  z
    .object({
      kind: fixtureKindSchema,
      name: z.string().trim().max(60, 'At most 60 letters'),
      wall: z.coerce.number<number>().int().min(0).max(39),
      along: typedLength(unit),
      width: typedPositiveLength(unit),
      depth: typedLength(unit),
      bottom: typedLength(unit),
      top: typedPositiveLength(unit),
      swing: doorSwingSchema,
      leadsTo: typedLeadsTo,
    })
    .transform(({ wall, along, swing, leadsTo, ...fixture }, context) => {
      if (fixture.bottom.mm >= fixture.top.mm)
        context.addIssue({
          code: 'custom',
          path: ['top'],
          message: 'The upper edge is above the lower one',
        });
      return {
        ...fixture,
        name: fixture.name === '' ? fixtureKindWords[fixture.kind] : fixture.name,
        place: { wallIndex: wall, along, off: { mm: 0, text: '0' } },
        swing: fixture.kind === 'door' ? swing : null,
        leadsTo: fixture.kind === 'door' ? leadsTo : null,
      };
    });

export type FixtureTyped = z.input<ReturnType<typeof fixtureFormSchemaFor>>;

export type FixtureRead = z.output<ReturnType<typeof fixtureFormSchemaFor>>;
