import { Fragment } from 'react';

import type { FitAnswer, FitRequest, Placement } from '@/core/fit';
import { formatLength, type LengthUnit } from '@/core/shared';
import { DimensionAcross, DimensionUp } from '../primitives/Dimension';
import { ContainerShape, ObstacleShape } from './FitShapes';
import {
  boardsOf,
  bodyOf,
  insideOf,
  levelHeightsOf,
  overOf,
  partsOf,
  project,
  stepOf,
  tintAt,
  type Body,
  type FitView,
} from './projections';
import { widestGap } from './widestGap';

interface FitDrawingProps {
  readonly request: FitRequest;
  readonly answer: FitAnswer;
  readonly measureUnit: LengthUnit;
  readonly pickedIndex: number | undefined;
  readonly onPick: (index: number) => void;
}

/** A placed container with its true sides. */
interface Drawn {
  readonly placement: Placement;
  readonly index: number;
  readonly body: Body;
  /** What reaches over its rim. */
  readonly over: Body | undefined;
  readonly label: string;
  readonly tint: string;
}

/** Paper tints by group, so that all views can be read together; the name is on each as well. */
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
/** Room for the name of a view and what is said beside it, on one line. */
const CAPTIONS_PX = 260;
const BOX = { widthPx: 560, frontHeightPx: 270, planHeightPx: 300 };

/** The bay from the front, from the side where there are levels, and from above, to scale, with all that stands in it. */
export function FitDrawing({ request, answer, measureUnit, pickedIndex, onPick }: FitDrawingProps) {
  const { bay } = request;
  const levelHeights = levelHeightsOf(request, answer);
  const scale = Math.min(
    (BOX.widthPx - PAD.left - rightPad(levelHeights)) / bay.width,
    (BOX.frontHeightPx - PAD.top - PAD.bottom) / bay.height,
    (BOX.planHeightPx - PAD.top - PAD.bottom) / bay.depth,
  );
  const drawn = answer.placements.flatMap(
    (placement, index) =>
      toDrawn(request, placement, { index, step: stepOf(request, answer, placement) }) ?? [],
  );
  const bearing = [...partsOf(request, answer), ...boardsOf(request, answer)];
  const shared = { request, scale, measureUnit, pickedIndex, onPick, bearing, levelHeights, drawn };
  return (
    <>
      <View {...shared} view="front" />
      {levelHeights.length > 0 && <View {...shared} view="side" />}
      <View {...shared} view="above" drawn={topmostOf(drawn)} />
    </>
  );
}

function toDrawn(
  request: FitRequest,
  placement: Placement,
  { index, step }: { readonly index: number; readonly step: number },
): Drawn | undefined {
  const body = bodyOf(request, placement);
  const groupIndex = request.groups.findIndex(({ id }) => id === placement.groupId);
  if (!body || groupIndex < 0) return undefined;
  return {
    placement,
    index,
    body,
    over: overOf(request, placement),
    label: kindNameOf(request.groups[groupIndex], placement) ?? '',
    tint: tintAt(TINTS[groupIndex % TINTS.length] ?? '#dfe5f0', step),
  };
}

/** The kind where each has its own, else the group. */
const kindNameOf = (group: FitRequest['groups'][number] | undefined, { kind }: Placement) =>
  (kind === undefined ? undefined : group?.kinds?.[kind]?.name) ?? group?.name;

/** From above only the top of a stack is seen; it says what is under it too. */
function topmostOf(drawn: readonly Drawn[]): Drawn[] {
  const isOneStack = (a: Drawn, b: Drawn): boolean =>
    a.placement.x === b.placement.x && a.placement.y === b.placement.y;
  return drawn
    .filter((item) =>
      drawn.every((other) => other.placement.z <= item.placement.z || !isOneStack(other, item)),
    )
    .map((item) => {
      const below = drawn.filter((other) => other !== item && isOneStack(other, item));
      const labels = [item.label, ...below.map(({ label }) => label)];
      return { ...item, label: [...new Set(labels)].join(' · ') };
    });
}

