import type { UseFormReturn } from 'react-hook-form';
import { z } from 'zod';

import {
  unitDoorSchema,
  unitKindSchema,
  type Bay,
  type BayAccess,
  type MeasuredUnit,
  type Unit,
  type UsualUnit,
} from '@/core/look';
import { bayIdSchema, formatLength, type Length, type LengthUnit } from '@/core/shared';
import { typedLength, typedOptionalLength, typedPositiveLength } from '../typedValues';

/** One measure as typed: up to three readings, of which the first is needed. */
function typedReadings(unit: LengthUnit) {
  return z
    .array(z.string())
    .min(1)
    .max(5)
    .transform((texts, context): Length[] => {
      const readings: Length[] = [];
      texts.forEach((text, i) => {
        if (text.trim() === '' && i > 0) return;
        const length = typedPositiveLength(unit).safeParse(text);
        if (length.success) readings.push(length.data);
        else
          context.addIssue({
            code: 'custom',
            path: [i],
            message: length.error.issues[0]?.message ?? 'Type a measure',
          });
      });
      return readings;
    });
}

/** Columns and rows are counted from 1 on screen. */
const typedOrdinal = (most: number) =>
  z.coerce.number<number>().int('A whole number').min(1, 'From 1').max(most, `At most ${most}`);

/** Something in the way inside a place, from its front left bottom corner. */
const typedObstacle = (unit: LengthUnit) => {
  const at = typedLength(unit).transform(({ mm }) => mm);
  const size = typedPositiveLength(unit).transform(({ mm }) => mm);
  return z.object({
    label: z.string().trim().min(1, 'Type what it is, e.g. trap').max(60),
    x: at,
    y: at,
    z: at,
    width: size,
    depth: size,
    height: size,
  });
};

/** The measures whose values are the usual ones of the kind, until a reading replaces them. */
const usualFlags = z.object({
  widthReadings: z.boolean(),
  depthReadings: z.boolean(),
  heightReadings: z.boolean(),
});

/** Kilograms that something bears, in g; empty where nobody knows. */
const typedKg = z.string().transform((text, context): number | null => {
  if (text.trim() === '') return null;
  const kg = Number(text.replace(',', '.'));
  if (Number.isFinite(kg) && kg > 0 && kg <= 100_000) return Math.round(kg * 1000);
  context.addIssue({ code: 'custom', message: 'Kilograms it bears, e.g. 25' });
  return z.NEVER;
});

/** The unit's form, with every measure read in the household's unit where it says none. */
export const unitFormSchemaFor = (unit: LengthUnit) =>
  z.object({
    name: z.string().trim().min(1, 'Type what it is called').max(60, 'At most 60 letters'),
    kind: unitKindSchema,
    width: typedPositiveLength(unit),
    depth: typedPositiveLength(unit),
    height: typedPositiveLength(unit),
    floorGap: typedLength(unit),
    door: unitDoorSchema,
    holePitch: typedOptionalLength(unit),
    bays: z
      .array(
        z.object({
          id: z.string(),
          name: z.string().trim().min(1, 'Type a name, e.g. shelf 2').max(60),
          column: typedOrdinal(12),
          row: typedOrdinal(20),
          widthReadings: typedReadings(unit),
          depthReadings: typedReadings(unit),
          heightReadings: typedReadings(unit),
          openingWidth: typedOptionalLength(unit),
          openingHeight: typedOptionalLength(unit),
          maxLoadKg: typedKg,
          access: z.object({
            openingLeft: typedOptionalLength(unit),
            openingBottom: typedOptionalLength(unit),
            doorTakes: typedOptionalLength(unit),
            lip: typedOptionalLength(unit),
            shelfThickness: typedOptionalLength(unit),
            falseFloor: typedOptionalLength(unit),
            doorSwing: typedOptionalLength(unit),
            doorLoadKg: typedKg,
          }),
          pullOut: z.boolean(),
          moist: z.boolean(),
          warm: z.boolean(),
          light: z.boolean(),
          lockable: z.boolean(),
          outOfScope: z.boolean(),
          usual: usualFlags,
          obstacles: z.array(typedObstacle(unit)).max(20),
        }),
      )
      .min(1, 'Add at least one place')
      .max(60),
  });
