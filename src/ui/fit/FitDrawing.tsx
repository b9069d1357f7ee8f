import type { FitAnswer, FitRequest, Placement } from '@/core/fit';
import { fitLabel, formatLength, type LengthUnit } from '@/core/shared';
import { levelHeightsOf, partsOf, stepOf, tintAt, type Part } from './projections';
import { DimensionAcross, DimensionUp } from '../primitives/Dimension';
import { widestGap } from './widestGap';

interface FitDrawingProps {
  readonly request: FitRequest;
  readonly answer: FitAnswer;
  readonly measureUnit: LengthUnit;
  readonly pickedIndex: number | undefined;
  readonly onPick: (index: number) => void;
}

/** The part of a container's width, 0..1, that nothing nearer hides: where its label can be read. */
function seenFrom(
  view: 'front' | 'side',
  item: Drawn,
  drawn: readonly Drawn[],
): { from: number; to: number } {
  const isNearer = (other: Drawn): boolean =>
    view === 'front' ? other.placement.y < item.placement.y : other.placement.x > item.placement.x;
  const along = (one: Drawn) =>
    view === 'front'
      ? { at: one.placement.x, long: one.width }
      : { at: one.placement.y, long: one.depth };
  const own = along(item);
  const before = drawn.filter(
    (other) =>
      isNearer(other) &&
      other.placement.z < item.placement.z + item.height &&
      item.placement.z < other.placement.z + other.height,
  );
  const toShare = (mm: number) => (mm - own.at) / own.long;
  return widestGap(
    { from: 0, to: 1 },
    before.map((other) => {
      const { at, long } = along(other);
      return { from: toShare(at), to: toShare(at + long) };
    }),
  );
}

/** A placed container with its true sides. */
interface Drawn {
  readonly placement: Placement;
  readonly index: number;
  readonly width: number;
  readonly depth: number;
  readonly height: number;
  readonly isRound: boolean;
  readonly label: string;
  readonly tint: string;
}

/** Paper tints by group, so that front and plan can be read together; the name is on each as well. */
const TINTS = [
  '#dfe5f0',
  '#f2e8d0',
  '#e1ead9',
  '#efdfe6',
  '#dcebea',
  '#f4e2d3',
  '#e6e1f0',
  '#e8e4d8',
];
const PAD = { left: 8, top: 22, bottom: 26 };
/** Right of the bay stands its height, and, where there are levels, theirs. */
const rightPad = (levelHeights: readonly number[]): number => (levelHeights.length > 0 ? 86 : 44);
const BOX = { widthPx: 560, frontHeightPx: 270, planHeightPx: 300 };

/** The bay from the front and from above, to scale, with everything that stands in it. */
export function FitDrawing({ request, answer, measureUnit, pickedIndex, onPick }: FitDrawingProps) {
  const { bay } = request;
  const levelHeights = levelHeightsOf(request, answer);
  const padRight = rightPad(levelHeights);
  const scale = Math.min(
    (BOX.widthPx - PAD.left - padRight) / bay.width,
    (BOX.frontHeightPx - PAD.top - PAD.bottom) / bay.height,
    (BOX.planHeightPx - PAD.top - PAD.bottom) / bay.depth,
  );
  const drawn = answer.placements.flatMap(
    (placement, index) =>
      toDrawn(request, placement, { index, step: stepOf(request, answer, placement) }) ?? [],
  );
  const parts = partsOf(request, answer);
  const shared = { request, scale, measureUnit, pickedIndex, onPick, parts, levelHeights };
  return (
    <>
      <FrontView {...shared} drawn={[...drawn].sort((a, b) => b.placement.y - a.placement.y)} />
      {levelHeights.length > 0 && (
        <SideView {...shared} drawn={[...drawn].sort((a, b) => a.placement.x - b.placement.x)} />
      )}
      <PlanView {...shared} drawn={[...drawn].sort((a, b) => a.placement.z - b.placement.z)} />
    </>
  );
}

