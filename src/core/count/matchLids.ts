import { parseLength, type LengthUnit } from '../shared';
import { type Thing, isKept } from '../sort';
import { stemsOf } from '../things';

/** The rim of a box or a lid. Sides in mm, the longer first; a round one by its diameter. */
export type RimSize =
  | { readonly kind: 'sides'; readonly longMm: number; readonly shortMm: number }
  | { readonly kind: 'round'; readonly diameterMm: number };

const NUMBER = '(\\d+(?:[.,]\\d+)?)\\s*(mm|cm|in|")?';
const SIDES = new RegExp(`${NUMBER}\\s*[x×]\\s*${NUMBER}(?=$|[\\s,;)])`, 'i');
const ROUND = /(\d+(?:[.,]\d+)?)\s*(mm|cm|in|")(?=$|[\s,;)])/i;

/**
 * Reads a rim out of a name: `tub 18 x 12 cm`, `lid, 86 mm`. Sides without a unit are in `unit`,
 * one measure alone needs its own.
 */
export function findRim(name: string, unit: LengthUnit): RimSize | undefined {
  const mm = (value: string | undefined, own: string | undefined): number => {
    const length = parseLength(`${value ?? ''} ${own ?? unit}`, unit);
    return length.ok ? length.value.mm : 0;
  };
  const sides = SIDES.exec(name);
  if (sides) {
    const [a, b] = [mm(sides[1], sides[2] ?? sides[4]), mm(sides[3], sides[4] ?? sides[2])];
    return a > 0 && b > 0
      ? { kind: 'sides', longMm: Math.max(a, b), shortMm: Math.min(a, b) }
      : undefined;
  }
  const round = ROUND.exec(name);
  const diameterMm = round ? mm(round[1], round[2]) : 0;
  return diameterMm > 0 ? { kind: 'round', diameterMm } : undefined;
}

/** Two rims that differ by no more than this are taken to meet: the tape's own error on both. */
export const RIM_TOLERANCE_MM = 3;

/** By how much two rims differ at most, in mm; infinite where one is round and the other is not. */
export function rimGapMm(a: RimSize, b: RimSize): number {
  if (a.kind === 'round' && b.kind === 'round') return Math.abs(a.diameterMm - b.diameterMm);
  if (a.kind === 'sides' && b.kind === 'sides')
    return Math.max(Math.abs(a.longMm - b.longMm), Math.abs(a.shortMm - b.shortMm));
  return Infinity;
}

/** Some pieces of one size. */
interface RimPile {
  readonly thing: Thing;
  readonly rim: RimSize;
  readonly count: number;
}
export interface LidMatch {
  readonly pairs: readonly { readonly box: Thing; readonly lid: Thing; readonly count: number }[];
  readonly boxesWithout: readonly { readonly thing: Thing; readonly count: number }[];
  readonly lidsWithout: readonly { readonly thing: Thing; readonly count: number }[];
  /** Boxes and lids whose rim nobody measured. */
  readonly unmeasured: readonly Thing[];
}

const LID_STEMS = new Set(['lid']);
const BOX_STEMS = new Set([
  'tub',
  'box',
  'jar',
  'pot',
  'pan',
  'saucepan',
  'container',
  'dish',
  'casserole',
  'tin',
]);

/**
 * Finds as many boxes with a lid of their size as there can be: a largest matching of piles, by
 * augmenting flow, the
 * closest rims tried first. Only kept things count. O(pieces × boxes × lids).
 * Source: Ford and Fulkerson, Flows in Networks (1962).
 * Ensures: every measured piece is in one pair or in one of the lists without; no pair differs by
 * more than `RIM_TOLERANCE_MM`.
 */
export function matchLids(things: readonly Thing[], unit: LengthUnit): LidMatch {
  const kept = things.filter(isKept);
  const lids = pilesOf(kept.filter(isLid), unit);
  const boxes = pilesOf(
    kept.filter((thing) => !isLid(thing) && isBox(thing)),
    unit,
  );
  const isWithLids = lids.piles.length + lids.unmeasured.length > 0;
  const flow = matchPiles(boxes.piles, lids.piles);
  const left = (piles: readonly RimPile[], usedOf: (index: number) => number) =>
    piles.flatMap(({ thing, count }, i) =>
      count > usedOf(i) ? [{ thing, count: count - usedOf(i) }] : [],
    );
  return {
    pairs: boxes.piles.flatMap((box, b) =>
      lids.piles.flatMap((lid, l) =>
        flow[b]?.[l] ? [{ box: box.thing, lid: lid.thing, count: flow[b][l] }] : [],
      ),
    ),
    boxesWithout: left(boxes.piles, (b) => sumOf(flow[b] ?? [])),
    lidsWithout: left(lids.piles, (l) => sumOf(flow.map((row) => row[l]!))),
    // Where there is no lid at all, boxes are just boxes.
    unmeasured: isWithLids ? [...boxes.unmeasured, ...lids.unmeasured] : [],
  };
}

const hasStem = (thing: Thing, stems: ReadonlySet<string>): boolean =>
  stemsOf(thing.name.split(/[,;(]/)[0] ?? '').some((stem) => stems.has(stem));
/** "Boxes of screws" are screws. */
const IS_FULL = /\b(?:box|tub|jar|pot|tin|dish|pan)(?:es|s)? of\b/i;
const isBox = (thing: Thing): boolean => hasStem(thing, BOX_STEMS) && !IS_FULL.test(thing.name);
const isLid = (thing: Thing): boolean => hasStem(thing, LID_STEMS);
const sumOf = (numbers: readonly number[]): number =>
  numbers.reduce((sum, number) => sum + number, 0);

function pilesOf(
  things: readonly Thing[],
  unit: LengthUnit,
): { readonly piles: readonly RimPile[]; readonly unmeasured: readonly Thing[] } {
  const piles: RimPile[] = [];
  const unmeasured: Thing[] = [];
  for (const thing of things) {
    const rim = findRim(thing.name, unit);
    if (rim) piles.push({ thing, rim, count: thing.count });
    else unmeasured.push(thing);
  }
  return { piles, unmeasured };
}

/** How many of box pile b go with lid pile l, most in all. */
export function matchPiles(
  boxes: readonly Pick<RimPile, 'rim' | 'count'>[],
  lids: readonly Pick<RimPile, 'rim' | 'count'>[],
): readonly (readonly number[])[] {
  const flow = boxes.map(() => lids.map(() => 0));
  const partners = boxes.map((box) =>
    lids
      .map((lid, l) => ({ l, gapMm: rimGapMm(box.rim, lid.rim) }))
      .filter(({ gapMm }) => gapMm <= RIM_TOLERANCE_MM)
      .sort((a, b) => a.gapMm - b.gapMm)
      .map(({ l }) => l),
  );
  const free = lids.map(({ count }) => count);
  /** Finds one more piece for a box pile, moving others on where that helps. */
  const augment = (b: number, seen: Set<number>): boolean => {
    for (const l of partners[b] ?? []) {
      if (seen.has(l)) continue;
      seen.add(l);
      const other =
        free[l]! > 0
          ? undefined
          : boxes.findIndex((_, o) => o !== b && (flow[o]?.[l] ?? 0) > 0 && augment(o, seen));
      if (other === -1) continue;
      if (other === undefined) free[l] = free[l]! - 1;
      else (flow[other] as number[])[l] = (flow[other]?.[l] ?? 0) - 1;
      (flow[b] as number[])[l] = (flow[b]?.[l] ?? 0) + 1;
      return true;
    }
    return false;
  };
  for (let b = 0; b < boxes.length; b += 1)
    for (let piece = 0; piece < (boxes[b]?.count ?? 0); piece += 1)
      if (!augment(b, new Set())) break;
  return flow;
}
