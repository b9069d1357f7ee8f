import type { FitAim } from '@/core/fit';
import type { GroupAsks } from '@/core/sort';
import type { UnitKind } from '@/core/look';
import type { Verdict } from '@/core/sort';

/** The demo's homes in short hand; seedDemo.ts turns them into records. Everything here is made up. */
export interface DemoBay {
  readonly key: string;
  readonly name: string;
  readonly at: readonly [column: number, row: number];
  /** Typed as on site: width, depth, height; more readings behind a bar. */
  readonly size: readonly [string, string, string];
  readonly opening?: string;
  readonly moist?: boolean;
  readonly pullOut?: boolean;
  readonly outOfScope?: boolean;
  readonly maxLoadKg?: number;
  readonly obstacle?: {
    readonly label: string;
    readonly box: readonly [x: number, y: number, z: number, w: number, d: number, h: number];
  };
}
export interface DemoUnit {
  readonly key: string;
  readonly name: string;
  readonly kind: UnitKind;
  /** Outside width, depth, height, and from the floor to its underside. */
  readonly size: readonly [string, string, string, string];
  readonly bays: readonly DemoBay[];
}
export interface DemoGroup {
  readonly key: string;
  readonly name: string;
  readonly bay: string | null;
  readonly uncounted?: number;
  readonly lid?: 'required' | 'forbidden';
  readonly see?: 'clear' | 'opaque';
  readonly front?: boolean;
  readonly loose?: boolean;
  readonly asks?: GroupAsks;
}
/**
 * What was called out, the verdict, the group where kept, where it went, and in how many months its
 * date is (the day is the last of that month).
 */
export type DemoThing = readonly [
  text: string,
  verdict: Verdict,
  group?: string | undefined,
  to?: string,
  monthsLeft?: number,
];
export interface DemoRoom {
  readonly key: string;
  readonly name: string;
  readonly purpose: string;
  readonly budget: number;
  readonly units: readonly DemoUnit[];
  readonly spots: readonly {
    readonly name: string;
    readonly moments: readonly ('before' | 'after')[];
  }[];
  readonly groups: readonly DemoGroup[];
  readonly things: readonly DemoThing[];
  /** Bays that are fitted on levels, and the surfaces that are to stand there. */
  readonly levelFits?: readonly (readonly [
    bay: string,
    prefer: FitAim,
    uses: readonly string[],
    pins?: readonly (readonly [group: string, container: string])[],
  ])[];
  /** Bays with a fit that is taken, and how it was chosen. */
  readonly fits?: readonly (readonly [
    bay: string,
    prefer: 'cost' | 'uniform' | 'reuse' | 'easy',
  ])[];
  /** What of the list is bought already. */
  readonly bought?: 'all' | 'half';
  /** Things on the list that no fit calls for: name, how many, in a pack, its price in pence. */
  readonly byHand?: readonly (readonly [
    name: string,
    qty: number,
    packSize: number,
    priceMinor: number,
    priority: 'must' | 'should' | 'nice',
  ])[];
  /**
   * A session that goes on now: which unit's section, how many minutes ago it began, how many of
   * the last things belong to it.
   */
  readonly session?: {
    readonly unit: string;
    readonly minutesAgo: number;
    readonly thingCount: number;
    readonly stepsDone: number;
  };
}
export interface DemoOwned {
  readonly name: string;
  readonly kind: 'box' | 'jar' | 'tub' | 'basket' | 'tray';
  readonly material: 'card' | 'plastic' | 'metal' | 'glass' | 'wood' | 'wicker';
  readonly size: readonly [number, number, number];
  readonly litres: number;
  readonly count: number;
  readonly traits?: string;
}
export interface DemoHome {
  readonly key: string;
  readonly name: string;
  readonly budget: number;
  /** Days from today; negative for what is past. */
  readonly readyInDays: number;
  readonly startedDaysAgo: number;
  readonly status: 'active' | 'finished';
  readonly people: readonly (readonly [
    name: string,
    height: string,
    traits?: 'child' | 'noStep',
  ])[];
  readonly owned: readonly DemoOwned[];
  /** Common containers made from waste, by their name, and how many. */
  readonly made?: readonly (readonly [name: string, count: number])[];
  readonly giftCards?: readonly (readonly [shopId: string, amountMinor: number])[];
  readonly rooms: readonly DemoRoom[];
}

