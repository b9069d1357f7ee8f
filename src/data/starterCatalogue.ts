import 'server-only';

import { containerProductSchema, type ContainerProduct } from '@/core/fit';
import type { Currency } from '@/core/shared';
import { offerSchema, shopSchema, type Offer, type Shop } from '@/core/shop';
import type { Db } from './db';
import { containerRecord, insertIfMissing, offerRecord, shopRecord } from './records';
import { familyProducts, type FamilyProduct } from './starterFamilies';

/**
 * Sample containers with made-up shops, so that the first fit can be tried at once. Sizes are
 * plausible, outside at the widest; inside litres allow for the walls and the taper.
 */
type Sample = readonly [
  id: string,
  name: string,
  kind: ContainerProduct['kind'],
  material: ContainerProduct['material'],
  sizeMm: readonly [width: number, depth: number, height: number],
  litres: number,
  traits: string,
  offers: readonly (readonly [shop: ShopKey, packSize: number, priceMinor: number])[],
];
type ShopKey = 'loft' | 'yard' | 'otter';

const shops: readonly Shop[] = [
  ['loft', 'The Bin Loft', 0, null],
  ['yard', 'Harrow Lane Hardware', 0, null],
  ['otter', 'Ottersby Storage, by post', 495, 4000],
].map(([key, name, deliveryMinor, freeOverMinor]) =>
  shopSchema.parse({
    id: `sample-shop-${key}`,
    name,
    currency: 'GBP',
    deliveryMinor,
    freeOverMinor,
  }),
);

