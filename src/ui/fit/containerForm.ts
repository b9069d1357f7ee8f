import { z } from 'zod';

import {
  levelFactsSchema,
  materials,
  productKinds,
  readPrice,
  type ContainerProduct,
  type LevelFacts,
} from '@/core/fit';
import { currencies, type LengthUnit } from '@/core/shared';
import { typedMoney, typedNumber, typedPositiveLength } from '../typedValues';

/** A wall of 3 mm on every side, where nobody measured the inside. */
const WALL_MM = 3;

type Kind = (typeof productKinds)[number];
export type LevelField = keyof LevelFacts;
/** Fields of what does more than hold a group: for which kinds, and in which unit they are typed. */
export const LEVEL_FIELDS: readonly (readonly [
  field: LevelField,
  label: string,
  kinds: readonly Kind[],
  unit: 'cm' | 'kg' | 'count',
])[] = [
  ['underHeightMm', 'Free under it, high', ['riser'], 'cm'],
  ['underWidthMm', 'Free under it, wide', ['riser'], 'cm'],
  ['mostWidthMm', 'Pulled out, wide', ['riser', 'divider'], 'cm'],
  ['plateHeightMm', 'Plate, above the floor', ['turntable'], 'cm'],
  ['rimMm', 'Rim, on each side', ['turntable'], 'cm'],
  ['levelGapMm', 'Stacked: plate to plate', ['turntable'], 'cm'],
  ['topLoadG', 'Bears, kg', ['riser', 'turntable', 'pull-out'], 'kg'],
  ['travelMm', 'Comes out', ['pull-out'], 'cm'],
  ['hooks', 'Hooks', ['hook strip', 'rail'], 'count'],
  ['hookLoadG', 'A hook bears, kg', ['hook strip', 'rail'], 'kg'],
  ['places', 'Places', ['rack'], 'count'],
  ['placeDiameterMm', 'A place, across', ['rack'], 'cm'],
  ['clipMostMm', 'Thickest shelf', ['under-shelf basket'], 'cm'],
];
const blankLevel = Object.fromEntries(LEVEL_FIELDS.map(([field]) => [field, ''])) as Record<
  LevelField,
  string
>;

const baseFields = (unit: LengthUnit) => ({
  name: z.string().trim().min(1, 'Type what it is').max(80, 'At most 80 letters'),
  kind: z.enum(productKinds),
  width: typedPositiveLength(unit),
  depth: typedPositiveLength(unit),
  height: typedPositiveLength(unit),
  /** Left empty: worked out from the outside less its walls. */
  litres: z.string(),
  material: z.enum(materials),
  lid: z.boolean(),
  clear: z.boolean(),
  stackable: z.boolean(),
  howTo: z.string().trim().max(600),
  level: z.object(
    Object.fromEntries(LEVEL_FIELDS.map(([field]) => [field, z.string()])) as Record<
      LevelField,
      z.ZodString
    >,
  ),
});
type Base = z.output<z.ZodObject<ReturnType<typeof baseFields>>>;

/** What was typed of it as a level: what its kind has nothing to do with is left out; null where all is usual. */
function readLevel({ kind, level }: Base, context: z.core.$RefinementCtx): LevelFacts | null {
  const facts: Record<string, number> = {};
  for (const [field, , kinds, unit] of LEVEL_FIELDS) {
    const text = level[field].trim();
    if (text === '' || !kinds.includes(kind)) continue;
    const value = Number(text.replace(',', '.'));
    if (Number.isFinite(value) && value > 0 && (unit !== 'count' || Number.isInteger(value)))
      facts[field] = Math.round(value * UNIT_TIMES[unit]);
    else
      context.addIssue({ code: 'custom', path: ['level', field], message: LEVEL_EXPECTED[unit] });
  }
  return Object.keys(facts).length === 0 ? null : levelFactsSchema.parse(facts);
}
const UNIT_TIMES = { cm: 10, kg: 1000, count: 1 } as const;
const LEVEL_EXPECTED = {
  cm: 'Centimetres, e.g. 14.2',
  kg: 'Kilograms, e.g. 5',
  count: 'A whole number',
} as const;