const shelves = (
  prefix: string,
  count: number,
  size: readonly [string, string, string],
  column = 0,
): DemoBay[] =>
  Array.from({ length: count }, (_, row) => ({
    key: `${prefix}-${row}`,
    name: `shelf ${row + 1}`,
    at: [column, row] as const,
    size,
  }));

const named = (bays: readonly DemoBay[], names: readonly string[]): DemoBay[] =>
  bays.map((bay, i) => ({ ...bay, name: names[i] ?? bay.name }));

const bootRoom: DemoRoom = {
  key: 'boot-room',
  name: 'Boot room',
  purpose: 'Two people sit down to put boots on, and the washing machine door opens fully.',
  budget: 160,
  units: [
    {
      key: 'shoe-rack',
      name: 'Shoe shelves',
      kind: 'shelving',
      size: ['112 cm', '36 cm', '150 cm', '8 cm'],
      bays: named(
        shelves('shoe', 4, [
          '108,4 cm|108,6|108,5 cm',
          '34 cm|34,2 cm|34 cm',
          '33,5 cm|33,4 cm|33,6 cm',
        ]),
        ['Shoe shelf, lowest', 'Shoe shelf, second', 'Shoe shelf, third', 'Shoe shelf, top'],
      ),
    },
    {
      key: 'laundry',
      name: 'Laundry cupboard',
      kind: 'cupboard',
      size: ['64 cm', '58 cm', '150 cm', '8 cm'],
      bays: [
        {
          key: 'laundry-0',
          name: 'Under the basin',
          at: [0, 0],
          size: ['60 cm', '54 cm', '62 cm'],
          moist: true,
          opening: '56 cm',
          obstacle: { label: 'trap', box: [230, 250, 300, 140, 180, 320] },
        },
        { key: 'laundry-1', name: 'Laundry shelf', at: [0, 1], size: ['60 cm', '54 cm', '36 cm'] },
        { key: 'laundry-2', name: 'Laundry top', at: [0, 2], size: ['60 cm', '54 cm', '38 cm'] },
      ],
    },
  ],
  spots: [{ name: 'from the back door, both units', moments: ['before', 'after'] }],
  groups: [
    { key: 'boots', name: 'Boots', bay: 'shoe-0', front: true, loose: true },
    { key: 'shoes', name: 'Everyday shoes', bay: 'shoe-1', front: true, loose: true },
    { key: 'hats', name: 'Hats & gloves', bay: 'shoe-3', lid: 'forbidden' },
    { key: 'bags', name: 'Bags', bay: 'shoe-2' },
    { key: 'outdoor', name: 'Balls & helmets', bay: 'shoe-2' },
    { key: 'wash', name: 'Washing things', bay: 'laundry-1', front: true, loose: true },
    { key: 'clean', name: 'Cleaners', bay: 'laundry-2' },
    {
      key: 'polish',
      name: 'Shoe care',
      bay: 'laundry-1',
      front: true,
      uncounted: 3.6,
      asks: {
        kinds: [
          ...['Black polish', 'Brown polish', 'Clear polish', 'Dubbin'],
          ...['Laces', 'Insoles', 'Heel pads', 'Cleaning putty'],
        ].map((name) => ({ name, litres: 0.45 })),
      },
    },
    { key: 'cloths', name: 'Cloths & dusters', bay: 'laundry-0' },
  ],
  things: [
    ['7 pairs of boots', 'keep', 'boots'],
    ['3 pairs of boots, outgrown', 'donate'],
    ['2 pairs of wellies, leaking', 'discard'],
    ['16 pairs of shoes', 'keep', 'shoes'],
    ['5 pairs of trainers, worn through', 'discard'],
    ['7 pairs of shoes, too small', 'donate'],
    ['26 wool hats', 'keep', 'hats'],
    ['11 odd gloves', 'recycle', undefined, 'recycle'],
    ['24 pairs of gloves', 'keep', 'hats'],
    ['14 scarves', 'keep', 'hats'],
    ['14 tote bags, more than enough', 'donate'],
    ['3 tote bags', 'keep', 'bags'],
    ['1 rucksack', 'keep', 'bags'],
    ['1 rucksack, broken strap', 'discard'],
    ['2 helmets', 'keep', 'outdoor'],
    ['2 helmets, outgrown', 'give', undefined, 'cousin Wren'],
    ['2 balls', 'keep', 'outdoor'],
    ['18 bottles of cleaner', 'keep', 'clean'],
    ['9 bottles of cleaner, out of date', 'recycle', undefined, 'hazardous'],
    ['7 boxes of washing powder', 'keep', 'wash'],
    ['3 peg bags', 'keep', 'wash'],
    ['1 iron', 'keep', 'wash'],
    ['22 dusters, worn', 'recycle', undefined, 'recycle'],
    ['40 dusters', 'keep', 'cloths'],
    ['4 sponges', 'keep', 'cloths'],
    ['5 umbrellas, broken', 'discard'],
    ['3 bike lights', 'elsewhere', undefined, 'Garage workbench'],
    ['4 tins of paint', 'elsewhere', undefined, 'Garage workbench'],
    ['3 dog leads, never used', 'sell'],
    ['2 scissors', 'keep', 'clean'],
    ['1 of 12 napkin rings', 'elsewhere', undefined, 'Landing linen press'],
  ],
  levelFits: [
    [
      'laundry-1',
      'daily',
      ['carousel-tier-for-a-turntable-white-1', 'carousel-tier-for-a-turntable-white-1'],
      [['polish', 'larder-square-jar-clear-0']],
    ],
  ],
  fits: [
    ['shoe-3', 'reuse'],
    ['shoe-2', 'cost'],
    ['laundry-2', 'uniform'],
    ['laundry-0', 'cost'],
  ],
  bought: 'half',
  byHand: [
    ['Bands for drawer dividers', 12, 12, 260, 'should'],
    ['Coat hooks, oak', 6, 3, 1150, 'nice'],
  ],
};