function toDrawn(
  request: FitRequest,
  placement: Placement,
  { index, step }: { readonly index: number; readonly step: number },
): Drawn | undefined {
  const container = request.containers.find(({ id }) => id === placement.containerId);
  const groupIndex = request.groups.findIndex(({ id }) => id === placement.groupId);
  if (!container || groupIndex < 0) return undefined;
  const { width, depth } = container.outer;
  const height = container.outer.height + (request.groups[groupIndex]?.hangs?.dropMm ?? 0);
  return {
    placement,
    index,
    height,
    width: placement.turned ? depth : width,
    depth: placement.turned ? width : depth,
    isRound: container.shape === 'round',
    label: kindNameOf(request.groups[groupIndex], placement) ?? '',
    tint: tintAt(TINTS[groupIndex % TINTS.length] ?? '#dfe5f0', step),
  };
}

/** The kind where each has its own, else the group. */
const kindNameOf = (group: FitRequest['groups'][number] | undefined, { kind }: Placement) =>
  (kind === undefined ? undefined : group?.kinds?.[kind]?.name) ?? group?.name;

interface ViewProps extends Omit<FitDrawingProps, 'answer'> {
  /** What bears others, and the heights on which something stands. */
  readonly parts: readonly Part[];
  readonly levelHeights: readonly number[];
  readonly scale: number;
  readonly drawn: readonly Drawn[];
}

function FrontView({
  request: { bay, clearances },
  scale,
  drawn,
  measureUnit,
  pickedIndex,
  onPick,
  parts,
  levelHeights,
}: ViewProps) {
  const w = bay.width * scale;
  const h = bay.height * scale;
  const floor = PAD.top + h;
  return (
    <svg
      viewBox={`0 0 ${w + PAD.left + rightPad(levelHeights)} ${floor + PAD.bottom}`}
      width={w + PAD.left + rightPad(levelHeights)}
      className="h-auto max-w-full"
      role="group"
      aria-label="From the front, to scale"
    >
      <text x={PAD.left} y={14} className="font-head text-[13.5px] font-[650]">
        From the front
      </text>
      <rect
        x={PAD.left}
        y={PAD.top}
        width={w}
        height={h}
        fill="#fffdf8"
        stroke="#22201b"
        strokeWidth="2"
      />
      <path
        d={`M${PAD.left} ${PAD.top + clearances.top * scale}H${PAD.left + w}`}
        stroke="#c8641b"
        strokeDasharray="4 4"
      />
      <text
        x={PAD.left + w - 5}
        y={13}
        textAnchor="end"
        className="fill-signal-deep text-[12px]"
      >{`${formatLength(clearances.top, 'mm')} to lift out`}</text>
      {parts.map((part) => (
        <rect
          key={part.key}
          x={PAD.left + part.x * scale}
          y={floor - (part.z + part.height) * scale}
          width={part.width * scale}
          height={Math.max(1, part.height * scale)}
          {...BEARING_PEN}
        />
      ))}
      {drawn.map((item) => (
        <Container
          key={item.index}
          item={item}
          isPicked={item.index === pickedIndex}
          onPick={onPick}
          x={PAD.left + item.placement.x * scale}
          y={floor - (item.placement.z + item.height) * scale}
          w={item.width * scale}
          h={item.height * scale}
          isCircle={false}
          seen={seenFrom('front', item, drawn)}
        />
      ))}
      <LevelMarks heights={levelHeights} {...{ floor, scale, measureUnit }} right={PAD.left + w} />
      {(bay.obstacles ?? []).map((box) => (
        <ObstacleShape
          key={box.label}
          label={box.label}
          x={PAD.left + box.x * scale}
          y={floor - (box.z + box.height) * scale}
          w={box.width * scale}
          h={box.height * scale}
        />
      ))}
      {bay.openingWidth !== undefined && bay.openingWidth < bay.width && (
        <DimensionAcross
          x={PAD.left + (w - bay.openingWidth * scale) / 2}
          y={floor + 18}
          w={bay.openingWidth * scale}
          label={`opening ${formatLength(bay.openingWidth, measureUnit)}`}
        />
      )}
      {(bay.openingWidth === undefined || bay.openingWidth >= bay.width) && (
        <DimensionAcross
          x={PAD.left}
          y={floor + 18}
          w={w}
          label={formatLength(bay.width, measureUnit)}
        />
      )}
      <DimensionUp
        x={PAD.left + w + 12}
        top={PAD.top}
        h={h}
        label={formatLength(bay.height, measureUnit)}
      />
    </svg>
  );
}

/** What bears, in a tint of its own. */
const BEARING_PEN = { fill: '#c9d2e4', stroke: '#23407a', strokeWidth: 1.2 } as const;

/** How far right of the bay the heights of levels are written, past its own height. */
const MARK_PX = 34;

