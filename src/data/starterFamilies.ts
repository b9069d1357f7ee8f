import type { ContainerProduct, LevelFacts } from '@/core/fit';

/** One product of a line that comes in several sizes. */
export interface FamilyProduct {
  readonly key: string;
  readonly name: string;
  readonly line: string;
  readonly colour: string;
  readonly kind: ContainerProduct['kind'];
  readonly material: ContainerProduct['material'];
  readonly sizeMm: readonly [width: number, depth: number, height: number];
  readonly litres: number;
  /** As in the starter catalogue: L lid, C see-through, S stacks, R round, F fixed way round. */
  readonly traits: string;
  readonly priceMinor: number;
  readonly level: LevelFacts | null;
}

interface Family {
  readonly line: string;
  readonly noun: string;
  readonly kind: ContainerProduct['kind'];
  readonly material: ContainerProduct['material'];
  readonly colours: readonly string[];
  readonly traits: string;
  /** Share of the outer volume that is inside: tapered and thick-walled lines hold less. */
  readonly inside: number;
  readonly sizesMm: readonly (readonly [number, number, number])[];
  /** Minor units a piece and a litre. */
  readonly price: readonly [piece: number, litre: number];
  /** What all sizes share beside their sizes. */
  readonly level?: LevelFacts;
}