interface ViewProps extends Omit<FitDrawingProps, 'answer'> {
  readonly view: FitView;
  /** What bears or parts others, and the heights on which something stands. */
  readonly bearing: readonly (Body & { readonly key: string })[];
  readonly levelHeights: readonly number[];
  readonly scale: number;
  readonly drawn: readonly Drawn[];
}

const VIEW_WORDS: Readonly<Record<FitView, string>> = {
  front: 'From the front',
  side: 'From the right',
  above: 'From above',
};

/** A body on the sheet, in pixels. */
interface OnSheet {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly near: number;
  readonly isCircle: boolean;
}

function View({
  view,
  request,
  scale,
  drawn,
  measureUnit,
  pickedIndex,
  onPick,
  bearing,
  levelHeights,
}: ViewProps) {
  const { bay, clearances } = request;
  const [acrossMm, upMm] = insideOf(request, view);
  const [w, h] = [acrossMm * scale, upMm * scale];
  const bottom = PAD.top + h;
  const isAbove = view === 'above';
  const captionsEnd = PAD.left + Math.max(w, CAPTIONS_PX);
  const widthPx = Math.max(w + PAD.left + rightPad(levelHeights), captionsEnd + 5);
  const onSheet = (body: Body): OnSheet => {
    const { across, up, wide, high, near, isCircle } = project(body, view);
    return {
      x: PAD.left + across * scale,
      y: bottom - (up + high) * scale,
      w: wide * scale,
      h: high * scale,
      near,
      isCircle,
    };
  };
  const falseFloor: Body[] = bay.falseFloor
    ? [{ ...{ x: 0, y: 0, z: 0, width: bay.width, depth: bay.depth }, height: bay.falseFloor }].map(
        (board) => ({ ...board, isRound: false }),
      )
    : [];
  // What is behind is drawn first: containers and what stands in the way alike.
  const shapes = [
    ...(bay.obstacles ?? []).map((box, i) => {
      const at = onSheet({ ...box, isRound: false });
      return {
        near: at.near,
        shape: <ObstacleShape key={`obstacle ${i}`} label={box.label} {...at} />,
      };
    }),
    ...drawn.map((item) => {
      const at = onSheet(item.body);
      return {
        near: at.near,
        shape: (
          <Fragment key={item.index}>
            {item.over && <OverRim {...onSheet(item.over)} />}
            <ContainerShape
              item={item}
              isPicked={item.index === pickedIndex}
              onPick={onPick}
              {...at}
              {...(isAbove ? {} : { seen: seenFrom(view, item, drawn) })}
            />
          </Fragment>
        ),
      };
    }),
  ].sort((a, b) => a.near - b.near);
  return (
    <svg
      viewBox={`0 0 ${widthPx} ${bottom + (isAbove ? 10 : PAD.bottom)}`}
      width={widthPx}
      className={`h-auto max-w-full ${view === 'front' ? '' : 'mt-1'}`}
      role="group"
      aria-label={`${VIEW_WORDS[view]}, to scale`}
    >
      <text x={PAD.left} y={14} className="font-head text-[13.5px] font-[650]">
        {VIEW_WORDS[view]}
      </text>
      {isAbove && (
        <text x={captionsEnd} y={14} textAnchor="end" className="fill-soft text-[12px]">
          the blue edge is the front
        </text>
      )}
      <rect
        x={PAD.left}
        y={PAD.top}
        width={w}
        height={h}
        fill="#fffdf8"
        stroke="#22201b"
        strokeWidth="2"
      />
      {view === 'front' && <LiftLine {...{ w, captionsEnd, scale }} topMm={clearances.top} />}
      {!isAbove &&
        falseFloor.map((board) => (
          <BearingShape key="false floor" {...onSheet(board)} isFaint={false} />
        ))}
      {bearing.map((part) => (
        <BearingShape key={part.key} {...onSheet(part)} isFaint={isAbove} />
      ))}
      {shapes.map(({ shape }) => shape)}
      {!isAbove && (
        <>
          <LevelMarks
            heights={levelHeights}
            {...{ floor: bottom, scale, measureUnit }}
            right={PAD.left + w}
          />
          <AcrossOf {...{ view, request, scale, measureUnit }} y={bottom + 18} />
        </>
      )}
      {isAbove && (
        <path
          d={`M${PAD.left - 1} ${bottom}H${PAD.left + w + 1}`}
          stroke="#23407a"
          strokeWidth="5"
        />
      )}
      {view === 'side' && (
        <path d={`M${PAD.left} ${PAD.top}V${bottom}`} stroke="#23407a" strokeWidth="5" />
      )}
      <DimensionUp
        x={PAD.left + w + 12}
        top={PAD.top}
        h={h}
        label={formatLength(upMm, measureUnit)}
      />
    </svg>
  );
}

