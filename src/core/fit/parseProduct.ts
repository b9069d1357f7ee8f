import { parseLength, parseMoney, type Currency } from '../shared';
import { materials } from './codes';
import type { FitContainer } from './model';
import { productKinds, type ContainerProduct } from './records';

type Material = FitContainer['material'];

/**
 * What one line says of a container; what it does not say is left out. Lengths and money stay as
 * they were typed.
 */
interface ParsedProduct {
  readonly name: string;
  readonly width?: string;
  readonly depth?: string;
  readonly height?: string;
  readonly litres?: string;
  readonly kind?: ContainerProduct['kind'];
  readonly material?: Material;
  readonly lid: boolean;
  readonly clear: boolean;
  readonly stackable: boolean;
  readonly packSize?: string;
  readonly price?: string;
  /** Of the sign that stands beside the price. */
  readonly currency?: Currency;
  readonly shopName?: string;
}

const NUMBER = String.raw`\d+(?:[.,]\d+)?`;
const SIZES = new RegExp(
  String.raw`(${NUMBER})\s*(mm|cm|m|in|")?\s*[x×*]\s*(${NUMBER})\s*(mm|cm|m|in|")?\s*[x×*]\s*(${NUMBER})\s*(mm|cm|m|in|")?`,
  'i',
);
const LITRES = new RegExp(String.raw`\b(${NUMBER})\s*l(?:it(?:re|er)s?)?\b`, 'i');
const SIGN = String.raw`(?:[£€$]|gbp|eur|usd)`;
const AMOUNT = String.raw`(?<sign>${SIGN})?\s?(?<amount>\d+(?:[.,]\d{1,2})?)\s?(?<after>${SIGN})?`;
/** How a pack and its price are said: "6 for 18.00", "18.00 for 6", "pack of 6, 18.00", or the price alone. */
const PRICES: readonly RegExp[] = [
  String.raw`(?<pack>\d+)\s+for\s+${AMOUNT}`,
  String.raw`${AMOUNT}\s+for\s+(?<pack>\d+)`,
  String.raw`(?:pack|set|box|case)s?\s+of\s+(?<pack>\d+)[\s,]+(?:at\s+|for\s+)?${AMOUNT}`,
  String.raw`(?<pack>\d+)[\s-]*pack[\s,]+(?:at\s+|for\s+)?${AMOUNT}`,
  AMOUNT,
].map((said) => new RegExp(String.raw`(?:^|[\s,])${said}\s*$`, 'i'));
const CURRENCY_OF: Readonly<Record<string, Currency>> = {
  '£': 'GBP',
  gbp: 'GBP',
  '€': 'EUR',
  eur: 'EUR',
  $: 'USD',
  usd: 'USD',
};

/** A pack and its price at the end of a text, and where they begin; undefined where no price stands there. */
export function readPrice(text: string):
  | {
      readonly at: number;
      readonly price: string;
      readonly packSize?: string;
      readonly currency?: Currency;
    }
  | undefined {
  for (const pattern of PRICES) {
    const found = pattern.exec(text);
    const { pack, sign, amount, after } = found?.groups ?? {};
    if (!found || amount === undefined || !parseMoney(amount).ok) continue;
    const currency = CURRENCY_OF[(sign ?? after ?? '').toLowerCase()];
    return {
      at: found.index,
      price: amount,
      ...(pack === undefined ? {} : { packSize: pack }),
      ...(currency === undefined ? {} : { currency }),
    };
  }
  return undefined;
}

/** Words for a material, beside its own name. */
const MATERIAL_WORDS: Readonly<Record<Material, RegExp>> = {
  plastic: /plastic/i,
  wood: /wood(en)?|oak|pine|bamboo/i,
  wicker: /wicker|rattan|seagrass|willow/i,
  metal: /metal|wire|steel/i,
  glass: /glass/i,
  card: /card(board)?|paper/i,
  fabric: /fabric|cloth|felt|canvas|linen/i,
};

/**
 * Reads a container as a person says it: "oat felt basket 30 × 28 × 16 cm, stacks, 3 for 18.00 at The Bin
 * Loft". Sizes are width, depth, height; a unit at the end goes for all three, none is the form's own.
 */
export function parseProduct(text: string): ParsedProduct {
  const at = /\s+at\s+([^,]+)$/i.exec(text.trim());
  const said = at ? text.trim().slice(0, at.index) : text.trim();
  const sizes = SIZES.exec(said);
  // Without sizes or a comma the price ends the name.
  const priced = readPrice(sizes ? said.slice(sizes.index + sizes[0].length) : said);
  const unpriced =
    priced && !sizes && /[.,]\d\d|[£€$]| for |pack|set of|,/i.test(said.slice(priced.at))
      ? said.slice(0, priced.at)
      : said;
  const before = sizes ? said.slice(0, sizes.index) : (unpriced.split(',')[0] ?? '');
  const after = said.slice(sizes ? sizes.index + sizes[0].length : before.length);
  const litres = LITRES.exec(after);
  const isPriced = priced !== undefined && (sizes !== null || unpriced !== said);
  const shopName = at?.[1]?.trim();
  const kind = [...productKinds]
    .sort((a, b) => b.length - a.length)
    .find((candidate) => new RegExp(`\\b${candidate}s?\\b`, 'i').test(said));
  const material = materials.find((candidate) => MATERIAL_WORDS[candidate].test(said));
  const parsed: ParsedProduct = {
    name: before.replace(/[,\s]+$/, '').trim(),
    lid: /\blid(s|ded)?\b/i.test(after),
    clear: /\b(clear|see-through)\b/i.test(said),
    stackable: /\bstack(s|ing|able)\b/i.test(said),
  };
  return {
    ...parsed,
    ...definedOf({
      ...sizesOf(sizes),
      litres: litres?.[1],
      kind,
      material,
      packSize: isPriced ? priced.packSize : undefined,
      price: isPriced ? priced.price : undefined,
      currency: isPriced ? priced.currency : undefined,
      shopName,
    }),
  };
}

/** The last one's unit goes for those that have none; a size that makes no sense is not there. */
function sizesOf(sizes: RegExpExecArray | null) {
  if (!sizes) return {};
  const [, width, widthUnit, depth, depthUnit, height, unit = ''] = sizes;
  const sizeOf = (value: string | undefined, own: string = unit): string | undefined => {
    const size = `${value ?? ''} ${own}`.trim();
    return value !== undefined && parseLength(size, 'cm').ok ? size : undefined;
  };
  return {
    width: sizeOf(width, widthUnit),
    depth: sizeOf(depth, depthUnit),
    height: sizeOf(height),
  };
}

/** Without what is not said. */
const definedOf = <T extends object>(facts: T): { [K in keyof T]?: Exclude<T[K], undefined> } =>
  Object.fromEntries(Object.entries(facts).filter(([, value]) => value !== undefined)) as {
    [K in keyof T]?: Exclude<T[K], undefined>;
  };