export type UnitFormTyped = z.input<ReturnType<typeof unitFormSchemaFor>>;
export type UnitFormRead = z.output<ReturnType<typeof unitFormSchemaFor>>;
type BayRead = UnitFormRead['bays'][number];
export type BayTyped = UnitFormTyped['bays'][number];

const THREE = [0, 1, 2] as const;
const blankReadings = THREE.map(() => '');

/** A place as read, with its position counted from 0 and its load in grams, as the core has it. */
export const toBayFacts = ({
  column,
  row,
  maxLoadKg,
  usual,
  access,
  ...bay
}: Omit<BayRead, 'id'>) => ({
  ...bay,
  access: toAccess(access),
  columnIndex: column - 1,
  rowIndex: row - 1,
  maxLoadG: maxLoadKg,
  isUsual: Object.values(usual).some(Boolean),
});

/** A unit as read, as the core has it. */
export const toMeasuredUnit = ({ bays, ...unit }: UnitFormRead): MeasuredUnit => ({
  ...unit,
  bays: bays.map(({ id, ...bay }) => ({
    ...toBayFacts(bay),
    id: id === '' ? undefined : bayIdSchema.parse(id),
  })),
});

const toAccess = ({ doorLoadKg, ...lengths }: BayRead['access']): BayAccess => ({
  ...(Object.fromEntries(Object.entries(lengths).filter(([, length]) => length !== null)) as Omit<
    BayAccess,
    'doorLoadG'
  >),
  ...(doorLoadKg === null ? {} : { doorLoadG: doorLoadKg }),
});
const blankAccess: BayTyped['access'] = {
  openingLeft: '',
  openingBottom: '',
  doorTakes: '',
  lip: '',
  shelfThickness: '',
  falseFloor: '',
  doorSwing: '',
  doorLoadKg: '',
};
const toTypedAccess = ({ doorLoadG, ...lengths }: BayAccess): BayTyped['access'] => ({
  ...blankAccess,
  ...Object.fromEntries(
    Object.entries(lengths).map(([name, length]) => [name, length?.text ?? '']),
  ),
  doorLoadKg: doorLoadG === undefined ? '' : String(doorLoadG / 1000),
});

const measured = { widthReadings: false, depthReadings: false, heightReadings: false };
const unmeasured = { widthReadings: true, depthReadings: true, heightReadings: true };

export const blankBay = (column: number, row: number): BayTyped => ({
  id: '',
  name: `Shelf ${row}`,
  column,
  row,
  widthReadings: [...blankReadings],
  depthReadings: [...blankReadings],
  heightReadings: [...blankReadings],
  openingWidth: '',
  openingHeight: '',
  maxLoadKg: '',
  access: blankAccess,
  pullOut: false,
  moist: false,
  warm: false,
  light: false,
  lockable: false,
  outOfScope: false,
  obstacles: [],
  usual: measured,
});

const GIVEN_NAME = /^Shelf \d+$/;

/** Places of a column, bottom first: those that are not kept yet and have a given name count upwards. */
export function numbered(bays: readonly BayTyped[]): BayTyped[] {
  const isGiven = (bay: BayTyped) => bay.id === '' && GIVEN_NAME.test(bay.name);
  const taken = new Set(bays.filter((bay) => !isGiven(bay)).map(({ name }) => name));
  let number = 0;
  return bays.map((bay) => {
    if (!isGiven(bay)) return bay;
    do number += 1;
    while (taken.has(`Shelf ${number}`));
    return { ...bay, name: `Shelf ${number}` };
  });
}

/** One place above another usually shares its width and depth; only the height is measured anew. */
export const bayAbove = (below: BayTyped): BayTyped => ({
  ...blankBay(Number(below.column), Number(below.row) + 1),
  widthReadings: [...below.widthReadings],
  depthReadings: [...below.depthReadings],
  access: {
    ...blankAccess,
    shelfThickness: below.access.shelfThickness,
    lip: below.access.lip,
    doorSwing: below.access.doorSwing,
    doorLoadKg: below.access.doorLoadKg,
  },
  pullOut: below.pullOut,
  moist: below.moist,
  warm: below.warm,
  light: below.light,
  usual: { ...below.usual, heightReadings: false },
});