/** Made-up lines in plausible sizes; two colours of a size are two products, as in a shop. */
const families: readonly Family[] = [
  {
    line: 'Fennel',
    noun: 'bin',
    kind: 'bin',
    material: 'plastic',
    colours: ['white', 'sage'],
    traits: '',
    inside: 0.82,
    price: [190, 24],
    sizesMm: [
      [105, 250, 120],
      [140, 280, 150],
      [180, 280, 150],
      [210, 320, 200],
      [260, 320, 220],
      [300, 380, 240],
    ],
  },
  {
    line: 'Glasswort',
    noun: 'clear bin',
    kind: 'bin',
    material: 'plastic',
    colours: ['clear'],
    traits: 'CS',
    inside: 0.86,
    price: [230, 30],
    sizesMm: [
      [80, 280, 100],
      [110, 300, 130],
      [145, 300, 130],
      [165, 350, 150],
      [220, 350, 150],
      [250, 400, 200],
      [300, 400, 150],
    ],
  },
  {
    line: 'Glasswort',
    noun: 'clear box with lid',
    kind: 'box',
    material: 'plastic',
    colours: ['clear'],
    traits: 'LCS',
    inside: 0.85,
    price: [270, 31],
    sizesMm: [
      [130, 190, 100],
      [170, 240, 120],
      [200, 290, 140],
      [240, 330, 170],
      [270, 390, 210],
      [330, 450, 260],
    ],
  },
  {
    line: 'Lamplight',
    noun: 'box with lid',
    kind: 'box',
    material: 'plastic',
    colours: ['cream', 'slate'],
    traits: 'LS',
    inside: 0.84,
    price: [240, 26],
    sizesMm: [
      [180, 260, 120],
      [220, 310, 150],
      [260, 370, 190],
      [300, 420, 240],
    ],
  },
  {
    line: 'Haystack',
    noun: 'stacking drawer',
    kind: 'stacking drawer',
    material: 'plastic',
    colours: ['clear', 'white'],
    traits: 'CS',
    inside: 0.74,
    price: [480, 34],
    sizesMm: [
      [180, 340, 110],
      [240, 340, 140],
      [300, 340, 140],
      [300, 340, 210],
    ],
  },
  {
    line: 'Oxbow',
    noun: 'basket',
    kind: 'basket',
    material: 'fabric',
    colours: ['oat', 'charcoal'],
    traits: '',
    inside: 0.88,
    price: [360, 29],
    sizesMm: [
      [200, 280, 160],
      [260, 330, 200],
      [310, 380, 240],
      [300, 300, 290],
    ],
  },
  {
    line: 'Reedmace',
    noun: 'woven basket',
    kind: 'basket',
    material: 'wicker',
    colours: ['natural'],
    traits: '',
    inside: 0.78,
    price: [560, 42],
    sizesMm: [
      [210, 280, 150],
      [260, 340, 190],
      [300, 400, 230],
      [350, 350, 300],
    ],
  },
  {
    line: 'Tidemark',
    noun: 'drawer box',
    kind: 'drawer',
    material: 'plastic',
    colours: ['clear', 'white'],
    traits: 'C',
    inside: 0.84,
    price: [130, 42],
    sizesMm: [
      [75, 75, 50],
      [75, 150, 50],
      [75, 230, 50],
      [75, 305, 50],
      [150, 150, 50],
      [150, 230, 50],
      [150, 305, 50],
      [230, 305, 50],
      [100, 300, 80],
    ],
  },
  {
    line: 'Tidemark',
    noun: 'bamboo drawer box',
    kind: 'drawer',
    material: 'wood',
    colours: ['bamboo'],
    traits: '',
    inside: 0.76,
    price: [240, 60],
    sizesMm: [
      [80, 150, 65],
      [80, 230, 65],
      [80, 380, 65],
      [150, 230, 65],
      [150, 380, 65],
    ],
  },
  {
    line: 'Cooper',
    noun: 'wire basket',
    kind: 'basket',
    material: 'metal',
    colours: ['black', 'brass'],
    traits: 'S',
    inside: 0.9,
    price: [420, 30],
    sizesMm: [
      [200, 280, 130],
      [260, 330, 160],
      [310, 390, 190],
    ],
  },
  {
    line: 'Plainsong',
    noun: 'card box with lid',
    kind: 'box',
    material: 'card',
    colours: ['grey', 'kraft'],
    traits: 'LS',
    inside: 0.88,
    price: [150, 17],
    sizesMm: [
      [170, 250, 110],
      [220, 310, 150],
      [260, 350, 180],
      [320, 430, 250],
    ],
  },
  {
    line: 'Larder',
    noun: 'square jar',
    kind: 'jar',
    material: 'glass',
    colours: ['clear'],
    traits: 'LCS',
    inside: 0.72,
    price: [180, 170],
    sizesMm: [
      [80, 80, 110],
      [90, 90, 150],
      [100, 100, 190],
      [100, 100, 260],
    ],
  },
  {
    line: 'Larder',
    noun: 'tub with lid',
    kind: 'tub',
    material: 'plastic',
    colours: ['clear'],
    traits: 'LCS',
    inside: 0.8,
    price: [160, 75],
    sizesMm: [
      [100, 150, 90],
      [100, 150, 160],
      [100, 200, 220],
      [150, 200, 220],
    ],
  },
  {
    line: 'Carousel',
    noun: 'turntable',
    kind: 'turntable',
    material: 'plastic',
    colours: ['clear', 'white'],
    traits: 'CR',
    inside: 0.7,
    price: [520, 80],
    sizesMm: [
      [230, 230, 90],
      [280, 280, 90],
      [330, 330, 100],
    ],
  },
  {
    line: 'Almanac',
    noun: 'file holder',
    kind: 'file holder',
    material: 'card',
    colours: ['grey', 'kraft'],
    traits: '',
    inside: 0.86,
    price: [150, 18],
    sizesMm: [
      [80, 240, 300],
      [100, 250, 310],
    ],
  },
  {
    line: 'Sidings',
    noun: 'pull-out tray',
    kind: 'pull-out',
    material: 'metal',
    colours: ['white'],
    traits: 'F',
    inside: 0.8,
    price: [1650, 30],
    sizesMm: [
      [260, 440, 120],
      [310, 450, 120],
      [360, 450, 120],
      [410, 460, 130],
    ],
  },
  {
    line: 'Footbridge',
    noun: 'shelf riser',
    kind: 'riser',
    material: 'metal',
    colours: ['white'],
    traits: '',
    inside: 0.9,
    price: [490, 22],
    sizesMm: [
      [250, 200, 150],
      [330, 220, 150],
      [410, 230, 170],
    ],
  },
  {
    line: 'Footbridge',
    noun: 'bottle rack',
    kind: 'rack',
    material: 'metal',
    colours: ['white'],
    traits: 'S',
    inside: 0.7,
    price: [620, 26],
    sizesMm: [
      [220, 300, 110],
      [330, 300, 110],
    ],
  },
  {
    line: 'Footbridge',
    noun: 'lid and pan rack',
    kind: 'rack',
    material: 'metal',
    colours: ['black'],
    traits: '',
    inside: 0.82,
    price: [690, 22],
    sizesMm: [
      [180, 300, 190],
      [240, 350, 200],
    ],
  },
  {
    line: 'Footbridge',
    noun: 'door strip with hooks',
    kind: 'hook strip',
    material: 'wood',
    colours: ['oak'],
    traits: 'F',
    inside: 0.9,
    price: [540, 30],
    sizesMm: [
      [350, 60, 250],
      [500, 60, 250],
    ],
  },
  {
    line: 'Footbridge',
    noun: 'pull-apart riser',
    kind: 'riser',
    material: 'metal',
    colours: ['white'],
    traits: '',
    inside: 0.9,
    price: [890, 22],
    sizesMm: [
      [380, 240, 140],
      [420, 300, 180],
    ],
    level: { mostWidthMm: 700, topLoadG: 9000 },
  },
  {
    line: 'Carousel',
    noun: 'tier for a turntable',
    kind: 'turntable',
    material: 'plastic',
    colours: ['white'],
    traits: 'RS',
    inside: 0.5,
    price: [780, 60],
    sizesMm: [
      [280, 280, 40],
      [330, 330, 40],
    ],
    level: { plateHeightMm: 25, rimMm: 6, levelGapMm: 165, topLoadG: 6000 },
  },
  {
    line: 'Tansy',
    noun: 'drawer insert',
    kind: 'drawer insert',
    material: 'plastic',
    colours: ['white'],
    traits: '',
    inside: 0.86,
    price: [95, 60],
    sizesMm: [
      [75, 150, 55],
      [120, 180, 90],
      [130, 260, 110],
    ],
  },
  {
    line: 'Tansy',
    noun: 'divider, pulled out to fit',
    kind: 'divider',
    material: 'plastic',
    colours: ['white'],
    traits: '',
    inside: 0.5,
    price: [420, 400],
    sizesMm: [
      [310, 12, 60],
      [330, 12, 100],
    ],
    level: { mostWidthMm: 520 },
  },
  {
    line: 'Sprig',
    noun: 'jar',
    kind: 'jar',
    material: 'glass',
    colours: ['clear'],
    traits: 'LCR',
    inside: 0.55,
    price: [120, 90],
    sizesMm: [
      [65, 65, 100],
      [80, 80, 140],
      [105, 105, 170],
    ],
  },
  {
    line: 'Footbridge',
    noun: 'under-shelf basket',
    kind: 'under-shelf basket',
    material: 'metal',
    colours: ['white'],
    traits: 'F',
    inside: 0.8,
    price: [590, 30],
    sizesMm: [
      [300, 250, 110],
      [400, 260, 140],
    ],
    level: { clipMostMm: 25 },
  },
  {
    line: 'Footbridge',
    noun: 'bottle row',
    kind: 'rack',
    material: 'metal',
    colours: ['white'],
    traits: '',
    inside: 0.6,
    price: [690, 20],
    sizesMm: [
      [290, 280, 110],
      [390, 280, 110],
    ],
    level: { places: 3, placeDiameterMm: 90 },
  },
];