/** How high each level lies, beside an upright view. */
function LevelMarks({
  heights,
  floor,
  scale,
  right,
  measureUnit,
}: {
  readonly heights: readonly number[];
  readonly floor: number;
  readonly scale: number;
  readonly right: number;
  readonly measureUnit: LengthUnit;
}) {
  return heights.map((mm) => (
    <g key={mm}>
      <path d={`M${right} ${floor - mm * scale}h7`} stroke="#23407a" />
      <text
        x={right + MARK_PX}
        y={floor - mm * scale + 4}
        className="fill-rim-deep font-mono text-[11.5px]"
      >
        {formatLength(mm, measureUnit)}
      </text>
    </g>
  ));
}

/** From the right, the front edge at the left: how levels lie above and behind each other. */
function SideView({
  request: { bay },
  scale,
  drawn,
  measureUnit,
  pickedIndex,
  onPick,
  parts,
  levelHeights,
}: ViewProps) {
  const w = bay.depth * scale;
  const h = bay.height * scale;
  const floor = PAD.top + h;
  return (
    <svg
      viewBox={`0 0 ${w + PAD.left + rightPad(levelHeights)} ${floor + PAD.bottom}`}
      width={w + PAD.left + rightPad(levelHeights)}
      className="mt-1 h-auto max-w-full"
      role="group"
      aria-label="From the right, to scale"
    >
      <text x={PAD.left} y={14} className="font-head text-[13.5px] font-[650]">
        From the right
      </text>
      <rect
        x={PAD.left}
        y={PAD.top}
        width={w}
        height={h}
        fill="#fffdf8"
        stroke="#22201b"
        strokeWidth="2"
      />
      {parts.map((part) => (
        <rect
          key={part.key}
          x={PAD.left + part.y * scale}
          y={floor - (part.z + part.height) * scale}
          width={part.depth * scale}
          height={Math.max(1, part.height * scale)}
          {...BEARING_PEN}
        />
      ))}
      {drawn.map((item) => (
        <Container
          key={item.index}
          item={item}
          isPicked={item.index === pickedIndex}
          onPick={onPick}
          x={PAD.left + item.placement.y * scale}
          y={floor - (item.placement.z + item.height) * scale}
          w={item.depth * scale}
          h={item.height * scale}
          isCircle={false}
          seen={seenFrom('side', item, drawn)}
        />
      ))}
      <LevelMarks heights={levelHeights} {...{ floor, scale, measureUnit }} right={PAD.left + w} />
      <path d={`M${PAD.left} ${PAD.top}V${floor}`} stroke="#23407a" strokeWidth="5" />
      <DimensionAcross
        x={PAD.left}
        y={floor + 18}
        w={w}
        label={formatLength(bay.depth, measureUnit)}
      />
      <DimensionUp
        x={PAD.left + w + 12}
        top={PAD.top}
        h={h}
        label={formatLength(bay.height, measureUnit)}
      />
    </svg>
  );
}

