import { z } from 'zod';

import { formatMoneyInput, shopIdSchema, type LengthUnit } from '@/core/shared';
import {
  materialKinds,
  prioritySchema,
  wallKindSchema,
  wallKinds,
  type MaterialKind,
  type Materials,
  type Priority,
  type WallKind,
} from '@/core/shop';
import {
  typedLength,
  typedMoney,
  typedNumber,
  typedOptionalLength,
  typedPositiveLength,
} from '../typedValues';

const name = z.string().trim().min(1, 'Give it a name').max(60, 'At most 60 letters');
const wholeNumber = (least: number, most: number, what: string) =>
  typedNumber({ least, most, what }).refine(Number.isInteger, 'A whole number');
const qty = wholeNumber(0, 1000, 'how many');
const available = z.string().transform((text, context): number | null => {
  if (text.trim() === '') return null;
  const count = Number(text);
  if (Number.isInteger(count) && count >= 0 && count <= 1000) return count;
  context.addIssue({ code: 'custom', message: 'How many there are, or nothing' });
  return z.NEVER;
});
const buying = z.object({
  shopId: z.union([z.literal('').transform(() => null), shopIdSchema]),
  priority: prioritySchema,
});
const allOf = <T>(of: (kind: MaterialKind) => T) =>
  Object.fromEntries(materialKinds.map((kind) => [kind, of(kind)])) as Record<MaterialKind, T>;

/**
 * Materials as they are typed. A roll without a width is no roll, paint without a surface is no
 * paint, tape without a letter's height no tape.
 */
export const materialsFormSchemaFor = (unit: LengthUnit) =>
  z
    .object({
      boards: z
        .array(
          z.object({
            boardId: z.string(),
            name,
            length: typedPositiveLength(unit),
            priceMinor: typedMoney,
            available,
          }),
        )
        .max(30),
      kerf: typedLength(unit),
      carLength: typedOptionalLength(unit),
      cuts: z.array(z.object({ name, length: typedPositiveLength(unit), qty })).max(100),
      panelWidth: typedOptionalLength(unit),
      panelLength: typedOptionalLength(unit),
      panelPrice: z.string(),
      rollWidth: typedOptionalLength(unit),
      rollLength: typedOptionalLength(unit),
      rollPrice: z.string(),
      surfaces: z
        .array(
          z.object({
            name,
            width: typedPositiveLength(unit),
            height: typedPositiveLength(unit),
            qty,
          }),
        )
        .max(60),
      coats: wholeNumber(1, 6, 'how many coats'),
      squareMetresPerLitre: typedNumber({ least: 0.1, most: 40, what: 'square metres a litre' }),
      canLitres: typedNumber({ least: 0.05, most: 100, what: 'litres a can' }),
      canPrice: z.string(),
      dryHours: typedNumber({ least: 0, most: 200, what: 'hours between coats' }),
      cureDays: typedNumber({ least: 0, most: 60, what: 'days it cures for' }),
      letter: typedOptionalLength(unit),
      cassette: typedOptionalLength(unit),
      cassettePrice: z.string(),
      spareCount: qty,
      rows: z
        .array(
          z.object({
            name,
            things: qty,
            each: wholeNumber(1, 50, 'fixings each'),
            wall: wallKindSchema,
          }),
        )
        .max(60),
      packs: z.array(
        z.object({
          wall: wallKindSchema,
          packSize: wholeNumber(1, 1000, 'pieces in a pack'),
          price: z.string(),
        }),
      ),
      buying: z.object(allOf(() => buying)),
    })
    .transform((typed, context): Omit<Materials, 'id' | 'linedBayIds'> => {
      const need = (field: string, message: string): void =>
        context.addIssue({ code: 'custom', path: field.split('.'), message });
      const money = (field: string, text: string): number => {
        const price = typedMoney.safeParse(text);
        if (!price.success) need(field, price.error.issues[0]?.message ?? '');
        return price.success ? price.data : 0;
      };
      const {
        boards,
        kerf,
        carLength,
        cuts,
        surfaces,
        coats,
        squareMetresPerLitre,
        canLitres,
        dryHours,
        cureDays,
        spareCount,
        rows,
      } = typed;
      if (typed.rollWidth && typed.rollLength === null)
        need('rollLength', 'Type how long the roll is');
      const rollMinor = typed.rollWidth ? money('rollPrice', typed.rollPrice) : 0;
      if (typed.panelWidth && typed.panelLength === null)
        need('panelLength', 'Type how long the sheet is');
      const panelMinor = typed.panelWidth ? money('panelPrice', typed.panelPrice) : 0;
      if (typed.letter && typed.cassette === null) need('cassette', 'Type how long the tape is');
      return {
        boards: boards.map(({ boardId, ...board }) => ({ ...board, id: boardId })),
        kerf,
        carLength,
        cuts,
        panel:
          typed.panelWidth && typed.panelLength
            ? { width: typed.panelWidth, length: typed.panelLength, priceMinor: panelMinor }
            : null,
        roll:
          typed.rollWidth && typed.rollLength
            ? { width: typed.rollWidth, length: typed.rollLength, priceMinor: rollMinor }
            : null,
        paint:
          surfaces.length === 0
            ? null
            : {
                surfaces,
                coats,
                squareMetresPerLitre,
                canLitres,
                dryHours,
                cureDays,
                priceMinor: money('canPrice', typed.canPrice),
              },
        labels:
          typed.letter && typed.cassette
            ? {
                letter: typed.letter,
                cassette: typed.cassette,
                priceMinor: money('cassettePrice', typed.cassettePrice),
                spareCount,
              }
            : null,
        fixings: {
          rows,
          packs: typed.packs.flatMap(({ wall, packSize, price }, i) =>
            price.trim() === ''
              ? []
              : [{ wall, packSize, priceMinor: money(`packs.${i}.price`, price) }],
          ),
        },
        buying: typed.buying,
      };
    });
