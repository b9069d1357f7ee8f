import { arrangeFront, drawFront, scaleToFit, type Unit } from '@/core/look';
import type { LengthUnit } from '@/core/shared';
import { SketchView } from './SketchView';

interface FrontDrawingProps {
  readonly units: readonly Unit[];
  readonly measureUnit: LengthUnit;
  readonly box: { readonly widthPx: number; readonly heightPx: number };
  readonly zoom?: number;
}

/** What dimensions and names take beside and below the units, in px. */
const ROUND_PX = { across: 74, up: 70 };

/** The room's units from the front, to scale, with their dimensions as a joiner writes them. */
export function FrontDrawing({ units, measureUnit, box, zoom = 1 }: FrontDrawingProps) {
  const scale = scaleToFit(arrangeFront(units), {
    widthPx: box.widthPx - ROUND_PX.across,
    heightPx: box.heightPx - ROUND_PX.up,
  });
  // Zoomed in, letters keep their size and more of them fit.
  const sketch = drawFront(units, { measureUnit, penMm: 1 / (scale * zoom) });
  return (
    <SketchView
      sketch={sketch}
      isFluid={zoom <= 1}
      shrinks={units.length === 1}
      label={`Front view to scale: ${units.map(({ name }) => name).join(', ')}`}
    />
  );
}