/** The part of a container's width, 0..1, that nothing nearer hides: where its label can be read. */
function seenFrom(
  view: FitView,
  { body }: Drawn,
  drawn: readonly Drawn[],
): { from: number; to: number } {
  const own = project(body, view);
  const toShare = (mm: number): number => (mm - own.across) / own.wide;
  const before = drawn
    .map((other) => project(other.body, view))
    .filter(
      (other) =>
        other.near > own.near && other.up < own.up + own.high && own.up < other.up + other.high,
    );
  return widestGap(
    { from: 0, to: 1 },
    before.map(({ across, wide }) => ({ from: toShare(across), to: toShare(across + wide) })),
  );
}

/** What has to stay free above, so that things are lifted out. */
function LiftLine({
  w,
  captionsEnd,
  scale,
  topMm,
}: {
  readonly w: number;
  readonly captionsEnd: number;
  readonly scale: number;
  readonly topMm: number;
}) {
  return (
    <>
      <path
        d={`M${PAD.left} ${PAD.top + topMm * scale}H${PAD.left + w}`}
        stroke="#c8641b"
        strokeDasharray="4 4"
      />
      <text
        x={captionsEnd - 5}
        y={13}
        textAnchor="end"
        className="fill-signal-deep text-[12px]"
      >{`${formatLength(topMm, 'mm')} to lift out`}</text>
    </>
  );
}

/** Below an upright view how wide it is; from the front the opening, where that is narrower. */
function AcrossOf({
  view,
  request,
  scale,
  y,
  measureUnit,
}: Pick<ViewProps, 'view' | 'request' | 'scale' | 'measureUnit'> & { readonly y: number }) {
  const { bay } = request;
  const [acrossMm] = insideOf(request, view);
  const { openingWidth = bay.width } = bay;
  if (view !== 'front' || openingWidth >= bay.width)
    return (
      <DimensionAcross
        x={PAD.left}
        y={y}
        w={acrossMm * scale}
        label={formatLength(acrossMm, measureUnit)}
      />
    );
  const left = bay.openingLeft ?? (bay.width - openingWidth) / 2;
  return (
    <DimensionAcross
      x={PAD.left + left * scale}
      y={y}
      w={openingWidth * scale}
      label={`opening ${formatLength(openingWidth, measureUnit)}`}
    />
  );
}

/** What bears or parts, in a tint of its own; from above what stands under it is seen through it. */
function BearingShape({ x, y, w, h, isCircle, isFaint }: OnSheet & { readonly isFaint: boolean }) {
  const pen = {
    fill: '#c9d2e4',
    stroke: '#23407a',
    strokeWidth: 1.2,
    ...(isFaint ? { fillOpacity: 0.55 } : {}),
  };
  return isCircle ? (
    <circle cx={x + w / 2} cy={y + h / 2} r={w / 2} {...pen} />
  ) : (
    <rect x={x} y={y} width={Math.max(1, w)} height={Math.max(1, h)} {...pen} />
  );
}

/** What reaches over a rim, in outline: only its height is known. */
const OverRim = ({ x, y, w, h }: OnSheet) => (
  <rect
    x={x + 3}
    y={y}
    width={Math.max(1, w - 6)}
    height={h}
    fill="none"
    stroke="#4b5a7c"
    strokeDasharray="2 3"
  />
);

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
