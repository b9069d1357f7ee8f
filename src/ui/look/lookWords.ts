import {
  type DivideColumnError,
  type DoorSwing,
  type FixtureKind,
  type LayOutUnitError,
  type Moment,
  type Reach,
  type TraceWallsError,
  type UnitDoor,
  type UnitKind,
  type PlanClash,
} from '@/core/look';
import { assertNever, formatLength, type LengthUnit } from '@/core/shared';

export const momentWords: Readonly<Record<Moment, string>> = {
  before: 'Before',
  emptied: 'Emptied',
  'mock-up': 'Mock-up',
  after: 'After',
  later: 'Looked at again',
};
export const unitKindWords: Readonly<Record<UnitKind, string>> = {
  cupboard: 'Cupboard with shelves',
  drawers: 'Stack of drawers',
  'under-basin': 'Under a basin',
  shelving: 'Open shelving',
  cubes: 'Grid of cubes',
  wardrobe: 'Wardrobe with rail',
  fridge: 'Fridge',
  locker: 'Locker',
  bench: 'Bench',
  hooks: 'Wall with hooks',
  'under-bed': 'Under a bed',
  'cupboard-top': 'Top of a cupboard',
  other: 'Something else',
};
export const unitDoorWords: Readonly<Record<UnitDoor, string>> = {
  none: 'no door',
  left: 'door, hinged left',
  right: 'door, hinged right',
  pair: 'a pair of doors',
  slides: 'sliding doors',
};
export const fixtureKindWords: Readonly<Record<FixtureKind, string>> = {
  door: 'Door',
  window: 'Window',
  socket: 'Socket',
  radiator: 'Radiator',
  meter: 'Meter',
  valve: 'Valve',
  station: 'Station',
};
export const doorSwingWords: Readonly<Record<DoorSwing, string>> = {
  'in-start': 'into the room, hinged left',
  'in-end': 'into the room, hinged right',
  out: 'out of the room',
  slides: 'slides',
};
export const reachWords: Readonly<Record<Reach, string>> = {
  squat: 'squats',
  bend: 'bends',
  easy: 'easy',
  high: 'reaches up',
  stretch: 'stretches',
  step: 'needs a step',
};
export function traceWallsWords(error: TraceWallsError, units: LengthUnit): string {
  switch (error.code) {
    case 'walls_turn_wrong':
      return (
        `Going round a room takes four more right turns than left ones; here are ${error.rightTurns} ` +
        `right and ${error.leftTurns} left`
      );
    case 'walls_do_not_meet': {
      const gaps = [
        [error.acrossMm, 'across'],
        [error.downMm, 'lengthwise'],
      ] as const;
      return `The walls do not meet: ${gaps
        .filter(([mm]) => Math.abs(mm) > 0.5)
        .map(([mm, way]) => `${formatLength(Math.abs(mm), units)} ${way}`)
        .join(' and ')} apart at the last corner. One of them was read wrongly`;
    }
    case 'walls_cross':
      return `Wall ${error.wallIndex + 1} and wall ${error.otherIndex + 1} meet in the middle; check their turns`;
    default:
      return assertNever(error);
  }
}
export function divideColumnWords(error: DivideColumnError, units: LengthUnit): string {
  switch (error.code) {
    case 'shelf_outside':
      return `A shelf at ${formatLength(error.shelfMm, units)} is not inside the ${formatLength(error.insideMm, units)} of this column`;
    case 'shelves_too_close':
      return `Shelves at ${formatLength(error.shelfMm, units)} and ${formatLength(error.nextMm, units)} leave nothing between them`;
    default:
      return assertNever(error);
  }
}
export function pictureErrorWords({
  code,
}: {
  readonly code: 'picture_too_large' | 'not_a_picture' | 'picture_is_heic' | 'picture_damaged';
}): string {
  switch (code) {
    case 'picture_too_large':
      return 'This file is larger than 25 MB; send the picture, not the raw file.';
    case 'not_a_picture':
      return 'This file is not a picture that can be read here. JPEG, PNG, WebP, TIFF and AVIF can.';
    case 'picture_is_heic':
      return (
        'This is a HEIC picture, which cannot be read here. Set the phone’s camera to take JPEG ' +
        '(“most compatible”), or send it as JPEG.'
      );
    case 'picture_damaged':
      return 'This picture is damaged and could not be read to its end. Take or send it again.';
    default:
      return assertNever(code);
  }
}
export function layOutErrorWords(
  error: LayOutUnitError,
  units: LengthUnit,
  bayName: (id: string) => string,
): string {
  const say = (mm: number) => formatLength(mm, units);
  switch (error.code) {
    case 'bays_wider_than_unit':
      return `The columns are ${say(error.sumMm)} wide together, the unit is ${say(error.unitMm)}`;
    case 'bays_taller_than_unit':
      return `Column ${error.columnIndex + 1} is ${say(error.sumMm)} high in all, the unit is ${say(error.unitMm)}`;
    case 'bay_deeper_than_unit':
      return `${bayName(error.bayId)} is ${say(error.bayMm)} deep inside, the unit is ${say(error.unitMm)} outside`;
    case 'two_bays_in_one_place':
      return `${bayName(error.bayId)} has the same column and row as another place`;
    case 'opening_larger':
      return `The opening of ${bayName(error.bayId)} is ${say(error.openingMm)}, the inside only ${say(error.insideMm)}`;
    case 'obstacle_outside':
      return `“${error.label}” does not lie inside ${bayName(error.bayId)}; it counts from the front left bottom corner`;
    default:
      return assertNever(error);
  }
}
/** Spots are mostly named "from the door"; one that is not gets the word. */
export const fromWords = (spot: string): string =>
  /^from\b/i.test(spot) ? spot.replace(/^From/, 'from') : `from ${spot}`;
