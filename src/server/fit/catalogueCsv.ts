import 'server-only';

import {
  containerProductSchema,
  levelFactsSchema,
  materials,
  productKinds,
  type ContainerProduct,
  type LevelFacts,
} from '@/core/fit';
import {
  containerIdSchema,
  currencies,
  formatLength,
  formatMoneyInput,
  offerIdSchema,
  parseLength,
  parseMoney,
  shopIdSchema,
  type Currency,
} from '@/core/shared';
import type { Offer, Shop } from '@/core/shop';
import { listCatalogue, listOffers, listShops } from '@/data/catalogueRepo';
import type { Db } from '@/data/db';
import { containerRecord, offerRecord, putShared, shopRecord } from '@/data/records';
import { readCsvTable, writeCsvTable, type CsvFault } from '../exchange/csvTable';
import { createId } from '../means';

/** One line an offer, or a container without a price; documented in docs/formats.md. */
const catalogueCsvColumns = [
  'name',
  'kind',
  'of',
  'width',
  'depth',
  'height',
  'litres',
  'inner_height',
  'traits',
  'line',
  'colour',
  'level',
  'shop',
  'currency',
  'pack',
  'price',
  'aisle',
  'in_stock',
] as const;
type Column = (typeof catalogueCsvColumns)[number];
type CsvRow = Readonly<Record<Column, string>>;

const TRAITS = ['lid', 'see-through', 'stacks', 'round', 'not turnable'] as const;

/** Writes the whole price list; lengths in mm, money with a point. */
export async function writeCatalogueCsv(db: Db): Promise<string> {
  const [containers, offers, shops] = [
    await listCatalogue(db),
    await listOffers(db),
    await listShops(db),
  ];
  const rows = containers.flatMap((container): CsvRow[] => {
    const facts = toCells(container);
    const shopNameOf = (offer: Offer) => shops.find(({ id }) => id === offer.shopId)?.name ?? '';
    const own = offers
      .filter(({ containerId }) => containerId === container.id)
      .sort((a, b) => shopNameOf(a).localeCompare(shopNameOf(b), 'en') || a.packSize - b.packSize);
    if (own.length === 0)
      return [{ ...facts, shop: '', currency: '', pack: '', price: '', aisle: '', in_stock: '' }];
    return own.map((offer) => {
      const shop = shops.find(({ id }) => id === offer.shopId);
      return {
        ...facts,
        shop: shop?.name ?? '',
        currency: shop?.currency ?? '',
        pack: String(offer.packSize),
        price: formatMoneyInput(offer.priceMinor),
        aisle: offer.aisle,
        in_stock: offer.inStock === null ? '' : String(offer.inStock),
      };
    });
  });
  return writeCsvTable(catalogueCsvColumns, rows);
}

function toCells(
  container: ContainerProduct,
): Omit<CsvRow, 'shop' | 'currency' | 'pack' | 'price' | 'aisle' | 'in_stock'> {
  const has = [
    container.lid,
    container.clear,
    container.stackable,
    container.shape === 'round',
    !container.turnable,
  ];
  return {
    name: container.name,
    kind: container.kind,
    of: container.material,
    width: formatLength(container.width.mm, 'mm').replace(',', ''),
    depth: formatLength(container.depth.mm, 'mm').replace(',', ''),
    height: formatLength(container.height.mm, 'mm').replace(',', ''),
    litres: String(container.innerLitres),
    inner_height: `${container.innerHeightMm} mm`,
    traits: TRAITS.filter((_, i) => has[i]).join('; '),
    line: container.line,
    colour: container.colour,
    level: Object.entries(container.level ?? {})
      .map(([fact, value]) => `${fact} ${value}`)
      .join('; '),
  };
}

interface CatalogueImport {
  readonly faults: readonly CsvFault[];
  readonly goodCount: number;
  readonly outcome: { readonly addedCount: number; readonly replacedCount: number } | undefined;
}

interface ReadLine {
  readonly facts: Omit<ContainerProduct, 'id'>;
  readonly offer:
    | {
        readonly shopName: string;
        readonly currency: Currency;
        readonly packSize: number;
        readonly priceMinor: number;
        readonly aisle: string;
        readonly inStock: number | null;
      }
    | undefined;
}

