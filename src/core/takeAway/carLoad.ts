import type { Car } from './model';

/**
 * Boxes and bags do not fill a car: between these shares of its room stay air. An assumption, from
 * loading boxes of 60 × 40 × 30 cm into car sizes; by hand a careful packer loses less.
 */
export const AIR = { low: 0.12, likely: 0.2, high: 0.3 } as const;
/** What is long and of unknown thickness is taken for so thick. */
export const LONG_THING_MM = 150;

export interface CarUse {
  readonly seatsDown: boolean;
  readonly withTrailer: boolean;
}
export interface CarRoom {
  /** Inside measures, all of it. */
  readonly grossLitres: number;
  /** What is planned with: less the air that is likely lost. */
  readonly litres: number;
  readonly lowLitres: number;
  readonly highLitres: number;
  readonly maxG: number;
  /** The longest thing of `LONG_THING_MM` that goes in, in the car or on the trailer. */
  readonly longMm: number;
}

const lengthOf = (car: Car, { seatsDown }: CarUse): number =>
  seatsDown && car.downLengthMm !== null ? car.downLengthMm : car.lengthMm;

export function roomOfCar(car: Car, use: CarUse): CarRoom {
  const trailer = use.withTrailer ? car.trailer : null;
  const inside = (car.widthMm * car.heightMm * lengthOf(car, use)) / 1e6;
  const grossLitres = inside + (trailer?.litres ?? 0);
  return {
    grossLitres,
    litres: grossLitres * (1 - AIR.likely),
    lowLitres: grossLitres * (1 - AIR.high),
    highLitres: grossLitres * (1 - AIR.low),
    maxG: car.maxG + (trailer?.maxG ?? 0),
    longMm: Math.max(longestIn(car, use), trailer?.lengthMm ?? 0),
  };
}

/** How a long thing lies in the car. Angles against the car's length, seen from above. */
export type LongWay =
  | { readonly way: 'straight' }
  | { readonly way: 'diagonal'; readonly angleDeg: number }
  | { readonly way: 'trailer' }
  | { readonly way: 'too_long'; readonly longestMm: number };

/**
 * A rectangle of `longMm` × `wideMm` on a floor of L × W lies at an angle t where
 * l·cos t + w·sin t <= L and l·sin t + w·cos t <= W. Tried by tenths of a degree.
 */
function angleOf(
  longMm: number,
  { lengthMm, widthMm }: { readonly lengthMm: number; readonly widthMm: number },
  wideMm: number,
): number | undefined {
  for (let tenth = 0; tenth <= 900; tenth += 1) {
    const t = (tenth * Math.PI) / 1800;
    const along = longMm * Math.cos(t) + wideMm * Math.sin(t);
    const across = longMm * Math.sin(t) + wideMm * Math.cos(t);
    if (along <= lengthMm + 1e-6 && across <= widthMm + 1e-6) return tenth / 10;
  }
  return undefined;
}

/** The longest of `LONG_THING_MM` that lies on its floor, to the centimetre below. */
function longestIn(car: Car, use: CarUse): number {
  const floor = { lengthMm: lengthOf(car, use), widthMm: car.widthMm };
  let [low, high] = [0, Math.hypot(floor.lengthMm, floor.widthMm)];
  while (high - low > 1) {
    const middle = (low + high) / 2;
    if (angleOf(middle, floor, LONG_THING_MM) === undefined) high = middle;
    else low = middle;
  }
  return Math.floor(low / 10) * 10;
}

export function howLongLies(longMm: number, car: Car, use: CarUse): LongWay {
  const floor = { lengthMm: lengthOf(car, use), widthMm: car.widthMm };
  const angle = angleOf(longMm, floor, LONG_THING_MM);
  if (angle === 0) return { way: 'straight' };
  if (angle !== undefined) return { way: 'diagonal', angleDeg: Math.round(angle) };
  if (use.withTrailer && car.trailer && longMm <= car.trailer.lengthMm) return { way: 'trailer' };
  return { way: 'too_long', longestMm: roomOfCar(car, use).longMm };
}

/** A box in the drawing of the load, by shares of the car's room from back seat to tailgate. */
export interface LoadSlice {
  readonly boxId: string;
  readonly fromRatio: number;
  readonly toRatio: number;
}

/**
 * Where the boxes of a trip stand: what comes out last goes in first, against the seats; each takes
 * its share of the room. `boxes` in the order of the stops.
 */
export function layLoad(
  boxes: readonly { readonly id: string; readonly litres: number }[],
  roomLitres: number,
): LoadSlice[] {
  let at = 0;
  return [...boxes].reverse().map(({ id, litres }) => {
    const fromRatio = at;
    at += litres / roomLitres;
    return { boxId: id, fromRatio, toRatio: at };
  });
}
