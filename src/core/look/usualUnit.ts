import type { Obstacle, UnitDoor, UnitKind } from './model';

/** A place of a usual unit; sizes inside, in mm. */
interface UsualBay {
  readonly name: string;
  readonly columnIndex: number;
  readonly rowIndex: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly heightMm: number;
  readonly pullOut: boolean;
  readonly moist: boolean;
  readonly warm: boolean;
  readonly light: boolean;
  readonly obstacles: readonly Obstacle[];
}
/** What a unit of a kind usually is: something to start from, replaced by what the tape says. */
export interface UsualUnit {
  readonly widthMm: number;
  readonly depthMm: number;
  readonly heightMm: number;
  readonly floorGapMm: number;
  readonly door: UnitDoor;
  readonly holePitchMm: number | undefined;
  readonly bays: readonly UsualBay[];
}

type Traits = Partial<Pick<UsualBay, 'pullOut' | 'moist' | 'warm' | 'light' | 'obstacles'>>;
type Size = readonly [widthMm: number, depthMm: number, heightMm: number];

const bay = (
  name: string,
  [columnIndex, rowIndex]: readonly [number, number],
  [widthMm, depthMm, heightMm]: Size,
  traits: Traits = {},
): UsualBay => ({
  name,
  columnIndex,
  rowIndex,
  widthMm,
  depthMm,
  heightMm,
  pullOut: false,
  moist: false,
  warm: false,
  light: false,
  obstacles: [],
  ...traits,
});
const column = (word: string, count: number, size: Size, traits: Traits = {}): UsualBay[] =>
  Array.from({ length: count }, (_, row) => bay(`${word} ${row + 1}`, [0, row], size, traits));
const unit = (
  [widthMm, depthMm, heightMm]: Size,
  bays: readonly UsualBay[],
  more: Partial<Pick<UsualUnit, 'floorGapMm' | 'door' | 'holePitchMm'>> = {},
): UsualUnit => ({
  widthMm,
  depthMm,
  heightMm,
  floorGapMm: 0,
  door: 'none',
  holePitchMm: undefined,
  bays,
  ...more,
});

/** The trap and the pipes of a basin, as they usually come down at the back. */
const PLUMBING: readonly Obstacle[] = [
  { label: 'trap', x: 190, y: 200, z: 280, width: 180, depth: 200, height: 260 },
  { label: 'pipes', x: 200, y: 400, z: 0, width: 160, depth: 80, height: 540 },
];

/** Most shelves have their holes 32 mm apart. */
const HOLE_PITCH_MM = 32;

const USUAL: Readonly<Record<UnitKind, UsualUnit>> = {
  cupboard: unit([800, 400, 1950], column('Shelf', 5, [764, 370, 360]), {
    door: 'pair',
    holePitchMm: HOLE_PITCH_MM,
  }),
  drawers: unit([600, 500, 900], column('Drawer', 4, [540, 450, 180], { pullOut: true })),
  'under-basin': unit(
    [600, 520, 600],
    [bay('Under the basin', [0, 0], [560, 490, 560], { moist: true, obstacles: PLUMBING })],
    { floorGapMm: 100, door: 'pair' },
  ),
  shelving: unit([900, 300, 1800], column('Shelf', 5, [860, 290, 330], { light: true }), {
    holePitchMm: HOLE_PITCH_MM,
  }),
  cubes: unit(
    [1120, 390, 1120],
    Array.from({ length: 9 }, (_, i) =>
      bay(`Cube ${i + 1}`, [i % 3, Math.floor(i / 3)], [335, 380, 335]),
    ),
  ),
  wardrobe: unit(
    [1000, 600, 2100],
    [
      bay('Wardrobe floor', [0, 0], [960, 570, 400]),
      bay('Rail', [0, 1], [960, 570, 1150]),
      bay('Hat shelf', [0, 2], [960, 570, 380]),
    ],
    { door: 'pair' },
  ),
  fridge: unit(
    [600, 600, 1750],
    [
      ...column('Fridge shelf', 4, [460, 330, 240], { moist: true }),
      bay('Salad drawer', [0, 4], [450, 320, 190], { moist: true, pullOut: true }),
    ].map((each, i) => ({ ...each, rowIndex: i === 4 ? 0 : i + 1 })),
    { door: 'right' },
  ),
  locker: unit(
    [1500, 500, 450],
    [bay('Locker, left', [0, 0], [700, 460, 400]), bay('Locker, right', [1, 0], [700, 460, 400])],
  ),
  bench: unit([1400, 600, 880], [bay('Under the bench', [0, 0], [1300, 560, 700])]),
  hooks: unit([1000, 120, 300], [bay('Hooks', [0, 0], [1000, 110, 280], { light: true })], {
    floorGapMm: 1400,
  }),
  'under-bed': unit(
    [1400, 1900, 220],
    [bay('Under the bed', [0, 0], [1320, 1880, 180], { pullOut: true })],
  ),
  'cupboard-top': unit(
    [1000, 560, 300],
    [bay('On top', [0, 0], [1000, 560, 280], { light: true })],
    { floorGapMm: 2100 },
  ),
  other: unit([600, 400, 800], [bay('Place 1', [0, 0], [560, 380, 700])]),
};

/**
 * What a unit of a kind usually measures. Source: common furniture sizes, stated as a start and
 * never as a measure.
 */
export const usualUnitOf = (kind: UnitKind): UsualUnit => USUAL[kind];