export const blankUnit: UnitFormTyped = {
  name: '',
  kind: 'cupboard',
  width: '',
  depth: '',
  height: '',
  floorGap: '0',
  door: 'none',
  holePitch: '',
  bays: [blankBay(1, 1)],
};

/** A unit to start from: the usual sizes of its kind, each first reading marked as not measured yet. */
export function toTypedUsual(
  usual: UsualUnit,
  unit: LengthUnit,
): Pick<UnitFormTyped, 'width' | 'depth' | 'height' | 'floorGap' | 'door' | 'holePitch' | 'bays'> {
  const say = (mm: number) => formatLength(mm, unit);
  const first = (mm: number) => [say(mm), '', ''];
  return {
    width: say(usual.widthMm),
    depth: say(usual.depthMm),
    height: say(usual.heightMm),
    floorGap: usual.floorGapMm === 0 ? '0' : say(usual.floorGapMm),
    door: usual.door,
    holePitch: usual.holePitchMm === undefined ? '' : say(usual.holePitchMm),
    bays: usual.bays.map((bay) => ({
      ...blankBay(bay.columnIndex + 1, bay.rowIndex + 1),
      name: bay.name,
      usual: unmeasured,
      widthReadings: first(bay.widthMm),
      depthReadings: first(bay.depthMm),
      heightReadings: first(bay.heightMm),
      pullOut: bay.pullOut,
      moist: bay.moist,
      warm: bay.warm,
      light: bay.light,
      obstacles: bay.obstacles.map((box) => toTypedObstacle(box, unit)),
    })),
  };
}

const toTypedObstacle = (
  { label, ...box }: Bay['obstacles'][number],
  unit: LengthUnit,
): BayTyped['obstacles'][number] => {
  const say = (mm: number) => formatLength(mm, unit);
  return {
    label,
    x: say(box.x),
    y: say(box.y),
    z: say(box.z),
    width: say(box.width),
    depth: say(box.depth),
    height: say(box.height),
  };
};

const toTypedReadings = (readings: readonly Length[]): string[] => {
  const texts = readings.map((reading) => reading.text);
  return [...texts, ...blankReadings].slice(0, Math.max(3, texts.length));
};

const toTypedBay = (bay: Bay, unit: LengthUnit): BayTyped => ({
  id: bay.id,
  name: bay.name,
  column: bay.columnIndex + 1,
  row: bay.rowIndex + 1,
  widthReadings: toTypedReadings(bay.widthReadings),
  depthReadings: toTypedReadings(bay.depthReadings),
  heightReadings: toTypedReadings(bay.heightReadings),
  openingWidth: bay.openingWidth?.text ?? '',
  openingHeight: bay.openingHeight?.text ?? '',
  maxLoadKg: bay.maxLoadG === null ? '' : String(bay.maxLoadG / 1000),
  access: toTypedAccess(bay.access),
  pullOut: bay.pullOut,
  moist: bay.moist,
  warm: bay.warm,
  light: bay.light,
  lockable: bay.lockable,
  outOfScope: bay.outOfScope,
  usual: bay.isUsual ? unmeasured : measured,
  obstacles: bay.obstacles.map((box) => toTypedObstacle(box, unit)),
});

export const toTypedUnit = (unit: Unit, measureUnit: LengthUnit): UnitFormTyped => ({
  name: unit.name,
  kind: unit.kind,
  width: unit.width.text,
  depth: unit.depth.text,
  height: unit.height.text,
  floorGap: unit.floorGap.text,
  door: unit.door,
  holePitch: unit.holePitch?.text ?? '',
  bays: unit.bays.map((bay) => toTypedBay(bay, measureUnit)),
});

/** The form of a unit, as its parts get it. */
export type UnitFormHandle = UseFormReturn<UnitFormTyped, unknown, UnitFormRead>;
