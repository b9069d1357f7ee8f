'use client';

import { useFormContext } from 'react-hook-form';

import { formatLength } from '@/core/shared';
import type { FloorPiece } from '@/core/shop';
import { TextField } from '../primitives/Field';
import type { Fields } from './MaterialFields';
import type { MaterialsTyped } from './materialsForm';

/** The sheet for the places with a false floor, and what each takes of it. */
export function PanelFields({
  kept: { panel, carLength },
  pieces,
  measureUnit,
}: Fields & { readonly pieces: readonly FloorPiece[] }) {
  const isTooLong = panel !== null && carLength !== null && panel.length.mm > carLength.mm;
  const {
    register,
    formState: { errors },
  } = useFormContext<MaterialsTyped>();
  return (
    <div className="mt-2">
      <div className="no-print grid max-w-[420px] grid-cols-3 gap-1.5">
        <TextField
          label="Sheet, width"
          isLength
          placeholder="none"
          error={errors.panelWidth?.message}
          {...register('panelWidth')}
        />
        <TextField
          label="Sheet, length"
          isLength
          error={errors.panelLength?.message}
          hint={isTooLong ? 'longer than the car: have it cut at the shop' : undefined}
          {...register('panelLength')}
        />
        <TextField
          label="Price a sheet"
          measure
          inputMode="decimal"
          error={errors.panelPrice?.message}
          {...register('panelPrice')}
        />
      </div>
      {pieces.length === 0 && (
        <p className="mt-2 text-[14px] text-soft">
          No place has a false floor: how high it lies is typed with the place in Look.
        </p>
      )}
      <ul className="mt-2 text-[14.5px]">
        {pieces.map(({ id, name, widthMm, depthMm, around }) => (
          <li key={id}>
            {name}:{' '}
            <span className="font-mono">
              {formatLength(Math.round(widthMm), measureUnit)} ×{' '}
              {formatLength(Math.round(depthMm), measureUnit)}
            </span>
            , a little less than inside
            {around.length > 0 && (
              <b className="font-[650]">, cut out around: {around.join(', ')}</b>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