const musicRoom: DemoRoom = {
  key: 'music-room',
  name: 'Music room',
  purpose: 'Four people play at once, and every score is found in a minute.',
  budget: 90,
  units: [
    {
      key: 'scores',
      name: 'Score shelves',
      kind: 'shelving',
      size: ['168 cm', '34 cm', '196 cm', '6 cm'],
      bays: [
        ...named(shelves('score-l', 4, ['79 cm', '32 cm', '44 cm']), [
          'Left, lowest',
          'Left, second',
          'Left, third',
          'Left, top',
        ]),
        ...named(shelves('score-r', 4, ['79 cm', '32 cm', '44 cm'], 1), [
          'Right, lowest',
          'Right, second',
          'Right, third',
          'Right, top',
        ]),
      ],
    },
  ],
  spots: [
    { name: 'from the window seat', moments: ['before'] },
    { name: 'from the door, piano side', moments: [] },
  ],
  groups: [
    { key: 'songbooks', name: 'Song books', bay: 'score-l-2', loose: true },
    { key: 'sheets', name: 'Loose sheets', bay: 'score-l-1', lid: 'required' },
    { key: 'cables', name: 'Cables', bay: 'score-r-1', see: 'clear' },
    { key: 'strings', name: 'Strings & reeds', bay: null },
    { key: 'small', name: 'Small instruments', bay: null },
  ],
  things: [
    ['150 song books', 'keep', 'songbooks'],
    ['24 song books, duplicates', 'donate'],
    ['1400 sheets of music', 'keep', 'sheets'],
    ['44 cables', 'keep', 'cables'],
    ['13 cables, broken', 'recycle', undefined, 'electricals'],
    ['6 sets of strings', 'keep', 'strings'],
    ['4 recorders', 'keep', 'small'],
    ['2 recorders, cracked', 'discard'],
    ['1 violin, from Gran', 'ask'],
    ['2 music stands, bent', 'later'],
    ['31 records', 'ask'],
  ],
};

