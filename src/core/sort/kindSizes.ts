import type { Learned } from '../shared';
import { finderOf, stemsOf, type Kind, type OwnKind, type Range } from '../things';
import { vocabulary } from '../things/vocabulary';
import type { KindSize } from './kindSizeModel';

export const noKindSize = (id: string): KindSize => ({
  id,
  words: [],
  litres: null,
  massG: null,
  uprightMm: null,
  longestMm: null,
  weighedCount: 0,
  weighedG: 0,
});

/** One more weighing of some pieces together. Requires: a whole number of pieces from 1, grams above 0. */
export const addWeighing = (
  size: KindSize,
  { count, massG }: { readonly count: number; readonly massG: number },
): KindSize => ({
  ...size,
  weighedCount: size.weighedCount + count,
  weighedG: size.weighedG + massG,
});

/** The shipped kind of that name; undefined for one of the organizer's own. */
export function findShippedKind(id: string): Kind | undefined {
  const key = stemsOf(id).join('');
  return finderOf(vocabulary)
    .kindsIn(id)
    .find((kind) => kind.words.some((words) => stemsOf(words).join('') === key));
}

/** The kind that a name means, with the organizer's own before the shipped ones. */
export const findKindId = (name: string, own: readonly OwnKind[] = []): string | undefined => {
  const named = finderOf(vocabulary, own).find(name);
  return named.own?.words[0] ?? named.kind?.id;
};

/** What the organizer types of one piece holds within a tenth, what was weighed within a twentieth. */
const TYPED_SPREAD = 1.1;

const WEIGHED_SPREAD = 1.05;

const around = (value: number, spread: number): Range => ({
  value,
  low: value / spread,
  high: value * spread,
});

/** Grams of one piece as they stand: weighed before typed; null where the shipped figure stands. */
export const massOf = ({ weighedCount, weighedG, massG }: KindSize): number | null =>
  weighedCount > 0 ? weighedG / weighedCount : massG;

/** What the litres of a shipped kind are multiplied by, learnt from sizes that were typed at benches. */
export interface LearntSize extends Learned {
  readonly kindId: string;
}

const rangeOf = ({ factor, low, high }: Learned): Range => ({ value: factor, low, high });

/**
 * The corrections as the engine takes them, what was learnt behind what was typed. Of a kind nothing is known of a
 * figure is left out.
 */
export function ownKindsOf(
  sizes: readonly KindSize[],
  learnt: readonly LearntSize[] = [],
): OwnKind[] {
  const byKind = new Map(learnt.map((each) => [each.kindId, rangeOf(each)]));
  return [...sizes, ...onlyLearnt(sizes, learnt)].map((size) => {
    const shipped = findShippedKind(size.id);
    const massG = massOf(size);
    return {
      words: shipped ? shipped.words : [size.id, ...size.words],
      litres: size.litres === null ? undefined : around(size.litres, TYPED_SPREAD),
      massG:
        massG === null
          ? undefined
          : around(massG, size.weighedCount > 0 ? WEIGHED_SPREAD : TYPED_SPREAD),
      uprightMm: size.uprightMm ?? undefined,
      longestMm: size.longestMm ?? undefined,
      learnt: byKind.get(size.id),
    };
  });
}

/** Shipped kinds of which something is learnt and nothing was said. */
const onlyLearnt = (sizes: readonly KindSize[], learnt: readonly LearntSize[]): KindSize[] =>
  learnt
    .filter(({ kindId }) => sizes.every(({ id }) => id !== kindId) && findShippedKind(kindId))
    .map(({ kindId }) => noKindSize(kindId));

/** Where a figure comes from. */
export type SizeSource = 'assumed' | 'learnt' | 'typed' | 'weighed';