export type MaterialsTyped = z.input<ReturnType<typeof materialsFormSchemaFor>>;

/** What paint and tape usually say of themselves, where nothing is kept yet. */
const USUAL = {
  coats: '2',
  squareMetresPerLitre: '10',
  canLitres: '1',
  dryHours: '4',
  cureDays: '2',
  spareCount: '4',
  packSize: '20',
} as const;

export const toMaterialsTyped = ({
  boards,
  kerf,
  carLength,
  cuts,
  panel,
  roll,
  paint,
  labels,
  fixings,
  buying: bought,
}: Materials): MaterialsTyped => ({
  boards: boards.map((board) => ({
    boardId: board.id,
    name: board.name,
    length: board.length.text,
    priceMinor: formatMoneyInput(board.priceMinor),
    available: board.available === null ? '' : String(board.available),
  })),
  kerf: kerf.text,
  carLength: carLength?.text ?? '',
  cuts: cuts.map((cut) => ({ name: cut.name, length: cut.length.text, qty: String(cut.qty) })),
  ...toPanelTyped(panel),
  ...toRollTyped(roll),
  surfaces: (paint?.surfaces ?? []).map((surface) => ({
    name: surface.name,
    width: surface.width.text,
    height: surface.height.text,
    qty: String(surface.qty),
  })),
  coats: String(paint?.coats ?? USUAL.coats),
  squareMetresPerLitre: String(paint?.squareMetresPerLitre ?? USUAL.squareMetresPerLitre),
  canLitres: String(paint?.canLitres ?? USUAL.canLitres),
  canPrice: paint ? formatMoneyInput(paint.priceMinor) : '',
  dryHours: String(paint?.dryHours ?? USUAL.dryHours),
  cureDays: String(paint?.cureDays ?? USUAL.cureDays),
  letter: labels?.letter.text ?? '',
  cassette: labels?.cassette.text ?? '',
  cassettePrice: labels ? formatMoneyInput(labels.priceMinor) : '',
  spareCount: String(labels?.spareCount ?? USUAL.spareCount),
  rows: fixings.rows.map((row) => ({
    name: row.name,
    things: String(row.things),
    each: String(row.each),
    wall: row.wall,
  })),
  packs: wallKinds.map((wall) => {
    const pack = fixings.packs.find((candidate) => candidate.wall === wall);
    return {
      wall,
      packSize: String(pack?.packSize ?? USUAL.packSize),
      price: pack ? formatMoneyInput(pack.priceMinor) : '',
    };
  }),
  buying: allOf((kind): { shopId: string; priority: Priority } => ({
    shopId: bought[kind].shopId ?? '',
    priority: bought[kind].priority,
  })) as MaterialsTyped['buying'],
});

const toRollTyped = (
  roll: Materials['roll'],
): Pick<MaterialsTyped, 'rollWidth' | 'rollLength' | 'rollPrice'> => ({
  rollWidth: roll?.width.text ?? '',
  rollLength: roll?.length.text ?? '',
  rollPrice: roll ? formatMoneyInput(roll.priceMinor) : '',
});
const toPanelTyped = (
  panel: Materials['panel'],
): Pick<MaterialsTyped, 'panelWidth' | 'panelLength' | 'panelPrice'> => ({
  panelWidth: panel?.width.text ?? '',
  panelLength: panel?.length.text ?? '',
  panelPrice: panel ? formatMoneyInput(panel.priceMinor) : '',
});

export const wallWords: Readonly<Record<WallKind, string>> = {
  brick: 'brick or concrete',
  board: 'hollow board',
  timber: 'timber or a stud',
};