const workbench: DemoRoom = {
  key: 'workbench',
  name: 'Garage workbench',
  purpose: 'A bench clear enough to mend a chair on, and tools back where they came from.',
  budget: 140,
  units: [
    {
      key: 'bench',
      name: 'Bench drawers',
      kind: 'drawers',
      size: ['52 cm', '56 cm', '84 cm', '4 cm'],
      bays: named(shelves('drawer', 4, ['46 cm', '50 cm', '15 cm']), [
        'Bottom drawer',
        'Third drawer',
        'Second drawer',
        'Top drawer',
      ]).map((bay) => ({ ...bay, pullOut: true, maxLoadKg: 18 })),
    },
    {
      key: 'wall',
      name: 'Wall shelves',
      kind: 'shelving',
      size: ['1.5 m', '41 cm', '118 cm', '92 cm'],
      bays: named(shelves('wall', 3, ['146 cm', '40 cm', '35 cm|35,2 cm|34,3 cm']), [
        'Wall shelf, low',
        'Wall shelf, middle',
        'Wall shelf, high',
      ]).map((bay) => ({ ...bay, maxLoadKg: 45 })),
    },
  ],
  spots: [{ name: 'from the up-and-over door', moments: ['before'] }],
  groups: [
    {
      key: 'hand',
      name: 'Hand tools',
      bay: 'drawer-3',
      front: true,
      asks: {
        kinds: [
          { name: 'Screwdrivers', litres: 5 },
          { name: 'Spanners', litres: 4 },
          { name: 'Hammers & scissors', litres: 6 },
        ],
      },
    },
    { key: 'screws', name: 'Screws & nails', bay: 'drawer-2', see: 'clear' },
    { key: 'power', name: 'Power tools', bay: 'wall-0', loose: true },
    { key: 'paint', name: 'Paint & brushes', bay: 'wall-1', loose: true },
    { key: 'glue', name: 'Glue & tape', bay: 'drawer-1', loose: true },
    { key: 'electric', name: 'Bulbs & batteries', bay: 'wall-2', lid: 'required' },
    { key: 'rope', name: 'Rope & straps', bay: null },
  ],
  levelFits: [['drawer-3', 'cost', [], [['hand', 'tansy-divider-pulled-out-to-fit-white-1']]]],
  things: [
    ['30 screwdrivers', 'keep', 'hand'],
    ['9 screwdrivers, duplicates', 'donate'],
    ['7 hammers', 'keep', 'hand'],
    ['18 spanners', 'keep', 'hand'],
    ['3 saws, rusty', 'recycle', undefined, 'recycle'],
    ['20 boxes of screws', 'keep', 'screws'],
    ['5 boxes of screws, mixed', 'later'],
    ['6 drills', 'keep', 'power'],
    ['3 laundry baskets of sanding gear', 'keep', 'power'],
    ['1 drill, dead', 'recycle', undefined, 'electricals'],
    ['26 tins of paint', 'keep', 'paint'],
    ['16 tins of paint, dried up', 'recycle', undefined, 'hazardous'],
    ['8 paint brushes', 'keep', 'paint'],
    ['9 rolls of tape', 'keep', 'glue'],
    ['6 tubes of glue', 'keep', 'glue'],
    ['18 light bulbs', 'keep', 'electric'],
    ['40 batteries, dead', 'recycle', undefined, 'batteries'],
    ['24 batteries', 'keep', 'electric'],
    ['5 ropes', 'keep', 'rope'],
    ['1 torch', 'elsewhere', undefined, ''],
    ['3 scissors', 'keep', 'hand'],
    ['5 tubs 30 x 20 cm', 'keep'],
    ['4 lids 30 x 20 cm', 'keep'],
    ['2 lids 26 x 18 cm', 'keep'],
  ],
};

