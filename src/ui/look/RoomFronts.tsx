import clsx from 'clsx';

import type { Unit } from '@/core/look';
import type { LengthUnit } from '@/core/shared';
import { SideScroll } from '../primitives/SideScroll';
import { FrontDrawing } from './FrontDrawing';

interface RoomFrontsProps {
  readonly units: readonly Unit[];
  readonly measureUnit: LengthUnit;
}

/** The units of a room from the front: side by side on one floor, on a phone one below the other. */
export function RoomFronts({ units, measureUnit }: RoomFrontsProps) {
  return (
    <SideScroll label="The units from the front" className="squared p-3">
      {units.length === 0 ? (
        <p className="max-w-[56ch] py-8 text-[17px]">
          Measure every place things can live. Begin with one cupboard or shelf; it is drawn to
          scale as you type.
        </p>
      ) : (
        <div className={clsx(units.length > 1 && 'max-md:hidden')}>
          <FrontDrawing
            units={units}
            measureUnit={measureUnit}
            box={{ widthPx: 826, heightPx: 430 }}
          />
        </div>
      )}
      {units.length > 1 && (
        <ul className="grid gap-4 md:hidden">
          {units.map((unit) => (
            <li key={unit.id}>
              <FrontDrawing
                units={[unit]}
                measureUnit={measureUnit}
                box={{ widthPx: 330, heightPx: 430 }}
              />
            </li>
          ))}
        </ul>
      )}
    </SideScroll>
  );
}
