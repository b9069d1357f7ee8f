import type { CautionCode } from '../things';

/** What a visit can want along, in the order of packing. */
export const bringCodes = [
  'boxes',
  'bags',
  'labels',
  'liner',
  'drill_level',
  'gloves',
  'sharps_box',
  'tape_measure',
  'camera',
  'purchases',
] as const;
export type BringCode = (typeof bringCodes)[number];

/** One thing to bring. */
export interface BringLine {
  readonly code: BringCode;
  /** How many at the least and at the most; none where it is one thing. */
  readonly count: readonly [low: number, high: number] | undefined;
  /** What it is for, by name: rooms, purchases. */
  readonly because: readonly string[];
}

/** What is known of a room that a visit goes to. */
export interface BringRoom {
  readonly name: string;
  /** Litres that lie in the sections of the visit. */
  readonly litres: number;
  /** Containers of the fits that are taken. */
  readonly labelCount: number;
  readonly linedCount: number;
  readonly fixingCount: number;
  readonly cautions: readonly CautionCode[];
  readonly usualCount: number;
  readonly missingBefore: number;
  /** Bought since the last visit: they wait where the organizer is. */
  readonly waiting: readonly string[];
}

/** Of what lies there so much leaves, where the home has not shown its own share yet: an assumption. */
const LEAVING = { low: 0.15, high: 0.5 } as const;
/** A share that the home has shown is told so much lower and higher. */
const SHOWN_SPREAD = 0.4;
/** Less decided than this shows nothing yet. */
const LEAST_SHOWN_LITRES = 200;
const BOX_LITRES = 50;
const BAG_LITRES = 60;
/** Of what leaves, so much goes into bags: textiles and rubbish. */
const BAGGED = 0.4;
const GLOVES: readonly CautionCode[] = [
  'blade',
  'glass',
  'chemical',
  'mould_pest',
  'hazardous_waste',
];

/**
 * What to bring to the rooms of a visit. Boxes and bags from the litres that lie there and the share that
 * has left of this home so far, with a low and a high; the rest from what was decided for those rooms.
 */
export function findWhatToBring(
  rooms: readonly BringRoom[],
  sofar: { readonly leftLitres: number; readonly keptLitres: number },
): BringLine[] {
  const decided = sofar.leftLitres + sofar.keptLitres;
  const shown = decided < LEAST_SHOWN_LITRES ? undefined : sofar.leftLitres / decided;
  const share =
    shown === undefined
      ? LEAVING
      : { low: shown * (1 - SHOWN_SPREAD), high: Math.min(1, shown * (1 + SHOWN_SPREAD)) };
  const litres = rooms.reduce((sum, room) => sum + room.litres, 0);
  const countOf = (size: number, part: number): readonly [number, number] => [
    Math.max(1, Math.ceil((litres * share.low * part) / size)),
    Math.max(1, Math.ceil((litres * share.high * part) / size)),
  ];
  const where = (is: (room: BringRoom) => boolean) => rooms.filter(is).map(({ name }) => name);
  const sum = (of: (room: BringRoom) => number) => rooms.reduce((all, room) => all + of(room), 0);
  const line = (
    code: BringCode,
    because: readonly string[],
    count?: readonly [number, number],
  ): BringLine[] => (because.length === 0 ? [] : [{ code, count, because }]);
  const exactly = (count: number): readonly [number, number] => [count, count];
  const hasCaution = (codes: readonly CautionCode[]) => (room: BringRoom) =>
    room.cautions.some((caution) => codes.includes(caution));
  return [
    ...(litres > 0
      ? [
          ...line(
            'boxes',
            where((room) => room.litres > 0),
            countOf(BOX_LITRES, 1 - BAGGED),
          ),
          ...line(
            'bags',
            where((room) => room.litres > 0),
            countOf(BAG_LITRES, BAGGED),
          ),
        ]
      : []),
    ...line(
      'labels',
      where((room) => room.labelCount > 0),
      exactly(sum((r) => r.labelCount)),
    ),
    ...line(
      'liner',
      where((room) => room.linedCount > 0),
      exactly(sum((r) => r.linedCount)),
    ),
    ...line(
      'drill_level',
      where((room) => room.fixingCount > 0),
    ),
    ...line('gloves', where(hasCaution(GLOVES))),
    ...line('sharps_box', where(hasCaution(['sharps']))),
    ...line(
      'tape_measure',
      where((room) => room.usualCount > 0),
    ),
    ...line(
      'camera',
      where((room) => room.missingBefore > 0),
    ),
    ...line(
      'purchases',
      rooms.flatMap(({ waiting }) => waiting),
    ),
  ];
}
