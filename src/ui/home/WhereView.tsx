import { arrangeFront, drawFront, scaleToFit, type Mark } from '@/core/look';
import type { Whereabouts } from '@/core/show';
import type { LengthUnit } from '@/core/shared';
import { fitLabel } from '@/core/shared';
import { SketchView } from '../look/SketchView';
import { buttonClass } from '../primitives/Button';
import { Cautions } from '../sort/Cautions';
import { stepHref } from '../shell/scope';
import { whereWords } from './whereWords';
import { Link } from '../primitives/Link';

interface WhereViewProps {
  readonly projectId: string;
  readonly found: Whereabouts;
  readonly measureUnit: LengthUnit;
  /** Without ways to change anything. */
  readonly isLookingOnly?: boolean;
}

/** Where something is: said in one sentence, and marked on the front of its unit. */
export function WhereView({
  projectId,
  found,
  measureUnit,
  isLookingOnly = false,
}: WhereViewProps) {
  const { thing, group } = found;
  const spot = found.stands ?? found.lives;
  const roomId = thing?.roomId ?? group?.roomId;
  const Title = isLookingOnly ? 'h2' : 'h1';
  return (
    <div className="mx-auto max-w-[760px]">
      <Title className="text-[26px]">
        {thing && thing.count > 1 ? `${thing.count} ` : ''}
        {found.name}
      </Title>
      <p className="mt-1 text-[18px]">{whereWords(found)}</p>
      {thing && group && <p className="text-[14.5px] text-soft">With {group.name}.</p>}
      {thing && <Cautions codes={thing.cautions ?? []} />}
      {spot && (
        <section aria-label="The place" className="panel mt-3 border-t-4 border-t-rim p-4">
          <PlaceDrawing spot={spot} measureUnit={measureUnit} />
        </section>
      )}
      <div className="no-print mt-3 flex flex-wrap gap-2">
        {!isLookingOnly && thing && roomId && (
          <Link
            className={buttonClass('quiet')}
            href={`${stepHref({ projectId, roomId }, 'sort')}?thing=${thing.id}`}
          >
            Decide again
          </Link>
        )}
        {!isLookingOnly && spot && (
          <Link
            className={buttonClass('quiet')}
            href={stepHref({ projectId, roomId: spot.room.id }, 'place')}
          >
            All places of the {spot.room.name.toLowerCase()}
          </Link>
        )}
      </div>
    </div>
  );
}

const ROUND_PX = 74;

/** The unit from the front, to scale, with the place marked. */
function PlaceDrawing({
  spot,
  measureUnit,
}: {
  spot: NonNullable<Whereabouts['stands']>;
  measureUnit: LengthUnit;
}) {
  const units = [spot.unit];
  const penMm =
    1 / scaleToFit(arrangeFront(units), { widthPx: 480 - ROUND_PX, heightPx: 420 - ROUND_PX });
  const sketch = drawFront(units, { measureUnit, penMm }, (bay, rect): Mark[] => [
    ...(bay.id === spot.bayId
      ? [{ kind: 'rect' as const, role: 'clear' as const, ...rect, title: 'It is here' }]
      : []),
    {
      kind: 'text',
      role: bay.id === spot.bayId ? 'name' : 'note',
      x: rect.x + rect.width / 2,
      y: rect.y + rect.depth / 2 + 4.5 * penMm,
      text: fitLabel(bay.name, rect.width - 10 * penMm, 13 * penMm),
      pens: 13,
      anchor: 'middle',
    },
  ]);
  return (
    <SketchView
      sketch={sketch}
      isFluid
      label={`${spot.unit.name} from the front, ${spot.bayName} marked`}
    />
  );
}