function toProduct({ litres, level, ...typed }: Base, context: z.core.$RefinementCtx) {
  const inner = [typed.width, typed.depth, typed.height].map(({ mm }, i) =>
    Math.max(1, mm - (i < 2 ? 2 : 1) * WALL_MM),
  );
  const [widthMm = 1, depthMm = 1, innerHeightMm = 1] = inner;
  const outerLitres = (typed.width.mm * typed.depth.mm * typed.height.mm) / 1e6;
  const computed = Math.round((widthMm * depthMm * innerHeightMm) / 1e5) / 10;
  const read = litres.trim() === '' ? computed : Number(litres.replace(',', '.'));
  if (!Number.isFinite(read) || read <= 0)
    context.addIssue({
      code: 'custom',
      path: ['litres'],
      message: 'Litres as a number, e.g. 12.5',
    });
  else if (read > outerLitres)
    context.addIssue({
      code: 'custom',
      path: ['litres'],
      message: `It is only ${Math.round(outerLitres * 10) / 10} l outside`,
    });
  return {
    ...typed,
    level: readLevel({ ...typed, litres, level }, context),
    innerLitres: Math.max(0.01, read),
    innerHeightMm,
    innerWidthMm: null,
    shape: typed.kind === 'turntable' ? ('round' as const) : ('box' as const),
    maxStack: null,
    tareG: 0,
    maxLoadG: null,
    turnable: true,
    line: '',
    colour: '',
  };
}

/** What the household has: how many, at no cost. */
export const ownedFormSchemaFor = (unit: LengthUnit) =>
  z
    .object({
      ...baseFields(unit),
      count: typedNumber({ least: 1, most: 1000, what: 'how many there are' }).pipe(
        z.number().int('A whole number'),
      ),
    })
    .transform(({ count, ...typed }, context) => ({ ...toProduct(typed, context), count }));
export type OwnedTyped = z.input<ReturnType<typeof ownedFormSchemaFor>>;

const offerFields = {
  shopName: z.string().trim().min(1, 'Type the shop').max(80, 'At most 80 letters'),
  currency: z.enum(currencies),
  packSize: typedNumber({ least: 1, most: 1000, what: 'pieces in a pack' }).pipe(
    z.number().int('A whole number'),
  ),
  price: typedMoney,
};
/** A price of a container that is known. */
export const offerFormSchema = z.object(offerFields).transform(({ price, ...offer }) => ({
  ...offer,
  priceMinor: price,
}));
export type OfferTyped = z.input<typeof offerFormSchema>;

/** A container of the catalogue, corrected. */
export const catalogueFormSchema = z.object(baseFields('cm')).transform(toProduct);
export type CatalogueTyped = z.input<typeof catalogueFormSchema>;

/** What a shop sells: in which pack, for how much. */
export const soldFormSchemaFor = (unit: LengthUnit) =>
  z
    .object({ ...baseFields(unit), ...offerFields })
    .transform(({ shopName, currency, packSize, price, ...typed }, context) => ({
      ...toProduct(typed, context),
      offer: { shopName, currency, packSize, priceMinor: price },
    }));
export type SoldTyped = z.input<ReturnType<typeof soldFormSchemaFor>>;

export const blankContainer = {
  name: '',
  kind: 'box',
  width: '',
  depth: '',
  height: '',
  litres: '',
  material: 'card',
  lid: false,
  clear: false,
  stackable: false,
  howTo: '',
  level: blankLevel,
} as const;

/** A container as its form shows it: sizes as they were typed. */
export const toTypedContainer = (container: ContainerProduct) => ({
  name: container.name,
  kind: container.kind,
  width: container.width.text,
  depth: container.depth.text,
  height: container.height.text,
  litres: String(container.innerLitres),
  material: container.material,
  lid: container.lid,
  clear: container.clear,
  stackable: container.stackable,
  howTo: container.howTo,
  level: toTypedLevel(container.level),
});

function toTypedLevel(level: LevelFacts | null): Record<LevelField, string> {
  return Object.fromEntries(
    LEVEL_FIELDS.map(([field, , , unit]) => {
      const value = level?.[field];
      return [field, value === undefined ? '' : String(value / UNIT_TIMES[unit])];
    }),
  ) as Record<LevelField, string>;
}

/** "6 for 18.00" in a price's field is a pack of six: its pieces and its price, where both stand there. */
export function splitPackPrice(typed: string): { packSize: string; price: string } | undefined {
  const read = readPrice(typed);
  return read?.at === 0 && read.packSize !== undefined
    ? { packSize: read.packSize, price: read.price }
    : undefined;
}