/** A kind as the table of sizes shows it. */
export interface SizedKind {
  readonly id: string;
  readonly words: readonly string[];
  readonly family: string | undefined;
  readonly litres: number | null;
  readonly litresFrom: SizeSource;
  /** Between which litres and grams the truth lies four times in five, of what is assumed. */
  readonly litresRange: readonly [number, number] | undefined;
  readonly massG: number | null;
  readonly massFrom: SizeSource;
  readonly massRange: readonly [number, number] | undefined;
  readonly weighedCount: number;
  /** Typed sizes that learnt litres rest on. */
  readonly learntCount: number;
  /** Of the organizer's own; it can be removed. */
  readonly isOwn: boolean;
}

/** Kinds whose words hold what is sought, the organizer's own and corrected ones first. */
export function listSizedKinds(
  sizes: readonly KindSize[],
  {
    sought,
    most,
    learnt = [],
  }: {
    readonly sought: string;
    readonly most: number;
    readonly learnt?: readonly LearntSize[];
  },
): { readonly kinds: readonly SizedKind[]; readonly foundCount: number } {
  const wanted = sought.trim().toLowerCase();
  const matches = (words: readonly string[]) =>
    wanted === '' || words.some((word) => word.includes(wanted));
  const bySizes = [...sizes, ...onlyLearnt(sizes, learnt)].map((size) =>
    toSized(
      findShippedKind(size.id),
      size,
      learnt.find(({ kindId }) => kindId === size.id),
    ),
  );
  const corrected = new Set(bySizes.map(({ id }) => id));
  const own = bySizes.filter(({ words }) => matches(words));
  const shipped = vocabulary.kinds.filter(({ id, words }) => !corrected.has(id) && matches(words));
  const shown = shipped.slice(0, Math.max(0, most - own.length));
  return {
    kinds: [...own, ...shown.map((kind) => toSized(kind, undefined))],
    foundCount: own.length + shipped.length,
  };
}

export const kindCount = vocabulary.kinds.length;

const typedOrAssumed = (figure: number | null): SizeSource =>
  figure === null ? 'assumed' : 'typed';

/** Two digits of what is assumed: it carries no more. */
const twoDigits = (low: number, high: number) =>
  [Number(low.toPrecision(2)), Number(high.toPrecision(2))] as const;

const assumedRange = ({ spread }: Kind, value: number) => twoDigits(value / spread, value * spread);

function toSized(
  shipped: Kind | undefined,
  known: KindSize | undefined,
  learnt?: LearntSize,
): SizedKind {
  const size = known ?? noKindSize(shipped?.id ?? '');
  return {
    id: shipped?.id ?? size.id,
    words: shipped?.words ?? [size.id, ...size.words],
    family: shipped?.family,
    ...litresFigureOf(shipped, size, learnt),
    ...massFigureOf(shipped, size),
    weighedCount: size.weighedCount,
    learntCount: learnt?.count ?? 0,
    isOwn: shipped === undefined,
  };
}

function litresFigureOf(
  shipped: Kind | undefined,
  { litres }: KindSize,
  learnt: LearntSize | undefined,
): Pick<SizedKind, 'litres' | 'litresFrom' | 'litresRange'> {
  if (litres !== null || !shipped)
    return {
      litres,
      litresFrom: typedOrAssumed(litres),
      litresRange: shipped && assumedRange(shipped, shipped.litres),
    };
  if (!learnt)
    return {
      litres: shipped.litres,
      litresFrom: 'assumed',
      litresRange: assumedRange(shipped, shipped.litres),
    };
  return {
    litres: shipped.litres * learnt.factor,
    litresFrom: 'learnt',
    litresRange: twoDigits(shipped.litres * learnt.low, shipped.litres * learnt.high),
  };
}

function massFigureOf(
  shipped: Kind | undefined,
  size: KindSize,
): Pick<SizedKind, 'massG' | 'massFrom' | 'massRange'> {
  const massG = massOf(size);
  return {
    massG: massG ?? shipped?.massG ?? null,
    massFrom: size.weighedCount > 0 ? 'weighed' : typedOrAssumed(massG),
    massRange: shipped && assumedRange(shipped, shipped.massG),
  };
}
