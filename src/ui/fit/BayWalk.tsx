'use client';
import clsx from 'clsx';

import { Check } from 'lucide-react';
import { useRouter } from 'next/navigation';

import { useKeys } from '../primitives/useKeys';
import { Link } from '../primitives/Link';

interface BayWalkProps {
  readonly bays: readonly {
    readonly id: string;
    readonly name: string;
    readonly isTaken: boolean;
  }[];
  readonly activeId: string;
  readonly base: string;
}

/** From place to place with the arrow keys; a tick where a fit is taken. */
export function BayWalk({ bays, activeId, base }: BayWalkProps) {
  const router = useRouter();
  const at = bays.findIndex(({ id }) => id === activeId);
  const go = (offset: number) => {
    const bay = bays[(at + offset + bays.length) % bays.length];
    if (bay) router.push(`${base}?bay=${bay.id}`);
  };
  useKeys({ arrowleft: () => go(-1), arrowright: () => go(1) });
  return (
    <nav aria-label="Places" className="no-print flex basis-full flex-wrap gap-1.5">
      {bays.map((bay) => (
        <Link
          key={bay.id}
          href={`${base}?bay=${bay.id}`}
          aria-current={bay.id === activeId ? 'page' : undefined}
          className={clsx(
            'flex min-h-8 items-center gap-1 rounded-[5px] border px-2 text-[13.5px] max-md:min-h-12',
            bay.id === activeId
              ? 'border-rim bg-white font-bold text-rim-deep'
              : 'border-line bg-sheet',
          )}
        >
          {bay.isTaken && <Check size={14} aria-label="taken" className="text-rim" />} {bay.name}
        </Link>
      ))}
    </nav>
  );
}
