import { tightestReach, type Person } from '@/core/agree';
import { formatLength, type LengthUnit } from '@/core/shared';

/** The band in which everybody reaches without stretching or bending, from the heights typed here. */
export function ReachNote({ people, units }: { people: readonly Person[]; units: LengthUnit }) {
  const { ceiling, floor } = tightestReach(people);
  if (!ceiling || !floor) return null;
  return (
    <section>
      <h2 className="caption mb-1 font-text">At ease for everybody</h2>
      <p className="text-[14.5px]">
        From <b className="measure whitespace-nowrap">{formatLength(floor.noBendMm, units)}</b>{' '}
        above the floor ({floor.personName} need not bend) to{' '}
        <b className="measure whitespace-nowrap">{formatLength(ceiling.noStretchMm, units)}</b> (
        {ceiling.personName} need not stretch). Daily things belong in between.
      </p>
    </section>
  );
}