/**
 * Reads a price list kept by hand. A container of the same name is the same container, and gets
 * these sizes; an offer of
 * the same container, shop and pack is replaced. Nothing is kept while a row is faulty, unless the
 * good ones were asked for.
 */
export async function importCatalogueCsv(
  db: Db,
  { text, acceptGoodRows }: { readonly text: string; readonly acceptGoodRows: boolean },
): Promise<CatalogueImport> {
  const table = readCsvTable(text, catalogueCsvColumns, ['name', 'width', 'depth', 'height']);
  const faults: CsvFault[] = [...table.faults];
  const good = table.rows.flatMap(({ line, row }) => {
    const before = faults.length;
    const read = readLine(
      row,
      (column, expected) =>
        void faults.push({ line, column, code: 'unreadable', found: row[column], expected }),
    );
    return read && faults.length === before ? [read] : [];
  });
  if ((faults.length > 0 && !acceptGoodRows) || good.length === 0)
    return { faults, goodCount: good.length, outcome: undefined };
  const outcome = await db.transaction((trx) => keep(trx, good));
  return { faults, goodCount: good.length, outcome };
}

function readLine(
  row: CsvRow,
  fault: (column: Column, expected: string) => void,
): ReadLine | undefined {
  const length = (column: 'width' | 'depth' | 'height') => {
    const read = parseLength(row[column], 'cm');
    if (read.ok && read.value.mm > 0) return read.value;
    fault(column, 'a length, such as 28.5 cm');
    return undefined;
  };
  const [width, depth, height] = [length('width'), length('depth'), length('height')];
  const oneOf = <T extends string>(column: Column, list: readonly T[], usual: T): T => {
    const found = list.find((item) => item === row[column].toLowerCase());
    if (!found && row[column] !== '') fault(column, list.join(', '));
    return found ?? usual;
  };
  const number = (column: Column, usual: number | undefined): number | undefined => {
    if (row[column] === '') return usual;
    const value = Number(row[column].replace(',', '.'));
    if (Number.isFinite(value) && value >= 0) return value;
    fault(column, 'a number');
    return usual;
  };
  const kind = oneOf('kind', productKinds, 'box');
  const material = oneOf('of', materials, 'plastic');
  const traits = readTraits(row, fault);
  const inner = row.inner_height === '' ? undefined : parseLength(row.inner_height, 'cm');
  if (inner && !(inner.ok && inner.value.mm > 0)) fault('inner_height', 'a length, such as 18 cm');
  if (row.name === '') fault('name', 'what it is called');
  const offer = readOffer(row, { number, fault });
  if (!width || !depth || !height) return undefined;
  const outerLitres = (width.mm * depth.mm * height.mm) / 1e6;
  const litres =
    number('litres', undefined) ?? Math.max(0.01, Math.round(outerLitres * 0.86 * 10) / 10);
  if (litres <= 0 || litres > outerLitres)
    fault(
      'litres',
      `more than 0 and at most the ${Math.round(outerLitres * 10) / 10} it is outside`,
    );
  const isRound = traits.includes('round');
  if (isRound && width.mm !== depth.mm) fault('depth', 'as wide as deep where it is round');
  const facts = containerProductSchema.omit({ id: true }).safeParse({
    projectId: null,
    name: row.name,
    kind,
    material,
    width,
    depth,
    height,
    innerLitres: litres,
    innerHeightMm: inner?.ok ? inner.value.mm : Math.max(1, height.mm - 4),
    innerWidthMm: null,
    shape: isRound ? 'round' : 'box',
    lid: traits.includes('lid'),
    clear: traits.includes('see-through'),
    stackable: traits.includes('stacks'),
    maxStack: null,
    tareG: 0,
    maxLoadG: null,
    turnable: !traits.includes('not turnable'),
    ownedCount: null,
    line: row.line,
    colour: row.colour,
    howTo: '',
    level: readLevel(row, fault),
  });
  if (!facts.success) {
    fault('name', facts.error.issues[0]?.message ?? 'a container');
    return undefined;
  }
  return { facts: facts.data, offer };
}

