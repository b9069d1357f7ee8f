import { z } from 'zod';

import {
  bayIdSchema,
  containerIdSchema,
  groupIdSchema,
  lengthSchema,
  projectIdSchema,
  priceMinorSchema,
} from '../shared';
import { levelFactsSchema } from './levelModel';
import { toLevelFields } from './levelFacts';
import { containerIdsOf } from './answerFacts';
import { fitAims, materials } from './codes';
import { fitAnswerSchema, type FitAnswer, type FitContainer } from './model';

export const productKinds = [
  'bin',
  'basket',
  'box',
  'tray',
  'drawer',
  'jar',
  'turntable',
  'file holder',
  'tub',
  'riser',
  'stacking drawer',
  'pull-out',
  'rack',
  'hook strip',
  'rail',
  'drawer insert',
  'divider',
  'under-shelf basket',
] as const;

/** A container of the catalogue, or one that a household already has. */
export const containerProductSchema = z.object({
  id: containerIdSchema,
  /** Set for what a household owns or made; null for the catalogue. */
  projectId: projectIdSchema.nullable(),
  name: z.string().trim().min(1).max(80),
  kind: z.enum(productKinds),
  /** Outside at the widest, rims and handles included. */
  width: lengthSchema,
  depth: lengthSchema,
  height: lengthSchema,
  innerLitres: z.number().positive().max(10_000),
  innerHeightMm: z.number().positive().max(100_000),
  innerWidthMm: z.number().positive().max(100_000).nullable(),
  shape: z.enum(['box', 'round']),
  lid: z.boolean(),
  clear: z.boolean(),
  material: z.enum(materials),
  stackable: z.boolean(),
  maxStack: z.number().int().min(1).max(50).nullable(),
  tareG: z.number().int().min(0).max(1_000_000),
  maxLoadG: z.number().int().min(1).max(1_000_000_000).nullable(),
  turnable: z.boolean(),
  /** How many the household has; null for the catalogue. */
  ownedCount: z.number().int().min(0).max(10_000).nullable(),
  /** Products that match carry the same line. */
  line: z.string().trim().max(60).default(''),
  colour: z.string().trim().max(40).default(''),
  /** For what is made from waste: how, a line a step. Empty for everything else. */
  howTo: z.string().trim().max(600).default(''),
  /** What is known of it as a riser, a turntable, a rack; null: what is usual of its kind is assumed. */
  level: levelFactsSchema.nullable().default(null),
});
export type ContainerProduct = Readonly<z.infer<typeof containerProductSchema>>;

/** What was found when a container was tried in the empty place, by its number in the answer. */
export const mockCheckSchema = z.object({
  index: z.number().int().min(0).max(2000),
  goesIn: z.boolean(),
  comesOut: z.boolean(),
  doorShuts: z.boolean(),
});
export type MockCheck = Readonly<z.infer<typeof mockCheckSchema>>;

/**
 * What somebody wants of a place's fit, whatever is cheapest: containers never, and containers for
 * a group only.
 */
export const fitWishesSchema = z.object({
  bayId: bayIdSchema,
  forbidden: z.array(containerIdSchema).max(500),
  pins: z.array(z.object({ groupId: groupIdSchema, containerId: containerIdSchema })).max(200),
  /** Risers, turntables and the like that are to stand here. */
  uses: z.array(containerIdSchema).max(20).default([]),
  /** Air beside and above each container beyond what is kept anyway, mm. */
  airMm: z.number().int().min(0).max(200).default(0),
});
export type FitWishes = Readonly<z.infer<typeof fitWishesSchema>>;

const MOST_INSTEAD = 100;

/** An arrangement of containers that was taken for a bay; shopping and the client's page follow from it. */
export const takenFitSchema = z.object({
  bayId: bayIdSchema,
  prefer: z.enum(fitAims),
  answer: fitAnswerSchema,
  takenAt: z.iso.datetime(),
  checks: z.array(mockCheckSchema).default([]),
  /** Containers of the fits that were taken here before, which this one does not use. */
  insteadOf: z.array(containerIdSchema).max(MOST_INSTEAD).default([]),
});
export type TakenFit = Readonly<z.infer<typeof takenFitSchema>>;

/** What a fit takes the place of: what stood in those taken here before, and does not stand in this one. */
export function insteadOf(
  before: Pick<TakenFit, 'answer' | 'insteadOf'> | undefined,
  after: Pick<FitAnswer, 'placements' | 'surfaces'>,
): TakenFit['insteadOf'] {
  const here = new Set(containerIdsOf(after));
  const earlier = (before ? containerIdsOf(before.answer) : []).map((id) =>
    containerIdSchema.parse(id),
  );
  return [...new Set([...earlier, ...(before?.insteadOf ?? [])])]
    .filter((id) => !here.has(id))
    .slice(0, MOST_INSTEAD);
}

/** What was tried stays tried for each container that stands where it stood; by its number in the new answer. */
export function keepChecks(
  before: Pick<TakenFit, 'answer' | 'checks'> | undefined,
  { placements }: Pick<FitAnswer, 'placements'>,
): MockCheck[] {
  const keyOf = (placement: FitAnswer['placements'][number] | undefined) =>
    JSON.stringify(placement);
  return (before?.checks ?? []).flatMap((check) => {
    const stood = keyOf(before?.answer.placements[check.index]);
    const index = placements.findIndex((placement) => keyOf(placement) === stood);
    return index < 0 ? [] : [{ ...check, index }];
  });
}

/** The catalogue's record as the engine wants it, at the price of one piece. */
export function toFitContainer(product: ContainerProduct, unitPriceMinor: number): FitContainer {
  priceMinorSchema.parse(unitPriceMinor);
  return {
    id: product.id,
    name: product.name,
    outer: { width: product.width.mm, depth: product.depth.mm, height: product.height.mm },
    innerLitres: product.innerLitres,
    innerHeight: product.innerHeightMm,
    ...(product.innerWidthMm === null ? {} : { innerWidth: product.innerWidthMm }),
    shape: product.shape,
    ...(product.line === '' ? {} : { line: product.line }),
    ...(product.colour === '' ? {} : { colour: product.colour }),
    lid: product.lid,
    clear: product.clear,
    material: product.material,
    stackable: product.stackable,
    ...(product.maxStack === null ? {} : { maxStack: product.maxStack }),
    tareG: product.tareG,
    ...(product.maxLoadG === null ? {} : { maxLoadG: product.maxLoadG }),
    turnable: product.turnable,
    ...toLevelFields(product),
    priceMinor: unitPriceMinor,
    ...(product.ownedCount === null ? {} : { available: product.ownedCount }),
  };
}
