import { arrangeFront, askewMeasuresOf, bayInsideOf, scaleToFit, usableLitresOf, type Bay, type BayFront, type FrontUnit, type Unit } from '@/core/look';
import { formatLength, formatLitres, type LengthUnit } from '@/core/shared';
import { fitLabel } from './fitLabel';

interface FrontDrawingProps {
  readonly units: readonly Unit[];
  readonly measureUnit: LengthUnit;
  readonly box: { readonly widthPx: number; readonly heightPx: number };
}

const PAD = { left: 14, right: 70, top: 16, bottom: 54 };

/** The room's units from the front, to scale, with their dimensions as a joiner writes them. */
export function FrontDrawing({ units, measureUnit, box }: FrontDrawingProps) {
  const view = arrangeFront(units);
  const scale = scaleToFit(view, { widthPx: box.widthPx - PAD.left - PAD.right, heightPx: box.heightPx - PAD.top - PAD.bottom });
  const width = view.widthMm * scale + PAD.left + PAD.right;
  const floorY = PAD.top + view.heightMm * scale;
  const height = floorY + PAD.bottom;
  const names = view.units.map(({ unitId }) => units.find(({ id }) => id === unitId)?.name ?? '').join(', ');
  return (
    <svg viewBox={`0 0 ${width} ${height}`} width={width} height={height} className="mx-auto h-auto max-w-full" role="img" aria-label={`Front view to scale: ${names}`}>
      {view.units.map((front) => {
        const unit = units.find(({ id }) => id === front.unitId);
        return unit && <UnitDrawing key={unit.id} unit={unit} front={front} scale={scale} floorY={floorY} measureUnit={measureUnit} />;
      })}
      <path d={`M4 ${floorY}H${width - 4}`} stroke="#22201b" strokeWidth="3" />
    </svg>
  );
}

interface UnitDrawingProps {
  readonly unit: Unit;
  readonly front: FrontUnit;
  readonly scale: number;
  readonly floorY: number;
  readonly measureUnit: LengthUnit;
}

function UnitDrawing({ unit, front, scale, floorY, measureUnit }: UnitDrawingProps) {
  const x = PAD.left + front.xMm * scale;
  const w = unit.width.mm * scale;
  const h = unit.height.mm * scale;
  const top = floorY - (unit.floorGap.mm + unit.height.mm) * scale;
  return (
    <g>
      <rect x={x} y={top} width={w} height={h} fill="#f0e9da" stroke="#22201b" strokeWidth="1.6" />
      {front.layout.bays.map((bayFront) => {
        const bay = unit.bays.find(({ id }) => id === bayFront.bayId);
        return bay && <BayDrawing key={bay.id} bay={bay} front={bayFront} at={{ x, floorY, scale }} measureUnit={measureUnit} />;
      })}
      <DimensionAcross x={x} y={floorY + 16} w={w} label={formatLength(unit.width.mm, measureUnit)} />
      <DimensionUp x={x + w + 10} top={top} h={h} label={formatLength(unit.height.mm, measureUnit)} />
      <text x={x + w / 2} y={floorY + 46} textAnchor="middle" className="font-head text-[13px] font-[650]">{fitLabel(unit.name, Math.max(w, 90), 13)}</text>
    </g>
  );
}

interface BayDrawingProps {
  readonly bay: Bay;
  readonly front: BayFront;
  readonly at: { readonly x: number; readonly floorY: number; readonly scale: number };
  readonly measureUnit: LengthUnit;
}

function BayDrawing({ bay, front, at, measureUnit }: BayDrawingProps) {
  const x = at.x + front.xMm * at.scale;
  const w = front.widthMm * at.scale;
  const h = front.heightMm * at.scale;
  const y = at.floorY - (front.zMm + front.heightMm) * at.scale;
  const inside = bayInsideOf(bay);
  const size = [inside.widthMm, inside.heightMm, inside.depthMm].map((mm, i) => (i < 2 ? formatLength(mm, measureUnit).replace(/ \w+$/, '') : formatLength(mm, measureUnit))).join(' × ');
  const isAskew = askewMeasuresOf(bay).length > 0;
  const name = fitLabel(bay.name, w - 14, 13);
  const lines = [
    { text: name, className: 'text-[13px] font-[650]' },
    { text: fitLabel(size, w - 12, 13), className: 'font-mono text-[12px] fill-soft' },
    { text: fitLabel(bay.outOfScope ? 'not in scope' : formatLitres(usableLitresOf(bay)), w - 12, 12.5), className: 'text-[12.5px] fill-soft' },
  ].slice(0, Math.max(1, Math.floor((h - 4) / 16)));
  // Where something stands in the bay, its labels keep to the foot of it.
  const firstY = bay.obstacles.length > 0 ? y + h - (lines.length - 1) * 16 - 7 : y + h / 2 - (lines.length - 1) * 8 + 4.5;
  return (
    <g>
      <rect x={x} y={y} width={w} height={h} fill={bay.outOfScope ? 'none' : '#fffdf8'} stroke={isAskew ? '#c8641b' : '#22201b'} strokeWidth={isAskew ? 2.4 : 1.2} strokeDasharray={bay.outOfScope ? '5 5' : undefined} />
      {bay.obstacles.map((box) => (
        <rect key={box.label} x={x + box.x * at.scale} y={y + h - (box.z + box.height) * at.scale} width={box.width * at.scale} height={box.height * at.scale} fill="#e8e1d2" stroke="#5f584a" strokeDasharray="4 3">
          <title>{box.label}</title>
        </rect>
      ))}
      <title>{`${bay.name}: ${size} inside, ${formatLitres(usableLitresOf(bay))}${isAskew ? '; readings differ by more than 5 mm' : ''}`}</title>
      {lines.map((line, i) => (
        <text key={i} x={x + w / 2} y={firstY + i * 16} textAnchor="middle" className={line.className}>{line.text}</text>
      ))}
    </g>
  );
}

export function DimensionAcross({ x, y, w, label }: { x: number; y: number; w: number; label: string }) {
  return (
    <g className="fill-soft stroke-soft">
      <path d={`M${x} ${y - 5}V${y + 5}M${x + w} ${y - 5}V${y + 5}M${x} ${y}H${x + w}`} fill="none" strokeWidth="1" />
      <text x={x + w / 2} y={y - 4} textAnchor="middle" stroke="none" className="font-mono text-[12px]">{fitLabel(label, w + 10, 12)}</text>
    </g>
  );
}

export function DimensionUp({ x, top, h, label }: { x: number; top: number; h: number; label: string }) {
  const middle = top + h / 2;
  return (
    <g className="fill-soft stroke-soft">
      <path d={`M${x - 5} ${top}H${x + 5}M${x - 5} ${top + h}H${x + 5}M${x} ${top}V${top + h}`} fill="none" strokeWidth="1" />
      <text x={x + 14} y={middle} textAnchor="middle" stroke="none" className="font-mono text-[12px]" transform={`rotate(-90 ${x + 14} ${middle})`}>{label}</text>
    </g>
  );
}