const linenPress: DemoRoom = {
  key: 'linen-press',
  name: 'Landing linen press',
  purpose: 'Everybody finds their own towel, and guest beds are made up in ten minutes.',
  budget: 95,
  units: [
    {
      key: 'left',
      name: 'Left door',
      kind: 'cupboard',
      size: ['96 cm', '58 cm', '205 cm', '9 cm'],
      bays: named(shelves('left', 5, ['90 cm|90,2 cm|90 cm', '56 cm', '36 cm|35,8 cm|36 cm']), [
        'Left shelf 1',
        'Left shelf 2',
        'Left shelf 3',
        'Left shelf 4',
        'Left shelf 5',
      ]),
    },
    {
      key: 'right',
      name: 'Right door',
      kind: 'cupboard',
      size: ['84 cm', '58 cm', '205 cm', '9 cm'],
      bays: named(shelves('right', 5, ['78,4 cm|78,6 cm|78,5 cm', '56 cm', '37 cm']), [
        'Right shelf 1',
        'Right shelf 2',
        'Right shelf 3',
        'Right shelf 4',
        'Right shelf 5',
      ]).map((bay) => ({ ...bay, opening: '75 cm' })),
    },
    {
      key: 'tank',
      name: 'Hot-water tank',
      kind: 'other',
      size: ['60 cm', '58 cm', '190 cm', '9 cm'],
      bays: [
        {
          key: 'tank-0',
          name: 'Tank',
          at: [0, 0],
          size: ['56 cm', '54 cm', '184 cm'],
          outOfScope: true,
        },
      ],
    },
  ],
  spots: [{ name: 'from the top of the stairs', moments: ['before'] }],
  groups: [
    { key: 'towels', name: 'Towels, daily', bay: 'left-2', front: true },
    { key: 'face', name: 'Face cloths', bay: 'left-2', lid: 'forbidden' },
    { key: 'bed', name: 'Bed linen, in use', bay: 'left-1' },
    { key: 'pillowcases', name: 'Pillowcases', bay: 'left-1' },
    { key: 'guest', name: 'Guest linen', bay: 'left-3', loose: true },
    { key: 'blankets', name: 'Blankets', bay: 'left-0', loose: true },
    { key: 'scarves', name: 'Scarves & hats', bay: 'right-2', lid: 'forbidden' },
    { key: 'gloves', name: 'Gloves & belts', bay: 'right-2' },
    { key: 'duvets', name: 'Spare duvets', bay: 'right-1', loose: true },
    { key: 'table', name: 'Table linen', bay: 'right-3' },
    {
      key: 'rings',
      name: 'Napkin rings & candles',
      bay: 'right-3',
      uncounted: 0.9,
    },
    { key: 'curtains', name: 'Curtains', bay: 'right-0', loose: true },
    { key: 'beach', name: 'Beach towels, May to September', bay: 'right-4' },
    { key: 'first-aid', name: 'First aid', bay: null, lid: 'required' },
    { key: 'albums', name: 'Photo albums', bay: null },
  ],
  things: [
    ['2 packs of plasters', 'keep', 'first-aid', '', 7],
    ['antiseptic cream', 'keep', 'first-aid', '', 0],
    ['2 packs of cold and flu tablets', 'keep', 'first-aid', '', -3],
    ['4 bandages', 'keep', 'first-aid', '', 26],
    ['antihistamine tablets', 'keep', 'first-aid', '', 4],
    ['1 scissors', 'keep', 'first-aid'],
    ['11 of 12 napkin rings', 'keep', 'table'],
    ['22 bath towels', 'keep', 'towels'],
    ['9 bath towels, more than enough', 'donate'],
    ['4 bath towels, torn', 'recycle', undefined, 'recycle'],
    ['34 face cloths', 'keep', 'face'],
    ['16 fitted sheets', 'keep', 'bed'],
    ['5 fitted sheets, worn through', 'discard'],
    ['14 duvet covers', 'keep', 'bed'],
    ['3 duvet covers, too many', 'donate'],
    ['30 pillowcases', 'keep', 'pillowcases'],
    ['9 pillowcases, more than enough', 'donate'],
    ['10 fitted sheets', 'keep', 'guest'],
    ['8 duvet covers', 'keep', 'guest'],
    ['4 pillows', 'keep', 'guest'],
    ['8 wool blankets', 'keep', 'blankets'],
    ['2 duvets', 'keep', 'blankets'],
    ['2 blankets, moth holes', 'discard'],
    ['26 scarves', 'keep', 'scarves'],
    ['22 hats', 'keep', 'scarves'],
    ['24 pairs of gloves', 'keep', 'gloves'],
    ['6 belts', 'keep', 'gloves'],
    ['14 tablecloths', 'keep', 'table'],
    ['2 spare duvets', 'keep', 'duvets'],
    ['2 spare pillows', 'keep', 'duvets'],
    ['2 tablecloths, from Gran', 'ask'],
    ['60 napkins', 'keep', 'table'],
    ['15 curtains', 'keep', 'curtains'],
    ['6 curtains, never used', 'sell'],
    ['16 beach towels', 'keep', 'beach'],
    ['1 first aid kit', 'keep', 'first-aid'],
    ['11 packs of tablets, out of date', 'recycle', undefined, 'pharmacy'],
    ['7 photo albums, sentimental', 'keep', 'albums'],
    ['1 hot water bottle, cracked', 'discard'],
    ['2 quilts, heirloom', 'ask'],
    ['5 bike lights', 'elsewhere', undefined, 'Garage workbench'],
    ['3 cushions', 'later'],
  ],
  fits: [['right-2', 'cost']],
  levelFits: [
    ['left-2', 'cost', ['footbridge-shelf-riser-white-2']],
    [
      'right-3',
      'cost',
      ['fennel-bin-white-1'],
      [
        ['rings', 'tansy-drawer-insert-white-0'],
        ['rings', 'tansy-drawer-insert-white-1'],
      ],
    ],
  ],
  session: { unit: 'right', minutesAgo: 74, thingCount: 12, stepsDone: 3 },
};