/** Traits: L lid · C see-through · S stacks · R round · F fixed way round (not turnable). */
const samples: readonly Sample[] = [
  [
    'tray-low',
    'Low tray, white',
    'tray',
    'plastic',
    [290, 200, 85],
    3.9,
    'S',
    [
      ['loft', 1, 240],
      ['otter', 4, 820],
    ],
  ],
  [
    'tray-deep',
    'Deep tray, white',
    'tray',
    'plastic',
    [290, 200, 160],
    7.6,
    'S',
    [
      ['loft', 1, 340],
      ['otter', 3, 870],
    ],
  ],
  [
    'tray-long',
    'Long tray, white',
    'tray',
    'plastic',
    [170, 400, 120],
    6.4,
    'S',
    [
      ['loft', 1, 310],
      ['otter', 3, 810],
    ],
  ],
  [
    'bin-narrow',
    'Narrow bin, white',
    'bin',
    'plastic',
    [150, 300, 230],
    8.2,
    '',
    [
      ['loft', 1, 360],
      ['yard', 2, 690],
    ],
  ],
  [
    'bin-wide',
    'Wide bin, white',
    'bin',
    'plastic',
    [300, 300, 230],
    17.4,
    '',
    [
      ['loft', 1, 560],
      ['yard', 1, 620],
    ],
  ],
  [
    'bin-clear-s',
    'Clear bin, small',
    'bin',
    'plastic',
    [150, 300, 150],
    5.3,
    'CS',
    [
      ['loft', 1, 390],
      ['otter', 4, 1360],
    ],
  ],
  [
    'bin-clear-m',
    'Clear bin, medium',
    'bin',
    'plastic',
    [200, 350, 180],
    10.4,
    'CS',
    [
      ['loft', 1, 520],
      ['otter', 4, 1880],
    ],
  ],
  [
    'bin-clear-l',
    'Clear bin, large',
    'bin',
    'plastic',
    [290, 380, 200],
    18.6,
    'CS',
    [
      ['loft', 1, 690],
      ['otter', 2, 1290],
    ],
  ],
  [
    'box-lid-5',
    'Lidded box, 5 litres',
    'box',
    'plastic',
    [200, 300, 120],
    5.2,
    'LCS',
    [
      ['yard', 1, 330],
      ['otter', 6, 1620],
    ],
  ],
  [
    'box-lid-12',
    'Lidded box, 12 litres',
    'box',
    'plastic',
    [280, 380, 155],
    12.1,
    'LCS',
    [
      ['yard', 1, 520],
      ['otter', 3, 1380],
    ],
  ],
  [
    'box-lid-22',
    'Lidded box, 22 litres',
    'box',
    'plastic',
    [300, 400, 250],
    22.3,
    'LCS',
    [
      ['yard', 1, 690],
      ['otter', 3, 1850],
    ],
  ],
  [
    'box-lid-45',
    'Lidded box, 45 litres',
    'box',
    'plastic',
    [390, 590, 280],
    45,
    'LCS',
    [['yard', 1, 1150]],
  ],
  [
    'box-card-s',
    'Covered card box, small',
    'box',
    'card',
    [180, 260, 140],
    5.6,
    'LS',
    [['loft', 2, 560]],
  ],
  [
    'box-card-m',
    'Covered card box, medium',
    'box',
    'card',
    [260, 350, 200],
    16,
    'LS',
    [['loft', 2, 890]],
  ],
  [
    'basket-felt-s',
    'Felt basket, small',
    'basket',
    'fabric',
    [260, 200, 180],
    8.1,
    '',
    [['loft', 1, 640]],
  ],
  [
    'basket-felt-m',
    'Felt basket, medium',
    'basket',
    'fabric',
    [350, 260, 230],
    18.2,
    '',
    [['loft', 1, 880]],
  ],
  [
    'basket-cloth',
    'Cloth cube',
    'basket',
    'fabric',
    [300, 300, 300],
    25,
    '',
    [
      ['loft', 2, 1090],
      ['otter', 4, 1990],
    ],
  ],
  [
    'basket-willow',
    'Willow basket',
    'basket',
    'wicker',
    [380, 280, 220],
    17.5,
    '',
    [['otter', 1, 1450]],
  ],
  [
    'crate-wood',
    'Slatted wood crate',
    'box',
    'wood',
    [360, 260, 190],
    14.2,
    'S',
    [['yard', 1, 980]],
  ],
  [
    'crate-wood-s',
    'Slatted wood crate, small',
    'box',
    'wood',
    [260, 180, 130],
    4.7,
    'S',
    [['yard', 1, 640]],
  ],
  ['crate-fold', 'Folding crate', 'box', 'plastic', [360, 530, 270], 44, 'S', [['yard', 1, 890]]],
  [
    'div-narrow',
    'Drawer box, narrow',
    'drawer',
    'plastic',
    [80, 240, 60],
    0.9,
    'C',
    [
      ['loft', 1, 180],
      ['otter', 6, 840],
    ],
  ],
  [
    'div-square',
    'Drawer box, square',
    'drawer',
    'plastic',
    [160, 160, 60],
    1.2,
    'C',
    [
      ['loft', 1, 210],
      ['otter', 6, 990],
    ],
  ],
  [
    'div-long',
    'Drawer box, long',
    'drawer',
    'plastic',
    [160, 320, 60],
    2.5,
    'C',
    [
      ['loft', 1, 290],
      ['otter', 4, 960],
    ],
  ],
  [
    'div-deep',
    'Drawer box, deep',
    'drawer',
    'plastic',
    [160, 320, 110],
    4.8,
    '',
    [
      ['loft', 1, 330],
      ['otter', 4, 1120],
    ],
  ],
  ['tin-small', 'Enamel tin, small', 'box', 'metal', [150, 110, 90], 1.2, 'LS', [['yard', 1, 420]]],
  ['tin-bread', 'Enamel tin, large', 'box', 'metal', [330, 220, 200], 12, 'L', [['yard', 1, 1490]]],
  [
    'jar-half',
    'Preserving jar, half litre',
    'jar',
    'glass',
    [95, 95, 120],
    0.5,
    'LCR',
    [
      ['yard', 1, 190],
      ['loft', 6, 990],
    ],
  ],
  [
    'jar-litre',
    'Preserving jar, one litre',
    'jar',
    'glass',
    [110, 110, 175],
    1,
    'LCR',
    [
      ['yard', 1, 250],
      ['loft', 6, 1290],
    ],
  ],
  [
    'turn-30',
    'Turntable, 30 cm',
    'turntable',
    'plastic',
    [300, 300, 70],
    3.6,
    'R',
    [['loft', 1, 890]],
  ],
  [
    'turn-25',
    'Turntable with a rim, 25 cm',
    'turntable',
    'metal',
    [250, 250, 90],
    3.4,
    'R',
    [['loft', 1, 990]],
  ],
  [
    'file-stand',
    'File holder',
    'file holder',
    'card',
    [100, 250, 310],
    6.8,
    '',
    [
      ['loft', 2, 480],
      ['otter', 5, 990],
    ],
  ],
  [
    'file-plastic',
    'File holder, clear',
    'file holder',
    'plastic',
    [85, 260, 300],
    5.9,
    'C',
    [
      ['loft', 1, 390],
      ['otter', 5, 1690],
    ],
  ],
  [
    'tub-bucket',
    'Round tub with handles',
    'tub',
    'plastic',
    [340, 340, 280],
    19,
    'R',
    [['yard', 1, 560]],
  ],
  ['tub-flex', 'Soft tub', 'tub', 'plastic', [420, 420, 330], 34, 'R', [['yard', 1, 720]]],
  [
    'under-bed',
    'Flat box on rollers',
    'box',
    'plastic',
    [580, 780, 170],
    62,
    'LF',
    [
      ['yard', 1, 1890],
      ['otter', 2, 3490],
    ],
  ],
];

const densityOf: Readonly<Record<ContainerProduct['material'], number>> = {
  plastic: 45,
  wood: 110,
  wicker: 70,
  metal: 95,
  glass: 420,
  card: 40,
  fabric: 35,
};