/** Facts of what does more than hold a group, each with its number: "underHeightMm 140; topLoadG 8000". */
function readLevel(
  row: CsvRow,
  fault: (column: Column, expected: string) => void,
): LevelFacts | null {
  if (row.level.trim() === '') return null;
  const facts = row.level.split(';').map((part) => part.trim().split(/\s+/));
  const read = levelFactsSchema
    .strict()
    .safeParse(Object.fromEntries(facts.map(([name = '', value]) => [name, Number(value)])));
  if (!read.success) fault('level', 'facts in mm and g, e.g. underHeightMm 140; topLoadG 8000');
  return read.success ? read.data : null;
}

function readTraits(
  row: CsvRow,
  fault: (column: Column, expected: string) => void,
): readonly string[] {
  const traits = row.traits
    .split(';')
    .map((trait) => trait.trim().toLowerCase())
    .filter(Boolean);
  if (traits.some((trait) => !TRAITS.some((known) => known === trait)))
    fault('traits', TRAITS.join('; '));
  return traits;
}

function readOffer(
  row: CsvRow,
  {
    number,
    fault,
  }: {
    readonly number: (column: Column, usual: number | undefined) => number | undefined;
    readonly fault: (column: Column, expected: string) => void;
  },
): ReadLine['offer'] {
  if (row.shop === '' && row.price === '') return undefined;
  if (row.shop === '') fault('shop', 'the shop that asks this price');
  const price = parseMoney(row.price);
  if (!price.ok) fault('price', 'a sum, such as 4.50');
  const currency = currencies.find((known) => known === (row.currency.toUpperCase() || 'GBP'));
  if (!currency) fault('currency', currencies.join(', '));
  const packSize = number('pack', 1) ?? 1;
  if (!Number.isInteger(packSize) || packSize < 1 || packSize > 1000)
    fault('pack', 'a whole number from 1 to 1000');
  const inStock = number('in_stock', undefined);
  if (inStock !== undefined && !Number.isInteger(inStock)) fault('in_stock', 'a whole number');
  if (row.aisle.length > 20) fault('aisle', 'at most 20 letters');
  return price.ok && currency
    ? {
        shopName: row.shop.slice(0, 80),
        currency,
        packSize,
        priceMinor: price.value,
        aisle: row.aisle,
        inStock: inStock ?? null,
      }
    : undefined;
}

async function keep(
  trx: Db,
  lines: readonly ReadLine[],
): Promise<{ addedCount: number; replacedCount: number }> {
  const containers = new Map(
    (await listCatalogue(trx)).map((container) => [container.name.toLowerCase(), container]),
  );
  const shops: Shop[] = await listShops(trx);
  const offers: Offer[] = await listOffers(trx);
  const seen = new Set<string>();
  let replacedCount = 0;
  for (const { facts, offer } of lines) {
    const key = facts.name.toLowerCase();
    const known = containers.get(key);
    const container = {
      ...(known ?? { id: containerIdSchema.parse(createId()) }),
      ...facts,
      ...(known ? { maxStack: known.maxStack, tareG: known.tareG, maxLoadG: known.maxLoadG } : {}),
    };
    await putShared(trx, containerRecord, container);
    if (known && !seen.has(key)) replacedCount += 1;
    seen.add(key);
    containers.set(key, container);
    if (!offer) continue;
    const { shopName, currency, ...told } = offer;
    let shop = shops.find(
      (candidate) =>
        candidate.name.toLowerCase() === shopName.toLowerCase() && candidate.currency === currency,
    );
    if (!shop) {
      shop = {
        id: shopIdSchema.parse(createId()),
        name: shopName,
        currency,
        deliveryMinor: 0,
        freeOverMinor: null,
      };
      shops.push(shop);
      await putShared(trx, shopRecord, shop);
    }
    const shopId = shop.id;
    const same = offers.find(
      (candidate) =>
        candidate.containerId === container.id &&
        candidate.shopId === shopId &&
        candidate.packSize === told.packSize,
    );
    const after: Offer = {
      ...(same ?? { id: offerIdSchema.parse(createId()), checkedAt: null }),
      ...told,
      shopId,
      containerId: container.id,
    };
    if (!same) offers.push(after);
    await putShared(trx, offerRecord, after);
  }
  return { addedCount: seen.size - replacedCount, replacedCount };
}