const spareRoom: DemoRoom = {
  key: 'spare-room',
  name: 'Spare room',
  purpose:
    'A bedroom for Grandad before winter: bed, chair, a light by the window, and a clear way to the door.',
  budget: 220,
  units: [
    {
      key: 'wardrobe',
      name: 'Wardrobe',
      kind: 'wardrobe',
      size: ['120 cm', '60 cm', '210 cm', '0'],
      bays: [
        {
          key: 'wardrobe-0',
          name: 'Wardrobe floor',
          at: [0, 0],
          size: ['114 cm', '56 cm', '38 cm'],
        },
        { key: 'wardrobe-1', name: 'Rail', at: [0, 1], size: ['114 cm', '56 cm', '118 cm'] },
        { key: 'wardrobe-2', name: 'Hat shelf', at: [0, 2], size: ['114 cm', '56 cm', '38 cm'] },
      ],
    },
    {
      key: 'under-bed',
      name: 'Under the bed',
      kind: 'under-bed',
      size: ['140 cm', '195 cm', '24 cm', '0'],
      bays: [
        {
          key: 'under-bed-0',
          name: 'Under the bed',
          at: [0, 0],
          size: ['132 cm', '190 cm', '19 cm'],
          pullOut: true,
        },
      ],
    },
  ],
  spots: [{ name: 'from the door', moments: [] }],
  groups: [],
  things: [],
};