/** Every size in every colour, named as a shop would: line, what it is, its width by depth in cm. */
export const familyProducts: readonly FamilyProduct[] = families.flatMap((family) =>
  family.sizesMm.flatMap((sizeMm, size) =>
    family.colours.map((colour): FamilyProduct => {
      const litres =
        Math.round(((sizeMm[0] * sizeMm[1] * sizeMm[2]) / 1e6) * family.inside * 10) / 10;
      const cm = sizeMm
        .slice(0, 2)
        .map((mm) => Math.round(mm / 10))
        .join(' × ');
      return {
        key: `${family.line}-${family.noun}-${colour}-${size}`
          .toLowerCase()
          .replace(/[^a-z0-9]+/g, '-'),
        name: `${family.line} ${family.noun}, ${family.colours.length > 1 ? `${colour}, ` : ''}${cm} × ${Math.round(sizeMm[2] / 10)} cm`,
        line: family.line,
        colour,
        kind: family.kind,
        material: family.material,
        sizeMm,
        litres: Math.max(0.1, litres),
        level: family.level ?? null,
        traits: colour === 'clear' ? family.traits : family.traits.replace('C', ''),
        // Ends on 5 or 0, as prices do.
        priceMinor: Math.round((family.price[0] + family.price[1] * Math.max(0.1, litres)) / 5) * 5,
      };
    }),
  ),
);
