import { z } from 'zod';

import { obstacleSchema, unitKindSchema, type Bay, type Unit } from '@/core/look';
import type { Length, LengthUnit } from '@/core/shared';
import { typedLength, typedOptionalLength, typedPositiveLength } from '../typedValues';

/** One measure as typed: up to three readings, of which the first is needed. */
function typedReadings(unit: LengthUnit) {
  return z.array(z.string()).min(1).max(5).transform((texts, context): Length[] => {
    const readings: Length[] = [];
    texts.forEach((text, i) => {
      if (text.trim() === '' && i > 0) return;
      const length = typedPositiveLength(unit).safeParse(text);
      if (length.success) readings.push(length.data);
      else context.addIssue({ code: 'custom', path: [i], message: length.error.issues[0]?.message ?? 'Type a measure' });
    });
    return readings;
  });
}

/** Columns and rows are counted from 1 on screen. */
const typedOrdinal = (most: number) => z.coerce.number<number>().int('A whole number').min(1, 'From 1').max(most, `At most ${most}`);

/** The unit's form, with every measure read in the household's unit where it says none. */
export const unitFormSchemaFor = (unit: LengthUnit) =>
  z.object({
    name: z.string().trim().min(1, 'Type what it is called').max(60, 'At most 60 letters'),
    kind: unitKindSchema,
    width: typedPositiveLength(unit),
    depth: typedPositiveLength(unit),
    height: typedPositiveLength(unit),
    floorGap: typedLength(unit),
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
          maxLoadKg: z.string().transform((text, context): number | null => {
            if (text.trim() === '') return null;
            const kg = Number(text.replace(',', '.'));
            if (Number.isFinite(kg) && kg > 0 && kg <= 100_000) return Math.round(kg * 1000);
            context.addIssue({ code: 'custom', message: 'Kilograms it bears, e.g. 25' });
            return z.NEVER;
          }),
          pullOut: z.boolean(),
          moist: z.boolean(),
          outOfScope: z.boolean(),
          obstacles: z.array(obstacleSchema),
        }),
      )
      .min(1, 'Add at least one place')
      .max(60),
  });
export type UnitFormTyped = z.input<ReturnType<typeof unitFormSchemaFor>>;
export type UnitFormRead = z.output<ReturnType<typeof unitFormSchemaFor>>;
export type BayRead = UnitFormRead['bays'][number];
export type BayTyped = UnitFormTyped['bays'][number];

const THREE = [0, 1, 2] as const;
const blankReadings = THREE.map(() => '');

/** A place as read, with its position counted from 0 and its load in grams, as the core has it. */
export const toBayFacts = ({ column, row, maxLoadKg, ...bay }: BayRead) => ({ ...bay, columnIndex: column - 1, rowIndex: row - 1, maxLoadG: maxLoadKg });

export const blankBay = (column: number, row: number): BayTyped => ({
  id: '', name: `Shelf ${row}`, column, row, widthReadings: [...blankReadings], depthReadings: [...blankReadings],
  heightReadings: [...blankReadings], openingWidth: '', openingHeight: '', maxLoadKg: '', pullOut: false, moist: false, outOfScope: false, obstacles: [],
});

/** One place above another usually shares its width and depth; only the height is measured anew. */
export const bayAbove = (below: BayTyped): BayTyped => ({
  ...blankBay(Number(below.column), Number(below.row) + 1),
  widthReadings: [...below.widthReadings], depthReadings: [...below.depthReadings],
});

export const blankUnit: UnitFormTyped = {
  name: '', kind: 'cupboard', width: '', depth: '', height: '', floorGap: '0', bays: [blankBay(1, 1)],
};

const toTypedReadings = (readings: readonly Length[]): string[] => {
  const texts = readings.map((reading) => reading.text);
  return [...texts, ...blankReadings].slice(0, Math.max(3, texts.length));
};

const toTypedBay = (bay: Bay): BayTyped => ({
  id: bay.id, name: bay.name, column: bay.columnIndex + 1, row: bay.rowIndex + 1,
  widthReadings: toTypedReadings(bay.widthReadings), depthReadings: toTypedReadings(bay.depthReadings), heightReadings: toTypedReadings(bay.heightReadings),
  openingWidth: bay.openingWidth?.text ?? '', openingHeight: bay.openingHeight?.text ?? '',
  maxLoadKg: bay.maxLoadG === null ? '' : String(bay.maxLoadG / 1000),
  pullOut: bay.pullOut, moist: bay.moist, outOfScope: bay.outOfScope, obstacles: [...bay.obstacles],
});

export const toTypedUnit = (unit: Unit): UnitFormTyped => ({
  name: unit.name, kind: unit.kind, width: unit.width.text, depth: unit.depth.text, height: unit.height.text, floorGap: unit.floorGap.text,
  bays: unit.bays.map(toTypedBay),
});