const galley: DemoRoom = {
  key: 'galley',
  name: 'Galley',
  purpose: 'Cook for two under way, with nothing that slides or rattles.',
  budget: 70,
  units: [
    {
      key: 'galley-cup',
      name: 'Galley cupboard',
      kind: 'cupboard',
      size: [`3' 2"`, `1' 8"`, `2' 10"`, '3"'],
      bays: named(shelves('galley', 3, ['35 1/2"', '18 1/4"', '9 3/8"|9 1/2"|9 3/8"']), [
        'Galley, low',
        'Galley, middle',
        'Galley, top',
      ]).map((bay) => ({ ...bay, moist: bay.key === 'galley-0' })),
    },
  ],
  spots: [{ name: 'from the companionway', moments: ['before'] }],
  groups: [
    { key: 'pans', name: 'Pans', bay: 'galley-0', loose: true },
    { key: 'mugs', name: 'Mugs & plates', bay: 'galley-1', front: true },
    { key: 'dry', name: 'Dry food', bay: 'galley-2', lid: 'required' },
    {
      key: 'spices',
      name: 'Spices',
      bay: 'galley-1',
      front: true,
      uncounted: 1.26,
      asks: {
        line: 'Sprig',
        kinds: ['Paprika', 'Cumin', 'Oregano', 'Bay', 'Mustard', 'Pepper', 'Salt'].map((name) => ({
          name,
          litres: 0.18,
        })),
      },
    },
  ],
  things: [
    ['7 pans', 'keep', 'pans'],
    ['5 pans, duplicates', 'donate'],
    ['6 mugs', 'keep', 'mugs'],
    ['6 plates', 'keep', 'mugs'],
    ['9 mugs, chipped', 'discard'],
    ['14 packets of food', 'keep', 'dry'],
    ['8 packets of food, out of date', 'discard'],
    ['11 tins of food', 'keep', 'dry', '', 9],
    ['paprika', 'keep', undefined, '', 1],
    ['cumin', 'keep', undefined, '', 14],
    ['cumin', 'keep', undefined, '', 0],
    ['cinnamon', 'discard', undefined, '', -8],
    ['packet of dried yeast', 'keep'],
    ['oregano', 'keep', undefined, '', 20],
    ['7 plastic tubs without lid', 'recycle', undefined, 'recycle'],
  ],
  fits: [['galley-2', 'reuse']],
  levelFits: [['galley-1', 'daily', []]],
};

const lockers: DemoRoom = {
  key: 'lockers',
  name: 'Saloon lockers',
  purpose: 'Life jackets come out first, winter gear last.',
  budget: 60,
  units: [
    {
      key: 'locker',
      name: 'Port locker',
      kind: 'locker',
      size: [`6' 2"`, `1' 9"`, `1' 6"`, '0'],
      bays: [
        {
          key: 'locker-0',
          name: 'Locker, forward',
          at: [0, 0],
          size: [`2' 10"`, `1' 7"`, `1' 3"`],
          moist: true,
        },
        {
          key: 'locker-1',
          name: 'Locker, aft',
          at: [1, 0],
          size: [`2' 10"`, `1' 7"`, `1' 3"`],
          moist: true,
        },
      ],
    },
  ],
  spots: [{ name: 'from the saloon table', moments: ['before'] }],
  groups: [
    { key: 'jackets', name: 'Life jackets', bay: 'locker-0', front: true, loose: true },
    { key: 'lines', name: 'Mooring lines', bay: 'locker-1', loose: true },
  ],
  things: [
    ['3 life jackets', 'keep', 'jackets'],
    ['2 life jackets, outgrown', 'give', undefined, 'the sailing club'],
    ['4 mooring lines', 'keep', 'lines'],
    ['2 windlass keys', 'keep', 'lines'],
  ],
};

