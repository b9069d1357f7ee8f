'use client';

import { useWatch } from 'react-hook-form';

import { layOutUnit, wantsAnchoring, type Bay, type Unit } from '@/core/look';
import { bayIdSchema, roomIdSchema, unitIdSchema, type LengthUnit } from '@/core/shared';
import { layOutErrorWords } from '../words';
import { FrontDrawing } from './FrontDrawing';
import type { UnitFormHandle } from './UnitForm';
import { toBayFacts, unitFormSchemaFor, type UnitFormRead, type UnitFormTyped } from './unitForm';

/** The unit as it would be drawn, from what is typed so far. */
export function UnitPreview({ form, measureUnit }: { form: UnitFormHandle; measureUnit: LengthUnit }) {
  const typed = useWatch({ control: form.control }) as UnitFormTyped;
  const read = unitFormSchemaFor(measureUnit).safeParse({ ...typed, name: typed.name || 'This unit' });
  return (
    <section aria-label="Drawing" className="panel squared self-start p-3 xl:sticky xl:top-0">
      {read.success ? <Drawn unit={toUnit(read.data)} measureUnit={measureUnit} /> : <p className="text-[14px] text-soft">The drawing appears here once outside and inside measures are typed.</p>}
    </section>
  );
}

function Drawn({ unit, measureUnit }: { unit: Unit; measureUnit: LengthUnit }) {
  const layout = layOutUnit(unit);
  if (!layout.ok) {
    const bayName = (id: string) => unit.bays.find((bay) => bay.id === id)?.name ?? '';
    return (
      <ul className="grid gap-2">
        {layout.error.map((error, i) => <li key={i} className="warn">{layOutErrorWords(error, measureUnit, bayName)}</li>)}
      </ul>
    );
  }
  return (
    <>
      <FrontDrawing units={[unit]} measureUnit={measureUnit} box={{ widthPx: 330, heightPx: 460 }} />
      {wantsAnchoring(unit) && <p className="warn mt-2">Tall for its depth: anchor it to the wall and load it from the bottom. Find wires and pipes first; a fixing belongs in structure.</p>}
    </>
  );
}

/** The form's unit with stand-in ids, for drawing only. */
function toUnit(read: UnitFormRead): Unit {
  const unitId = unitIdSchema.parse('preview');
  const bays = read.bays.map((bay, i): Bay => ({ ...toBayFacts(bay), id: bayIdSchema.parse(`preview-${i}`), unitId }));
  return { ...read, bays, id: unitId, roomId: roomIdSchema.parse('preview'), position: 0 };
}
