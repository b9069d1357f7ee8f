'use client';

import { useState } from 'react';
import { useWatch } from 'react-hook-form';

import { divideColumn, readColumn, shelfHeightsOf } from '@/core/look';
import {
  formatLength,
  judgeReadings,
  parseLength,
  type Length,
  type LengthUnit,
} from '@/core/shared';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { divideColumnWords } from './lookWords';
import { lengthErrorWords } from '../home/homeWords';
import {
  type BayTyped,
  type UnitFormHandle,
  type UnitFormTyped,
  blankBay,
  numbered,
} from './unitForm';

interface ShelfDividerProps {
  readonly form: UnitFormHandle;
  readonly measureUnit: LengthUnit;
}

/** Splits and merges places by the heights of their shelves, one column at a time. */
export function ShelfDivider({ form, measureUnit }: ShelfDividerProps) {
  const typed = useWatch({ control: form.control }) as UnitFormTyped;
  const [board, setBoard] = useState('');
  const columns = [...new Set(typed.bays.map((bay) => Number(bay.column)))].sort((a, b) => a - b);
  return (
    <details>
      <summary className="min-h-9 py-1.5 text-[14px] text-rim">Divide by shelf heights</summary>
      <div className="grid gap-2.5 pt-1">
        {columns.map((column) => (
          <ColumnDivider
            key={column}
            form={form}
            typed={typed}
            column={column}
            measureUnit={measureUnit}
            typedBoardMm={mmOf(board, measureUnit)}
          />
        ))}
        <TextField
          label="A shelf is so thick"
          isLength
          className="max-w-[240px]"
          value={board}
          onChange={(event) => setBoard(event.target.value)}
        />
        <TextField
          label="Shelves can move, holes every"
          isLength
          className="max-w-[240px]"
          error={form.formState.errors.holePitch?.message}
          {...form.register('holePitch')}
        />
      </div>
    </details>
  );
}

function ColumnDivider({
  form,
  typed,
  column,
  measureUnit,
  typedBoardMm,
}: ShelfDividerProps & {
  typed: UnitFormTyped;
  column: number;
  typedBoardMm: number | undefined;
}) {
  const facts = columnFacts(typed, column, measureUnit, typedBoardMm);
  const [text, setText] = useState<string>();
  const [message, setMessage] = useState('');
  const today = shelfHeightsOf(facts.heightsMm, facts.boardMm)
    .map((mm) => formatLength(mm, measureUnit))
    .join('; ');
  const divide = () => {
    const read = readHeights(text ?? today, measureUnit);
    if (typeof read === 'string') return setMessage(read);
    if (facts.insideMm === undefined)
      return setMessage('Type the height of the place, or the outside height, first.');
    const divided = divideColumn({
      insideMm: facts.insideMm,
      shelfThicknessMm: facts.boardMm,
      shelvesMm: read,
      holePitchMm: mmOf(typed.holePitch, measureUnit),
      before: facts.heightsMm,
    });
    if (!divided.ok)
      return setMessage(
        divided.error.map((error) => divideColumnWords(error, measureUnit)).join('. '),
      );
    const others = typed.bays.filter((bay) => Number(bay.column) !== column);
    const bays = divided.value.map(({ heightMm, fromIndex }, row) =>
      toBay(facts.bays, { fromIndex, row, column, heightMm, measureUnit }),
    );
    form.setValue(
      'bays',
      [...others, ...numbered(bays)].sort((a, b) => Number(a.column) - Number(b.column)),
      { shouldDirty: true, shouldValidate: true },
    );
    setText(undefined);
    setMessage('');
  };
  return (
    <div className="flex flex-wrap items-start gap-2">
      <TextField
        label={`Shelves of column ${column}, from its floor up, parted by ;`}
        measure
        className="min-w-[240px] flex-1"
        value={text ?? today}
        placeholder="e.g. 32; 64; 96"
        error={message === '' ? undefined : message}
        hint={
          facts.isAssumed
            ? `A shelf is taken as ${formatLength(facts.boardMm, measureUnit)} thick.`
            : `A shelf is ${formatLength(facts.boardMm, measureUnit)} thick.`
        }
        onChange={(event) => setText(event.target.value)}
      />
      <Button className="mt-6" onClick={divide}>
        Divide
      </Button>
    </div>
  );
}

interface ColumnFacts {
  readonly bays: readonly BayTyped[];
  readonly heightsMm: readonly number[];
  readonly insideMm: number | undefined;
  readonly boardMm: number;
  readonly isAssumed: boolean;
}

/** A column as typed so far: its places from the floor up, and what its boards come to. */
function columnFacts(
  typed: UnitFormTyped,
  column: number,
  unit: LengthUnit,
  typedBoardMm: number | undefined,
): ColumnFacts {
  const bays = typed.bays
    .filter((bay) => Number(bay.column) === column)
    .sort((a, b) => Number(a.row) - Number(b.row));
  const heightsMm = bays
    .map((bay) => judgeReadings(readingsOf(bay.heightReadings, unit)).countsMm)
    .filter(Number.isFinite);
  const whole = heightsMm.length === bays.length ? heightsMm : [];
  const measured = readColumn({
    heightsMm: whole,
    outsideMm: mmOf(typed.height, unit),
    typedBoardMm,
  });
  return { bays, heightsMm: whole, ...measured };
}

function toBay(
  before: readonly BayTyped[],
  {
    fromIndex,
    row,
    column,
    heightMm,
    measureUnit,
  }: {
    readonly fromIndex: number | undefined;
    readonly row: number;
    readonly column: number;
    readonly heightMm: number;
    readonly measureUnit: LengthUnit;
  },
): BayTyped {
  const kept = fromIndex === undefined ? undefined : before[fromIndex];
  const like = kept ?? before[0];
  const base = kept ?? {
    ...blankBay(column, row + 1),
    widthReadings: like?.widthReadings ?? ['', '', ''],
    depthReadings: like?.depthReadings ?? ['', '', ''],
  };
  const keptMm = kept && judgeReadings(readingsOf(kept.heightReadings, measureUnit)).countsMm;
  const isSame = keptMm !== undefined && Math.abs(keptMm - heightMm) < 0.5;
  return {
    ...base,
    row: row + 1,
    heightReadings:
      isSame && kept ? kept.heightReadings : [formatLength(heightMm, measureUnit), '', ''],
    usual: { ...base.usual, heightReadings: isSame && base.usual.heightReadings },
  };
}

const readingsOf = (texts: readonly string[], unit: LengthUnit): Length[] =>
  texts.flatMap((text) => {
    const length = parseLength(text, unit);
    return length.ok ? [length.value] : [];
  });
const mmOf = (text: string, unit: LengthUnit): number | undefined =>
  readingsOf([text], unit)[0]?.mm;

function readHeights(text: string, unit: LengthUnit): number[] | string {
  const heights: number[] = [];
  for (const part of text.split(';').filter((each) => each.trim() !== '')) {
    const length = parseLength(part, unit);
    if (!length.ok) return lengthErrorWords(length.error);
    heights.push(length.value.mm);
  }
  return heights;
}
