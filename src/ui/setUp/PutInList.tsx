import type { PutInPlace, PutInStep } from '@/core/setUp';
import { formatCount } from '@/core/shared';
import { LABEL_FACE_WORDS } from '../fit/fitWords';

interface PutInListProps {
  readonly places: readonly PutInPlace[];
  readonly nameOfPlace: (bayId: string) => string;
}

/** The containers of each place in the order in which they go in: what bears others first, and where labels face. */
export function PutInList({ places, nameOfPlace }: PutInListProps) {
  if (places.length === 0) return null;
  return (
    <div className="grid gap-1">
      <h3 className="text-[15.5px]">Containers, as they go in</h3>
      {places.map(({ bayId, steps }) => (
        <details key={bayId} open={places.length === 1}>
          <summary className="min-h-9 content-center text-[14.5px] text-rim max-md:min-h-12">
            {nameOfPlace(bayId)},{' '}
            {formatCount(
              steps.reduce((sum, { count }) => sum + count, 0),
              'container',
            )}
          </summary>
          <ol className="grid gap-1 pb-1">
            {steps.map((step, i) => (
              <li key={i} className="flex gap-2 text-[14.5px]">
                <span className="w-6 shrink-0 text-right font-mono text-soft">{i + 1}</span>
                <span>
                  <b>{nameOf(step)}</b> <span className="text-soft">{stepWords(step)}</span>
                </span>
              </li>
            ))}
          </ol>
        </details>
      ))}
    </div>
  );
}

const nameOf = ({ count, groupName, kindName, containerName }: PutInStep): string =>
  `${count > 1 ? `${count} × ` : ''}${[groupName ?? containerName, kindName].filter(Boolean).join(': ')}`;

const stepWords = ({ groupName, containerName, levelName, face }: PutInStep): string =>
  [
    groupName === undefined ? 'goes in before what stands on it' : containerName,
    levelName?.toLowerCase(),
    face && `label ${LABEL_FACE_WORDS[face]}`,
  ]
    .filter(Boolean)
    .join(' · ');