function toProduct([
  id,
  name,
  kind,
  material,
  [width, depth, height],
  litres,
  traits,
]: Sample): ContainerProduct {
  const length = (mm: number) => ({ mm, text: `${mm} mm` });
  return containerProductSchema.parse({
    id: `sample-${id}`,
    projectId: null,
    name,
    kind,
    width: length(width),
    depth: length(depth),
    height: length(height),
    innerLitres: litres,
    innerHeightMm: height - 5,
    innerWidthMm: null,
    shape: traits.includes('R') ? 'round' : 'box',
    lid: traits.includes('L'),
    clear: traits.includes('C'),
    material,
    stackable: traits.includes('S'),
    maxStack: traits.includes('S') ? 3 : null,
    tareG: Math.round(litres * densityOf[material]),
    maxLoadG: material === 'card' ? 8000 : 20_000,
    turnable: !traits.includes('F'),
    ownedCount: null,
    line: '',
    colour: '',
  });
}

const fromFamily = ({
  key,
  name,
  line,
  colour,
  kind,
  material,
  sizeMm,
  litres,
  traits,
  level,
}: FamilyProduct): ContainerProduct => ({
  ...toProduct([key, name, kind, material, sizeMm, litres, traits, []]),
  line,
  colour,
  level,
});

/** One by one at the nearest shop; by post in threes or sixes, cheaper a piece; some only at one of them. */
const familyOffers: readonly Offer[] = familyProducts.flatMap(({ key, priceMinor, kind }, i) => {
  const aisle = `${1 + (kind.length % 7)}`;
  const offer = (shop: ShopKey, packSize: number, packMinor: number) =>
    offerSchema.parse({
      id: `sample-${key}-${shop}`,
      shopId: `sample-shop-${shop}`,
      containerId: `sample-${key}`,
      packSize,
      priceMinor: Math.round(packMinor / 5) * 5,
      aisle: shop === 'otter' ? '' : aisle,
    });
  const packSize = i % 2 === 0 ? 3 : 6;
  return [
    ...(i % 5 === 4 ? [] : [offer('loft', 1, priceMinor)]),
    ...(i % 3 === 0 || i % 5 === 4 ? [offer('yard', 1, priceMinor * (0.94 + (i % 4) * 0.05))] : []),
    ...(i % 4 === 1 ? [offer('otter', packSize, priceMinor * packSize * 0.86)] : []),
  ];
});

export const postShopName = 'Ottersby Storage, by post';

/** What the shop by post sells, as its simulated service offers it. */
export const postedGoods = (): {
  id: string;
  name: string;
  packSize: number;
  priceMinor: number;
  aisle: string;
}[] => [
  ...samples.flatMap(([id, name, , , , , , list]) =>
    list.flatMap(([shop, packSize, priceMinor], i) =>
      shop === 'otter' ? [{ id: `sample-${id}-${i}`, name, packSize, priceMinor, aisle: '' }] : [],
    ),
  ),
  ...familyOffers.flatMap((offer) =>
    offer.shopId === 'sample-shop-otter'
      ? [
          {
            id: offer.id,
            name:
              familyProducts.find(({ key }) => offer.containerId === `sample-${key}`)?.name ??
              offer.id,
            packSize: offer.packSize,
            priceMinor: offer.priceMinor,
            aisle: '',
          },
        ]
      : [],
  ),
];

/** What samples' ids begin with. */
export const SAMPLE_ID = 'sample-';

/**
 * Puts the samples in, priced in a currency; those that are there already stay as they are. Gives false where
 * all were.
 */
export async function insertStarterCatalogue(db: Db, currency: Currency = 'GBP'): Promise<boolean> {
  let added = 0;
  const sampleOffers: Offer[] = samples.flatMap(([id, , , , , , , list]) =>
    list.map(([shop, packSize, priceMinor], i) =>
      offerSchema.parse({
        id: `sample-${id}-${i}`,
        shopId: `sample-shop-${shop}`,
        containerId: `sample-${id}`,
        packSize,
        priceMinor,
      }),
    ),
  );
  await db.transaction(async (trx) => {
    for (const shop of shops) await insertIfMissing(trx, shopRecord, { ...shop, currency });
    const known = new Set<string>(await trx(containerRecord.table.name).pluck('id'));
    const missing = [...samples.map(toProduct), ...familyProducts.map(fromFamily)].filter(
      ({ id }) => !known.has(id),
    );
    const isMissing = new Set<string>(missing.map(({ id }) => id));
    for (const product of missing) await insertIfMissing(trx, containerRecord, product);
    for (const offer of [...sampleOffers, ...familyOffers])
      if (isMissing.has(offer.containerId)) await insertIfMissing(trx, offerRecord, offer);
    added = missing.length;
  });
  return added > 0;
}
