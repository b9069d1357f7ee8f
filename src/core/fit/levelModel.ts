import { z } from 'zod';
import type { Length } from '../shared';

const mm = z.number().positive().max(100_000).optional();

const grams = z.number().int().min(0).max(1_000_000_000).optional();

/** What a product is like where it does more than hold one group. Lengths mm, mass g. What is not known is left out. */
export const levelFactsSchema = z.object({
  underHeightMm: mm,
  underWidthMm: mm,
  mostWidthMm: mm,
  topLoadG: grams,
  plateHeightMm: mm,
  rimMm: z.number().min(0).max(1000).optional(),
  levelGapMm: mm,
  hooks: z.number().int().min(1).max(200).optional(),
  hookLoadG: grams,
  places: z.number().int().min(1).max(200).optional(),
  placeDiameterMm: mm,
  travelMm: mm,
  clipMostMm: mm,
});

export type LevelFacts = Readonly<z.infer<typeof levelFactsSchema>>;

export interface Product {
  readonly kind: string;
  readonly width: Length;
  readonly depth: Length;
  readonly height: Length;
  readonly level: LevelFacts | null;
}
