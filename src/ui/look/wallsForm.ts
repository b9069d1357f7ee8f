import { z } from 'zod';

import type { RoomPlan } from '@/core/look';
import type { LengthUnit } from '@/core/shared';
import { typedPositiveLength } from '../typedValues';

/** Walls as typed, in the order in which one walks along them with the room on the right hand. */
export const wallsFormSchemaFor = (unit: LengthUnit) =>
  z.object({
    walls: z
      .array(z.object({ length: typedPositiveLength(unit), turn: z.enum(['right', 'left']) }))
      .min(4, 'A room has at least four walls')
      .max(40),
  });
export type WallsTyped = z.input<ReturnType<typeof wallsFormSchemaFor>>;

/** A plain room: twice its length, twice its width. */
export const rectangleWalls = (length: string, width: string): WallsTyped => ({
  walls: [length, width, length, width].map((text) => ({ length: text, turn: 'right' as const })),
});
export const toTypedWalls = (plan: RoomPlan | null): WallsTyped =>
  plan
    ? { walls: plan.walls.map(({ length, turn }) => ({ length: length.text, turn })) }
    : rectangleWalls('', '');
