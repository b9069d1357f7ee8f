'use client';

import { ZoomIn, ZoomOut } from 'lucide-react';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';

import { drawUnitPlan, layOutUnit, type Unit } from '@/core/look';
import type { Person } from '@/core/agree';
import type { LengthUnit } from '@/core/shared';
import { layOutErrorWords } from './lookWords';
import { FrontDrawing } from './FrontDrawing';
import { toPreviewUnit } from './previewUnit';
import { SketchView } from './SketchView';
import { type UnitFormHandle, type UnitFormTyped, unitFormSchemaFor } from './unitForm';
import { UnitJudgementList } from './UnitJudgementList';

interface UnitPreviewProps {
  readonly form: UnitFormHandle;
  readonly measureUnit: LengthUnit;
  readonly people: readonly Person[];
}

/** The unit as it would be drawn, from what is typed so far. */
export function UnitPreview({ form, measureUnit, people }: UnitPreviewProps) {
  const typed = useWatch({ control: form.control }) as UnitFormTyped;
  const read = unitFormSchemaFor(measureUnit).safeParse({
    ...typed,
    name: typed.name || 'This unit',
  });
  return (
    <section
      aria-label="Drawing"
      className="grid content-start gap-3 self-start xl:sticky xl:top-0"
    >
      {read.success ? (
        <Drawn unit={toPreviewUnit(read.data)} measureUnit={measureUnit} people={people} />
      ) : (
        <p className="panel squared p-3 text-[14px] text-soft">
          The drawing appears here once outside and inside measures are typed.
        </p>
      )}
    </section>
  );
}

const ZOOMS = [1, 1.5, 2, 3] as const;
const BOX_PX = { widthPx: 334, heightPx: 380 };

function Drawn({
  unit,
  measureUnit,
  people,
}: {
  unit: Unit;
  measureUnit: LengthUnit;
  people: readonly Person[];
}) {
  const [zoomIndex, setZoomIndex] = useState(0);
  const layout = layOutUnit(unit);
  if (!layout.ok) {
    const bayName = (id: string) => unit.bays.find((bay) => bay.id === id)?.name ?? '';
    return (
      <ul className="panel grid gap-2 p-3">
        {layout.error.map((error, i) => (
          <li key={i} className="warn">
            {layOutErrorWords(error, measureUnit, bayName)}
          </li>
        ))}
      </ul>
    );
  }
  const zoom = ZOOMS[zoomIndex] ?? 1;
  const planPen = Math.max(unit.width.mm / 230, unit.depth.mm / 110);
  return (
    <>
      <div className="panel squared border-t-4 border-t-rim p-2">
        <div className="flex items-center justify-between">
          <h2 className="px-1 text-[14.5px]">From the front</h2>
          <span className="flex">
            <button
              type="button"
              aria-label="Draw it smaller"
              disabled={zoomIndex === 0}
              onClick={() => setZoomIndex(zoomIndex - 1)}
              className="grid size-9 place-items-center rounded hover:bg-well disabled:opacity-40 max-md:size-12"
            >
              <ZoomOut size={16} />
            </button>
            <button
              type="button"
              aria-label="Draw it larger"
              disabled={zoomIndex === ZOOMS.length - 1}
              onClick={() => setZoomIndex(zoomIndex + 1)}
              className="grid size-9 place-items-center rounded hover:bg-well disabled:opacity-40 max-md:size-12"
            >
              <ZoomIn size={16} />
            </button>
          </span>
        </div>
        <div className="max-h-[420px] overflow-auto" tabIndex={zoom > 1 ? 0 : undefined}>
          <FrontDrawing units={[unit]} measureUnit={measureUnit} box={BOX_PX} zoom={zoom} />
        </div>
        <h2 className="mt-2 px-1 text-[14.5px]">From above</h2>
        <SketchView
          sketch={drawUnitPlan(unit, { measureUnit, penMm: planPen })}
          label={`From above, to scale: ${unit.name}`}
        />
      </div>
      <UnitJudgementList unit={unit} people={people} measureUnit={measureUnit} />
    </>
  );
}