const shed: DemoRoom = {
  key: 'shed',
  name: 'Potting side',
  purpose: 'Sow, pot on and put away without stepping over anything.',
  budget: 55,
  units: [
    {
      key: 'shed-shelf',
      name: 'Potting shelves',
      kind: 'shelving',
      size: ['140 cm', '42 cm', '172 cm', '10 cm'],
      bays: named(shelves('shed', 4, ['134 cm', '40 cm', '38 cm']), [
        'Shed shelf, lowest',
        'Shed shelf, second',
        'Shed shelf, third',
        'Shed shelf, top',
      ]),
    },
  ],
  spots: [{ name: 'from the shed door', moments: ['before', 'after'] }],
  groups: [
    { key: 'pots', name: 'Pots', bay: 'shed-0', loose: true },
    { key: 'seeds', name: 'Seeds by month', bay: 'shed-2', lid: 'required', front: true },
    { key: 'hand-tools', name: 'Hand tools', bay: 'shed-1', lid: 'forbidden' },
    { key: 'fleece', name: 'Netting & fleece', bay: 'shed-3' },
  ],
  things: [
    ['34 flower pots', 'keep', 'pots'],
    ['60 flower pots, cracked', 'recycle', undefined, 'recycle'],
    ['45 packets of seeds', 'keep', 'seeds'],
    ['38 packets of seeds, out of date', 'discard'],
    ['7 trowels', 'keep', 'hand-tools'],
    ['5 trowels, duplicates', 'donate'],
    ['3 secateurs', 'keep', 'hand-tools'],
    ['6 rolls of netting', 'keep', 'fleece'],
    ['2 bottles of weedkiller, out of date', 'recycle', undefined, 'hazardous'],
    ['3 watering cans, leaking', 'recycle', undefined, 'recycle'],
    ['2 bags of compost', 'give', undefined, 'plot 24'],
  ],
  fits: [
    ['shed-2', 'reuse'],
    ['shed-1', 'cost'],
    ['shed-3', 'cost'],
  ],
  bought: 'all',
};

export const demoHomes: readonly DemoHome[] = [
  {
    key: 'quarry-row',
    name: '14 Quarry Row',
    budget: 750,
    readyInDays: 18,
    startedDaysAgo: 21,
    status: 'active',
    people: [
      ['Nora', '168 cm'],
      ['Tom', '181 cm'],
      ['Ida', '121 cm', 'child'],
      ['Grandad Alf', '1.72 m', 'noStep'],
    ],
    owned: [
      {
        name: 'Shoe box, covered',
        kind: 'box',
        material: 'card',
        size: [195, 330, 120],
        litres: 7,
        count: 6,
        traits: 'LS',
      },
      {
        name: 'Ice-cream tub',
        kind: 'tub',
        material: 'plastic',
        size: [170, 240, 110],
        litres: 3.4,
        count: 8,
        traits: 'LS',
      },
      {
        name: 'Biscuit tin',
        kind: 'box',
        material: 'metal',
        size: [210, 210, 95],
        litres: 3.3,
        count: 3,
        traits: 'LS',
      },
      {
        name: 'Wooden wine box',
        kind: 'box',
        material: 'wood',
        size: [330, 260, 180],
        litres: 12,
        count: 2,
      },
    ],
    made: [
      ['Parcel box cut in half', 3],
      ['Cereal box as a file holder', 4],
      ['Half-litre tin', 6],
      ['Egg box for small parts', 2],
    ],
    giftCards: [['sample-shop-loft', 1500]],
    rooms: [bootRoom, musicRoom, workbench, linenPress, spareRoom],
  },
  {
    key: 'narrowboat',
    name: 'Narrowboat Marsh Wren',
    budget: 150,
    readyInDays: 40,
    startedDaysAgo: 6,
    status: 'active',
    people: [
      ['Petra', `5' 6"`],
      ['Joss', `5' 11 1/2"`],
    ],
    owned: [
      {
        name: 'Screw-top tub',
        kind: 'tub',
        material: 'plastic',
        size: [140, 140, 170],
        litres: 2.6,
        count: 8,
        traits: 'LCR',
      },
    ],
    rooms: [galley, lockers],
  },
  {
    key: 'allotment',
    name: 'Plot 23, allotment shed',
    budget: 60,
    readyInDays: -35,
    startedDaysAgo: 80,
    status: 'finished',
    people: [['Maud', '159 cm', 'noStep']],
    owned: [
      {
        name: 'Seed tin',
        kind: 'box',
        material: 'metal',
        size: [230, 160, 110],
        litres: 3.2,
        count: 4,
        traits: 'LS',
      },
      {
        name: 'Apple crate',
        kind: 'box',
        material: 'wood',
        size: [400, 300, 240],
        litres: 23,
        count: 3,
      },
    ],
    rooms: [shed],
  },
];
