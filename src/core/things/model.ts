import { z } from 'zod';

import type { CautionCode, CountUnit, FigureSource, GoesTo } from './codes';

const idSchema = z.string().min(1).max(200);
/** One figure, or a low and a high one. */
const figureSchema = (most: number) =>
  z.union([
    z.number().positive().max(most),
    z
      .tuple([z.number().nonnegative().max(most), z.number().positive().max(most)])
      .refine(([low, high]) => low <= high, 'The low figure is above the high one'),
  ]);

export const ownKindSchema = z.strictObject({
  words: z.array(z.string().trim().min(1).max(80)).min(1).max(20),
  litres: figureSchema(1e9),
  massG: figureSchema(1e9),
  uprightMm: z.number().positive().max(1e9).optional(),
  longestMm: z.number().positive().max(1e9).optional(),
});

/** Request of the engine `things`: lines as they are called out. */
export const thingsRequestSchema = z
  .strictObject({
    lines: z.array(z.strictObject({ id: idSchema, text: z.string().max(2000) })).max(100_000),
    units: z.enum(['cm', 'mm', 'in']).default('cm'),
    groups: z.array(z.strictObject({ id: idSchema, name: z.string().max(200) })).default([]),
    mustAsk: z.array(z.string().max(500)).default([]),
    kinds: z.array(ownKindSchema).default([]),
    seed: z.number().int().nonnegative().max(1e9).optional(),
    timeLimitMs: z.number().positive().max(1e9).optional(),
  })
  .superRefine((request, context) => {
    for (const list of ['lines', 'groups'] as const) {
      const seen = new Set<string>();
      request[list].forEach(({ id }, i) => {
        if (seen.has(id))
          context.addIssue({
            code: 'custom',
            path: [list, i, 'id'],
            message: `"${id}" stands twice`,
          });
        seen.add(id);
      });
    }
  });
export type ThingsRequest = z.output<typeof thingsRequestSchema>;
export type OwnKindTold = z.output<typeof ownKindSchema>;

export interface FigureFound {
  /** For all pieces, as people store them. */
  readonly value: number;
  /** The truth lies between low and high four times in five. */
  readonly low: number;
  readonly high: number;
  readonly from: FigureSource;
}

/** What a line was understood as. */
export interface ThingFound {
  readonly id: string;
  readonly name: string;
  /** Pieces in hand; 0 where the line has no letter. */
  readonly count: number;
  readonly unit: CountUnit;
  readonly kindId: string | null;
  readonly groupId: string | null;
  readonly litres: FigureFound;
  readonly massG: FigureFound;
  /** Height of one piece as it is stored, and its longest side, mm. */
  readonly uprightMm?: number;
  readonly longestMm?: number;
  readonly reasons: readonly string[];
  readonly cautions: readonly CautionCode[];
  readonly goesTo: readonly GoesTo[];
  /** Which of the things that never leave without asking it touches, as that was said. */
  readonly mustAsk: string | null;
  /** The day on its pack. */
  readonly expiresOn: string | null;
}
export interface ThingsAnswer {
  readonly things: readonly ThingFound[];
  readonly elapsedMs: number;
}
