import type { ContainerRole } from './codes';
import type { FitContainer } from './model';
import type { LevelFacts, Product } from './levelModel';

/** What each kind does beside holding a group. A rack does only where its places are known. */
export function roleOfProduct({ kind, width, depth, level }: Product): ContainerRole {
  switch (kind) {
    case 'riser':
      return 'riser';
    case 'turntable':
      return width.mm === depth.mm ? 'turntable' : 'box';
    case 'pull-out':
      return 'pull-out';
    case 'rack':
      return level?.places === undefined ? 'box' : 'rack';
    case 'hook strip':
      return 'hooks';
    case 'rail':
      return 'rail';
    case 'drawer insert':
      return 'insert';
    case 'divider':
      return 'divider';
    case 'under-shelf basket':
      return 'under-shelf';
    default:
      return 'box';
  }
}

/** Thickness of a riser's plate and legs, height of a plate and its rim: usual ones, mm. */
const USUAL = { plate: 8, legs: 10, turntable: 25, rim: 4, hook: 50, clip: 25, place: 85 } as const;

/** What is said to bear nothing else bears: a riser 8 kg, a turntable 5, a pull-out 10, a hook half a kilogram. */
const USUAL_G = { riser: 8000, turntable: 5000, pullOut: 10_000, hook: 500 } as const;

/** Of its depth a pull-out comes out. */
const USUAL_TRAVEL = 0.75;

/**
 * What is assumed of a product of its kind until somebody says: no more than most of them have. Each can be corrected
 * in the field of its name.
 */
export function usualLevelOf(product: Product): LevelFacts {
  const { width, depth, height } = product;
  switch (roleOfProduct(product)) {
    case 'riser':
      return {
        underHeightMm: Math.max(1, height.mm - USUAL.plate),
        underWidthMm: Math.max(1, width.mm - 2 * USUAL.legs),
        topLoadG: USUAL_G.riser,
      };
    case 'turntable':
      return {
        plateHeightMm: Math.min(USUAL.turntable, height.mm),
        rimMm: USUAL.rim,
        topLoadG: USUAL_G.turntable,
      };
    case 'pull-out':
      return { travelMm: Math.round(depth.mm * USUAL_TRAVEL), topLoadG: USUAL_G.pullOut };
    case 'hooks':
    case 'rail':
      return { hooks: Math.max(1, Math.floor(width.mm / USUAL.hook)), hookLoadG: USUAL_G.hook };
    case 'rack':
      return { placeDiameterMm: Math.min(USUAL.place, Math.max(width.mm, depth.mm)) };
    case 'under-shelf':
      return { clipMostMm: USUAL.clip };
    default:
      return {};
  }
}

/** What is known of it, and of the rest what is usual. */
export const levelOf = (product: Product): LevelFacts => ({
  ...usualLevelOf(product),
  ...(product.level ?? {}),
});

type LevelFields = Pick<
  FitContainer,
  | 'role'
  | 'underHeight'
  | 'underWidth'
  | 'mostWidth'
  | 'topLoadG'
  | 'plateHeight'
  | 'rim'
  | 'levelGap'
  | 'hooks'
  | 'hookLoadG'
  | 'places'
  | 'placeDiameter'
  | 'travel'
  | 'clipMost'
>;

/** As the engine wants it; nothing for a box. */
export function toLevelFields(product: Product): LevelFields {
  const role = roleOfProduct(product);
  if (role === 'box') return {};
  const facts = levelOf(product);
  const fields: Record<string, number | undefined> = {
    underHeight: least(facts.underHeightMm, product.height.mm),
    underWidth: least(facts.underWidthMm, product.width.mm),
    mostWidth:
      facts.mostWidthMm === undefined ? undefined : Math.max(facts.mostWidthMm, product.width.mm),
    topLoadG: facts.topLoadG,
    plateHeight: least(facts.plateHeightMm, product.height.mm),
    rim: facts.rimMm,
    levelGap: facts.levelGapMm,
    hooks: facts.hooks,
    hookLoadG: facts.hookLoadG,
    places: facts.places,
    placeDiameter: facts.placeDiameterMm,
    travel: facts.travelMm,
    clipMost: facts.clipMostMm,
  };
  const known = Object.entries(fields).filter(([, value]) => value !== undefined);
  return { role, ...(Object.fromEntries(known) as LevelFields) };
}

/** A size that was corrected may be less than what is said to be in it. */
const least = (value: number | undefined, most: number): number | undefined =>
  value === undefined ? undefined : Math.min(value, most);
