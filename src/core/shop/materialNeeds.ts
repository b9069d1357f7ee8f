import type { CutAnswer } from './cutModel';
import { toStockId, wallKinds, type MaterialKind } from './materialCodes';
import type { Fixings, LabelTape, Materials, Paint, WallKind } from './materials';
import type { Priority } from './model';
import type { RollAnswer } from './rollModel';

/** How much paint, and when the next thing may happen. */
interface PaintNeed {
  readonly squareMetres: number;
  readonly litres: number;
  readonly cans: number;
  /** From the first stroke to the last coat being dry. */
  readonly dryAfterHours: number;
  /** From the first stroke until things may stand on it. */
  readonly loadAfterHours: number;
}

const SQUARE_MM = 1e6;
const HOURS_A_DAY = 24;

/** Whole cans or cassettes for this many; a trifle above a whole one is rounding. */
const wholeOf = (count: number): number => Math.max(0, Math.ceil(count - 1e-9));

/** Area times coats over what a litre covers, in whole cans. Nothing to paint needs no can and no time. */
export function paintNeedOf({
  surfaces,
  coats,
  squareMetresPerLitre,
  canLitres,
  dryHours,
  cureDays,
}: Paint): PaintNeed {
  const squareMetres = surfaces.reduce(
    (sum, { width, height, qty }) => sum + (width.mm * height.mm * qty) / SQUARE_MM,
    0,
  );
  const litres = (squareMetres * coats) / squareMetresPerLitre;
  const dryAfterHours = squareMetres > 0 ? coats * dryHours : 0;
  return {
    squareMetres,
    litres,
    cans: wholeOf(litres / canLitres),
    dryAfterHours,
    loadAfterHours: squareMetres > 0 ? dryAfterHours + cureDays * HOURS_A_DAY : 0,
  };
}

/**
 * Widths of plain print as shares of the height of a capital: a letter with its gap, and the margin
 * before and after the word.
 */
const LETTER_SHARE = 0.85;
const MARGIN_MM = 5;

/**
 * Length of the tape for these labels and the spare ones (each as long as the longest), and the
 * cassettes they take.
 */
export function tapeNeedOf(
  { letter, cassette, spareCount }: Pick<LabelTape, 'letter' | 'cassette' | 'spareCount'>,
  texts: readonly string[],
): { readonly labelCount: number; readonly lengthMm: number; readonly cassettes: number } {
  const lengths = texts.map((text) => [...text].length * letter.mm * LETTER_SHARE + 2 * MARGIN_MM);
  const lengthMm = lengths.reduce((a, b) => a + b, 0) + spareCount * Math.max(0, ...lengths);
  return {
    labelCount: texts.length + (texts.length > 0 ? spareCount : 0),
    lengthMm,
    cassettes: cassette.mm > 0 ? wholeOf(lengthMm / cassette.mm) : 0,
  };
}

/** Fixings by what the wall is made of; kinds that nothing is fixed to are left out. */
export function fixingNeedsOf({
  rows,
}: Fixings): readonly { readonly wall: WallKind; readonly qty: number }[] {
  return wallKinds
    .map((wall) => ({
      wall,
      qty: rows
        .filter((row) => row.wall === wall)
        .reduce((sum, { things, each }) => sum + things * each, 0),
    }))
    .filter(({ qty }) => qty > 0);
}

/** Something that the room's materials call for, as it stands on the list. */
export interface MaterialNeed {
  /** What of the materials it is: `boards-` and the board's id, `roll`, `fixings-brick`. */
  readonly key: string;
  readonly kind: MaterialKind;
  readonly name: string;
  readonly qty: number;
  readonly packSize: number;
  readonly priceMinor: number;
  readonly shopId: string;
  readonly priority: Priority;
}

/** Id of a material among the needs of the shop request. */
export const toMaterialNeedId = (key: string): string => `material-${key}`;

const FIXING_NAMES: Readonly<Record<WallKind, string>> = {
  brick: 'Screws with wall plugs',
  board: 'Hollow-wall anchors',
  timber: 'Wood screws',
};

/**
 * What has to be bought for the room's materials, from the worked out plans; kinds without a shop
 * are left out.
 */
export function listMaterialNeeds(
  materials: Materials,
  worked: {
    readonly cut: CutAnswer | undefined;
    readonly panel: RollAnswer | undefined;
    readonly roll: RollAnswer | undefined;
    readonly labelTexts: readonly string[];
  },
): MaterialNeed[] {
  const { boards, panel, roll, paint, labels, fixings, buying } = materials;
  const needOf = (
    kind: MaterialKind,
    key: string,
    facts: Pick<MaterialNeed, 'name' | 'qty' | 'packSize' | 'priceMinor'>,
  ): MaterialNeed[] => {
    const { shopId, priority } = buying[kind];
    return shopId === null || facts.qty <= 0 ? [] : [{ key, kind, shopId, priority, ...facts }];
  };
  const boardCount = (id: string) =>
    (worked.cut?.patterns ?? []).reduce(
      (sum, { stockId, count }) => sum + (stockId === id ? count : 0),
      0,
    );
  return [
    ...boards.flatMap(({ id, name, priceMinor }) =>
      needOf('boards', `boards-${id}`, {
        name,
        qty: boardCount(toStockId(id)),
        packSize: 1,
        priceMinor,
      }),
    ),
    ...(panel
      ? needOf('panel', 'panel', {
          name: 'Sheet for false floors',
          qty: worked.panel?.rolls ?? 0,
          packSize: 1,
          priceMinor: panel.priceMinor,
        })
      : []),
    ...(roll
      ? needOf('roll', 'roll', {
          name: 'Shelf liner',
          qty: worked.roll?.rolls ?? 0,
          packSize: 1,
          priceMinor: roll.priceMinor,
        })
      : []),
    ...(paint
      ? needOf('paint', 'paint', {
          name: `Paint, ${paint.canLitres} l`,
          qty: paintNeedOf(paint).cans,
          packSize: 1,
          priceMinor: paint.priceMinor,
        })
      : []),
    ...(labels
      ? needOf('labels', 'labels', {
          name: 'Label tape',
          qty: tapeNeedOf(labels, worked.labelTexts).cassettes,
          packSize: 1,
          priceMinor: labels.priceMinor,
        })
      : []),
    ...fixingNeedsOf(fixings).flatMap(({ wall, qty }) => {
      const pack = fixings.packs.find((candidate) => candidate.wall === wall);
      return pack
        ? needOf('fixings', `fixings-${wall}`, {
            name: FIXING_NAMES[wall],
            qty,
            packSize: pack.packSize,
            priceMinor: pack.priceMinor,
          })
        : [];
    }),
  ];
}