interface ClashNames {
  readonly nameOf: (id: string) => string;
  readonly units: LengthUnit;
}
/** A clash in a sentence that says what to do about what. */
export function clashWords(clash: PlanClash, { nameOf, units }: ClashNames): string {
  const by = (id: string | null) => (id === null ? 'the wall' : nameOf(id));
  const size = (mm: number) => formatLength(mm, units);
  switch (clash.code) {
    case 'unit_outside':
      return `${nameOf(clash.unitId)} does not stand inside the room here`;
    case 'fixture_outside':
      return `${nameOf(clash.fixtureId)} goes past the end of its wall`;
    case 'units_overlap':
      return `${nameOf(clash.unitId)} and ${by(clash.by)} stand in the same place`;
    case 'door_blocked':
      return `${by(clash.by)} blocks ${nameOf(clash.fixtureId)}`;
    case 'fixture_blocked':
      return `${by(clash.by)} covers ${nameOf(clash.fixtureId)}, which has to stay within reach`;
    case 'window_covered':
      return `${by(clash.by)} stands before ${nameOf(clash.fixtureId)}`;
    case 'pull_out_hits':
      return `What pulls out of ${nameOf(clash.unitId)} hits ${by(clash.by)}`;
    case 'leaf_hits':
      return `The door of ${nameOf(clash.unitId)} hits ${by(clash.by)}`;
    case 'clear_space_taken':
      return `“${nameOf(clash.checkId)}” needs floor that ${by(clash.by)} takes`;
    case 'clear_space_missing':
      return (
        `“${nameOf(clash.checkId)}” finds no room; the largest free floor is ` +
        `${size(clash.rect.width)} × ${size(clash.rect.depth)}`
      );
    case 'table_too_small':
      return `“${nameOf(clash.checkId)}”: the table has ${size(clash.rect.width)} × ${size(clash.rect.depth)} free`;
    default:
      return assertNever(clash);
  }
}