function PlanView({
  request: { bay },
  scale,
  drawn,
  measureUnit,
  pickedIndex,
  onPick,
  parts,
  levelHeights,
}: ViewProps) {
  const w = bay.width * scale;
  const h = bay.depth * scale;
  const front = PAD.top + h;
  const topmost = drawn.filter((item) =>
    drawn.every(
      (other) =>
        other.placement.z <= item.placement.z ||
        other.placement.x !== item.placement.x ||
        other.placement.y !== item.placement.y,
    ),
  );
  return (
    <svg
      viewBox={`0 0 ${w + PAD.left + rightPad(levelHeights)} ${front + 10}`}
      width={w + PAD.left + rightPad(levelHeights)}
      className="mt-1 h-auto max-w-full"
      role="group"
      aria-label="From above, to scale"
    >
      <text x={PAD.left} y={14} className="font-head text-[13.5px] font-[650]">
        From above
      </text>
      <text x={PAD.left + w} y={14} textAnchor="end" className="fill-soft text-[12px]">
        the blue edge is the front
      </text>
      <rect
        x={PAD.left}
        y={PAD.top}
        width={w}
        height={h}
        fill="#fffdf8"
        stroke="#22201b"
        strokeWidth="2"
      />
      {(bay.obstacles ?? []).map((box) => (
        <ObstacleShape
          key={box.label}
          label={box.label}
          x={PAD.left + box.x * scale}
          y={front - (box.y + box.depth) * scale}
          w={box.width * scale}
          h={box.depth * scale}
        />
      ))}
      {parts.map((part) => {
        const pen = { ...BEARING_PEN, fillOpacity: 0.55 };
        const [x, y] = [PAD.left + part.x * scale, front - (part.y + part.depth) * scale];
        const [wide, deep] = [part.width * scale, part.depth * scale];
        return part.isRound ? (
          <circle key={part.key} cx={x + wide / 2} cy={y + deep / 2} r={wide / 2} {...pen} />
        ) : (
          <rect key={part.key} x={x} y={y} width={wide} height={deep} {...pen} />
        );
      })}
      {topmost.map((item) => {
        const below = drawn
          .filter(
            (other) =>
              other !== item &&
              other.placement.x === item.placement.x &&
              other.placement.y === item.placement.y,
          )
          .map((other) => other.label);
        const label = [...new Set([item.label, ...below])].join(' · ');
        return (
          <Container
            key={item.index}
            item={{ ...item, label }}
            isPicked={item.index === pickedIndex}
            onPick={onPick}
            x={PAD.left + item.placement.x * scale}
            y={front - (item.placement.y + item.depth) * scale}
            w={item.width * scale}
            h={item.depth * scale}
            isCircle={item.isRound}
          />
        );
      })}
      <path d={`M${PAD.left - 1} ${front}H${PAD.left + w + 1}`} stroke="#23407a" strokeWidth="5" />
      <DimensionUp
        x={PAD.left + w + 12}
        top={PAD.top}
        h={h}
        label={formatLength(bay.depth, measureUnit)}
      />
    </svg>
  );
}

interface ContainerProps {
  readonly item: Drawn;
  readonly isPicked: boolean;
  readonly onPick: (index: number) => void;
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly isCircle: boolean;
  readonly seen?: { readonly from: number; readonly to: number };
}

function Container({
  item,
  isPicked,
  onPick,
  x,
  y,
  w,
  h,
  isCircle,
  seen = { from: 0, to: 1 },
}: ContainerProps) {
  const stroke = isPicked ? '#182d57' : '#4b5a7c';
  // A narrow, tall container reads better from the side.
  const seenWidth = (seen.to - seen.from) * w;
  const labelX = x + ((seen.from + seen.to) / 2) * w;
  const isUpright = seenWidth < 64 && h > seenWidth * 1.3;
  const label = seenWidth < 18 ? '' : fitLabel(item.label, (isUpright ? h : seenWidth) - 10, 13);
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`Container with ${item.label}`}
      aria-pressed={isPicked}
      onClick={() => onPick(item.index)}
      onKeyDown={(event) => (event.key === 'Enter' || event.key === ' ') && onPick(item.index)}
      className="cursor-pointer outline-none focus-visible:[&>*:first-child]:stroke-[#c8641b]"
    >
      {isCircle ? (
        <circle
          cx={x + w / 2}
          cy={y + h / 2}
          r={w / 2}
          fill={item.tint}
          stroke={stroke}
          strokeWidth={isPicked ? 3 : 1.2}
        />
      ) : (
        <rect
          x={x}
          y={y}
          width={w}
          height={h}
          rx="3"
          fill={item.tint}
          stroke={stroke}
          strokeWidth={isPicked ? 3 : 1.2}
        />
      )}
      {h > 14 && (
        <text
          x={labelX}
          y={y + h / 2 + 4.5}
          textAnchor="middle"
          transform={isUpright ? `rotate(-90 ${labelX} ${y + h / 2})` : undefined}
          className="text-[13px] font-[650]"
        >
          {label}
        </text>
      )}
      <title>{item.label}</title>
    </g>
  );
}

function ObstacleShape({
  label,
  x,
  y,
  w,
  h,
}: {
  label: string;
  x: number;
  y: number;
  w: number;
  h: number;
}) {
  return (
    <g>
      <rect
        x={x}
        y={y}
        width={w}
        height={h}
        fill="#e8e1d2"
        stroke="#5f584a"
        strokeDasharray="4 3"
      />
      <text x={x + w / 2} y={y + h / 2 + 4} textAnchor="middle" className="fill-soft text-[12px]">
        {fitLabel(label, w - 8, 12)}
      </text>
      <title>{label}</title>
    </g>
  );
}
