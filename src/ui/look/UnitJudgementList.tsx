import { judgeUnit, type BayJudgement, type Unit } from '@/core/look';
import type { Person } from '@/core/agree';
import { formatLength, formatLitres, type LengthUnit } from '@/core/shared';
import { reachWords } from './lookWords';

/** Less than this unseen at the back is nothing to speak of, in mm. */
const WORTH_SAYING_MM = 50;

/**
 * What the measures mean: litres, the largest thing that goes in, who reaches how, what hides at
 * the back, and anchoring.
 */
export function UnitJudgementList({
  unit,
  people,
  measureUnit,
}: {
  unit: Unit;
  people: readonly Person[];
  measureUnit: LengthUnit;
}) {
  const judged = judgeUnit(unit, people);
  return (
    <>
      {judged.wantsAnchoring && (
        <p className="warn">
          {judged.tippingRatio.toFixed(1)} times as high as deep: anchor it to the wall before
          loading, into structure, wires and pipes found first.
          {judged.heavyBayName !== undefined && (
            <>
              {' '}
              Heavy things in {judged.heavyBayName}; load from the bottom. A rented or old wall: ask
              a licensed trade.
            </>
          )}
        </p>
      )}
      {judged.bays.length > 0 && (
        <section className="panel p-3">
          <h2 className="mb-1 text-[14.5px]">What the measures mean</h2>
          <ul className="grid gap-2 text-[13.5px] leading-snug">
            {[...judged.bays].reverse().map((bay) => (
              <JudgedBay key={bay.bayId} bay={bay} measureUnit={measureUnit} />
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function JudgedBay({ bay, measureUnit }: { bay: BayJudgement; measureUnit: LengthUnit }) {
  const say = (mm: number) => formatLength(mm, measureUnit);
  const box = [bay.largestBox.width, bay.largestBox.depth, bay.largestBox.height]
    .map((mm, i) => (i < 2 ? say(mm).replace(/ \w+$/, '') : say(mm)))
    .join(' × ');
  const notEasy = bay.reaches.filter(({ reach }) => reach !== 'easy');
  return (
    <li>
      <b className="font-[650]">{bay.name}</b>{' '}
      <span className="font-mono text-[13px]">{formatLitres(bay.usableLitres)}</span>, hand at{' '}
      <span className="font-mono text-[13px]">{say(bay.handMm)}</span>
      <span className="block text-soft">
        largest thing <span className="font-mono">{box}</span>
        {notEasy.length > 0 && (
          <>
            {' '}
            ·{' '}
            {notEasy
              .map(({ personName, reach }) => `${personName} ${reachWords[reach]}`)
              .join(', ')}
          </>
        )}
        {bay.unseenMm >= WORTH_SAYING_MM && (
          <>
            {' '}
            · the last <span className="font-mono">
              {say(Math.round(bay.unseenMm / 10) * 10)}
            </span>{' '}
            out of easy sight
          </>
        )}
      </span>
    </li>
  );
}
