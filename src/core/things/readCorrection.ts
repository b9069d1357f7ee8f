import { finderOf, type Vocabulary } from './createThingReader';
import { findHolderAt } from './holders';
import type { OwnKind } from './piece';
import { readMeasures, withPlainSigns, type LengthUnit, type Told } from './readMeasures';
import { tokensOf } from './tokens';

/** What somebody says of a thing's size or weight. */
export interface Correction {
  /** For all pieces in hand. */
  readonly litres?: number;
  readonly massG?: number;
  /** Of one piece. */
  readonly uprightMm?: number;
  readonly longestMm?: number;
}

interface Means {
  readonly vocabulary: Vocabulary;
  readonly own?: readonly OwnKind[];
  readonly bareUnit?: LengthUnit;
  /** Pieces in hand. */
  readonly count: number;
}

const LIKE = /^\s*(?:about )?(?:like|as large as|as big as|the size of)\s+(?:an?\s+|the\s+)?(.+)$/i;

/**
 * Reads a correction in one field: `12 l`, `3.4 kg`, `250 g each`, `40 x 30 x 20`, `8 l, 2 kg`, `like a
 * shoe box`. Sizes and likenesses are of one piece, litres and weights of all in hand unless each is said.
 * Undefined where nothing of that stands there.
 */
export function readCorrection(text: string, means: Means): Correction | undefined {
  const like = LIKE.exec(text)?.[1];
  if (like !== undefined) return likeness(like, means);
  const { mass, volume, sidesMm } = readMeasures(withPlainSigns(text), means.bareUnit ?? 'cm');
  const [width = 0, depth = 0, height = 0] = sidesMm;
  const isSize = sidesMm.length === 3;
  const found: Correction = {
    ...(volume ? { litres: totalOf(volume, means.count) } : {}),
    ...(isSize ? { litres: (width * depth * height * means.count) / 1e6 } : {}),
    ...(isSize ? { uprightMm: height, longestMm: Math.max(width, depth, height) } : {}),
    ...(mass ? { massG: totalOf(mass, means.count) } : {}),
  };
  return Object.keys(found).length === 0 ? undefined : found;
}

const totalOf = ({ each, times, isEach }: Told, count: number): number =>
  each * (times ?? (isEach ? count : 1));

/** The litres of what it is said to be like: a holder, or a kind that is known. */
function likeness(name: string, { vocabulary, own = [], count }: Means): Correction | undefined {
  const words = tokensOf(name).map(({ text }) => text);
  const named = finderOf(vocabulary, own).find(name);
  const holder = findHolderAt(words.at(-2), words.at(-1) ?? '');
  const litres =
    named.own?.litres?.value ??
    named.kind?.litres ??
    (holder && Math.sqrt(holder.litres[1] * holder.litres[3]));
  return litres === undefined ? undefined : { litres: Number((litres * count).toPrecision(3)) };
}
