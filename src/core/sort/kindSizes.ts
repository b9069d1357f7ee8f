import { z } from 'zod';

import { kinds, type Kind } from './kinds';

/** What the organizer knows better of a kind: typed over, or weighed. */
export const kindSizeSchema = z.object({
  /** The kind's first word. */
  id: z.string().min(1).max(60),
  /** Of one piece; null where the shipped figure stands. */
  litres: z.number().positive('More than 0').max(2000, 'At most 2,000 litres').nullable(),
  massG: z.number().positive('More than 0').max(200_000, 'At most 200 kg').nullable(),
  /** Pieces and grams on the scale so far. */
  weighedCount: z.number().int().min(0),
  weighedG: z.number().min(0),
});
export type KindSize = Readonly<z.infer<typeof kindSizeSchema>>;

export const kindKeyOf = (kind: Kind): string => kind.words[0] ?? '';

/** Where a figure comes from. */
export type SizeSource = 'assumed' | 'typed' | 'weighed';

export interface SizedKind extends Kind {
  readonly litresFrom: SizeSource;
  readonly massFrom: SizeSource;
  readonly weighedCount: number;
}

/**
 * The table of kinds with what was corrected: the scale overrules what was typed, and that what was
 * shipped.
 */
export function withKindSizes(
  sizes: readonly KindSize[],
  shipped: readonly Kind[] = kinds,
): SizedKind[] {
  const byKey = new Map(sizes.map((size) => [size.id, size]));
  return shipped.map((kind) => {
    const size = byKey.get(kindKeyOf(kind));
    const weighedCount = size?.weighedCount ?? 0;
    const massG =
      weighedCount > 0 ? (size?.weighedG ?? 0) / weighedCount : (size?.massG ?? kind.massG);
    return {
      ...kind,
      litres: size?.litres ?? kind.litres,
      massG,
      weighedCount,
      litresFrom: typedOrAssumed(size?.litres),
      massFrom: weighedCount > 0 ? 'weighed' : typedOrAssumed(size?.massG),
    };
  });
}

/** One more weighing of some pieces together. Requires: a whole number of pieces from 1, grams above 0. */
export const addWeighing = (
  size: KindSize,
  { count, massG }: { readonly count: number; readonly massG: number },
): KindSize => ({
  ...size,
  weighedCount: size.weighedCount + count,
  weighedG: size.weighedG + massG,
});
export const noKindSize = (id: string): KindSize => ({
  id,
  litres: null,
  massG: null,
  weighedCount: 0,
  weighedG: 0,
});

const typedOrAssumed = (figure: number | null | undefined): 'typed' | 'assumed' =>
  figure === null || figure === undefined ? 'assumed' : 'typed';
