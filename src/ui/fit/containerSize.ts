import { z } from 'zod';

import type { LengthUnit } from '@/core/shared';
import { typedPositiveLength } from '../typedValues';

/** What a container really measures, as typed. */
export const containerSizeSchemaFor = (unit: LengthUnit) =>
  z.object({
    width: typedPositiveLength(unit),
    depth: typedPositiveLength(unit),
    height: typedPositiveLength(unit),
  });
export type ContainerSizeTyped = z.input<ReturnType<typeof containerSizeSchemaFor>>;
