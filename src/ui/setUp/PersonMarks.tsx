'use client';

import { COLOUR_INKS, markColours, markShapes, type Person, type PersonMark } from '@/core/agree';
import { SHAPES } from '@/core/labels';
import type { ActionResult } from '../actionResult';
import { useMutation } from '../useMutation';

/** A person's mark, as it is printed. */
export const MarkSign = ({
  mark,
  label,
}: {
  readonly mark: PersonMark;
  readonly label: string;
}) => (
  <svg viewBox="0 0 24 24" className="size-6 shrink-0" role="img" aria-label={label}>
    <path d={SHAPES[mark.shape]} fill={COLOUR_INKS[mark.colour]} />
  </svg>
);

/** A colour and a shape a person: bins of one person carry them. */
export function PersonMarks({
  people,
  onMark,
}: {
  readonly people: readonly Person[];
  readonly onMark: (personId: string, mark: PersonMark | null) => Promise<ActionResult>;
}) {
  const { mutate, isPending } = useMutation();
  const field = 'input w-[92px] px-2';
  if (people.length === 0) return null;
  return (
    <section aria-label="Marks" className="panel p-4">
      <h2 className="text-[17px]">A mark a person</h2>
      <p className="text-[14px] text-soft">
        What only one person uses carries it: a colour, and a shape for those who do not tell
        colours apart.
      </p>
      <ul className="mt-2 grid gap-2">
        {people.map(({ id, name, mark }, i) => {
          const start = mark ?? {
            colour: markColours[i % markColours.length]!,
            shape: markShapes[i % markShapes.length]!,
          };
          const give = (next: PersonMark | null) => void mutate(() => onMark(id, next));
          return (
            <li key={id} className="flex flex-wrap items-center gap-2">
              {mark ? (
                <MarkSign mark={mark} label={`${mark.colour} ${mark.shape}`} />
              ) : (
                <span className="size-6" />
              )}
              <span className="w-[78px] text-[15px]">{name}</span>
              <select
                aria-label={`Colour of ${name}`}
                className={field}
                disabled={isPending}
                value={mark?.colour ?? ''}
                onChange={({ target }) =>
                  give(
                    target.value === ''
                      ? null
                      : { ...start, colour: target.value as PersonMark['colour'] },
                  )
                }
              >
                <option value="">no mark</option>
                {markColours.map((colour) => (
                  <option key={colour}>{colour}</option>
                ))}
              </select>
              {mark && (
                <select
                  aria-label={`Shape of ${name}`}
                  className={field}
                  disabled={isPending}
                  value={mark.shape}
                  onChange={({ target }) =>
                    give({ ...start, shape: target.value as PersonMark['shape'] })
                  }
                >
                  {markShapes.map((shape) => (
                    <option key={shape}>{shape}</option>
                  ))}
                </select>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
