'use client';
import clsx from 'clsx';

import { drawFront, unitKinds, usualUnitOf, type Mark, type UnitKind } from '@/core/look';
import type { LengthUnit } from '@/core/shared';
import { unitKindWords } from './lookWords';
import { SketchView } from './SketchView';
import { toPreviewUnit } from './previewUnit';
import { toTypedUsual, unitFormSchemaFor } from './unitForm';

const BOX_PX = { width: 66, height: 56 };

/** Twelve kinds to start from, each drawn from its usual measures, all to one scale. */
export function KindPicker({
  active,
  measureUnit,
  onPick,
}: {
  active: UnitKind | undefined;
  measureUnit: LengthUnit;
  onPick: (kind: UnitKind) => void;
}) {
  return (
    <fieldset>
      <legend className="caption mb-1.5">Start from</legend>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(84px,1fr))] gap-1.5">
        {unitKinds.map((kind) => (
          <button
            key={kind}
            type="button"
            aria-pressed={active === kind}
            onClick={() => onPick(kind)}
            className={clsx(
              'grid min-h-12 grid-rows-[62px_1fr] items-center justify-items-center gap-1 rounded-[5px]',
              'border-[1.5px] px-1 pt-1.5 pb-1 text-[12.5px] leading-tight',
              active === kind
                ? 'border-rim bg-white font-[650] text-rim-deep'
                : 'border-line bg-sheet hover:bg-white',
            )}
          >
            <KindSketch kind={kind} measureUnit={measureUnit} />
            {unitKindWords[kind]}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

function KindSketch({ kind, measureUnit }: { kind: UnitKind; measureUnit: LengthUnit }) {
  const usual = usualUnitOf(kind);
  const read = unitFormSchemaFor(measureUnit).safeParse({
    name: kind,
    kind,
    ...toTypedUsual(usual, measureUnit),
  });
  if (!read.success) return null;
  const unit = toPreviewUnit({
    ...read.data,
    floorGap: { mm: 0, text: '0' },
    bays: read.data.bays.map((bay) => ({
      ...bay,
      usual: { widthReadings: false, depthReadings: false, heightReadings: false },
    })),
  });
  const penMm = Math.max(usual.widthMm / BOX_PX.width, usual.heightMm / BOX_PX.height);
  const sketch = drawFront([unit], { measureUnit, penMm });
  const isShape = (mark: Mark) =>
    mark.kind !== 'text' && mark.role !== 'dimension' && mark.role !== 'floor';
  const pad = 2 * penMm;
  return (
    <SketchView
      sketch={{
        ...sketch,
        x: -pad,
        y: -usual.heightMm - pad,
        width: usual.widthMm + 2 * pad,
        depth: usual.heightMm + 2 * pad,
        marks: sketch.marks.filter(isShape),
      }}
      label={unitKindWords[kind]}
    />
  );
}
