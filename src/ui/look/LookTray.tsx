import type { ReactNode } from 'react';

import { askewMeasuresOf, usableLitresOf, wantsAnchoring, type Unit } from '@/core/look';
import { formatCount, formatLitres } from '@/core/shared';
import { Link } from '../primitives/Link';

/** What the measures add up to, and the cautions that follow from them. */
export function LookTray({
  units,
  base,
  links,
}: {
  units: readonly Unit[];
  base: string;
  links: ReactNode;
}) {
  const bays = units.flatMap((unit) => unit.bays).filter((bay) => !bay.outOfScope);
  const litres = bays.reduce((sum, bay) => sum + usableLitresOf(bay), 0);
  const askew = bays.filter((bay) => askewMeasuresOf(bay).length > 0);
  const tall = units.filter(wantsAnchoring);
  const guessed = bays.filter((bay) => bay.isUsual);
  if (units.length === 0) return links;
  return (
    <>
      <section>
        <h2 className="caption mb-1 font-text">Measured</h2>
        <p>
          <b className="font-mono text-[20px]">{formatLitres(litres)}</b>{' '}
          <span className="text-[14px] text-soft">
            usable in {formatCount(bays.length, 'place')}
          </span>
        </p>
        <ul className="mt-1 grid gap-0.5">
          {units.map((unit) => (
            <li key={unit.id}>
              <Link
                className="flex min-h-9 items-center text-[14.5px] text-rim underline underline-offset-3 max-md:min-h-12"
                href={`${base}/units/${unit.id}`}
              >
                {unit.name}
              </Link>
            </li>
          ))}
        </ul>
      </section>
      {guessed.length > 0 && (
        <p className="warn">
          {formatCount(guessed.length, 'place')} with usual sizes only:{' '}
          {guessed
            .slice(0, 3)
            .map(({ name }) => name)
            .join(', ')}
          {guessed.length > 3 ? ' …' : ''}. Measure before anything is bought.
        </p>
      )}
      {askew.map((bay) => (
        <p key={bay.id} className="warn">
          <b>{bay.name}:</b> the {askewMeasuresOf(bay).join(' and ')} readings are more than 5 mm
          apart. Measure once more; the smallest counts.
        </p>
      ))}
      {links}
      {tall.length > 0 && (
        <p className="warn">
          {tall.map(({ name }) => name).join(' and ')}: tall for{' '}
          {tall.length === 1 ? 'its' : 'their'} depth. Anchor to the wall before loading, heavy
          things low; a fixing belongs in structure, and wires and pipes are found first.
        </p>
      )}
    </>
  );
}
