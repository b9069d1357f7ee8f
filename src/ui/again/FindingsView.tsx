'use client';

import { capital } from '@/core/shared';
import { useRouter } from 'next/navigation';

import { mendings, type Mended, type Mending } from '@/core/again';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { Link } from '../primitives/Link';
import { useMutation } from '../useMutation';
import { longDay, mendingWords } from './againWords';

export interface FindingOnPage {
  readonly key: string;
  readonly words: string;
  readonly mended: Mended | undefined;
  readonly ways: readonly {
    readonly mending: Mending;
    readonly effect: string;
    /** Something is changed, or noted, by it. */
    readonly canTake: boolean;
  }[];
  /** Where what is not done here is done, by what it is. */
  readonly hrefs: Readonly<Partial<Record<Mending, string>>>;
  /** Where a draft of it is seen beside today's. */
  readonly compareHref: string;
}
interface FindingsViewProps {
  readonly open: readonly FindingOnPage[];
  readonly held: readonly Pick<FindingOnPage, 'key' | 'words' | 'mended'>[];
  readonly onTake: (key: string, mending: Mending) => Promise<ActionResult<string | undefined>>;
}

/** What does not work as it was meant, and what would mend it; nothing is changed by itself. */
export function FindingsView({ open, held, onTake }: FindingsViewProps) {
  return (
    <div className="grid gap-4">
      <div>
        <h1 className="text-[24px]">What was found</h1>
        <p className="max-w-[70ch] text-[14.5px]" role="status">
          {open.length === 0
            ? 'Nothing is open. Walks and put-away tests show here what does not work as it was meant.'
            : 'Each with what would mend it and what that comes to. Another place is tried as a draft beside the chosen one.'}
        </p>
      </div>
      {open.map((finding) => (
        <FindingPart key={finding.key} finding={finding} onTake={onTake} />
      ))}
      {held.length > 0 && (
        <section aria-label="What was changed" className="panel p-4">
          <h2 className="text-[18px]">What was changed</h2>
          <ul className="divide-y divide-line">
            {held.map(({ key, words, mended }) => (
              <li key={key} className="py-2">
                <b>{words}</b>
                {mended && <span className="block text-[14.5px]">{mendedWords(mended)}</span>}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

function FindingPart({
  finding: { key, words, mended, ways, hrefs, compareHref },
  onTake,
}: {
  readonly finding: FindingOnPage;
  readonly onTake: FindingsViewProps['onTake'];
}) {
  const router = useRouter();
  const { mutate, isPending } = useMutation();
  const take = async (mending: Mending) => {
    const taken = await mutate(() => onTake(key, mending), { done: 'Noted.' });
    if (taken.ok && taken.value !== undefined)
      router.push(`${compareHref}?a=chosen&b=${taken.value}`);
  };
  return (
    <section aria-label={words} className="panel p-4">
      <h2 className="text-[16.5px]">{words}</h2>
      {mended && (
        <p className={`text-[14.5px] ${mended.holds === false ? 'text-signal-deep' : ''}`}>
          {mendedWords(mended)}
        </p>
      )}
      <ul className="mt-1 divide-y divide-line">
        {ways.map(({ mending, effect, canTake }) => {
          const href = hrefs[mending];
          return (
            <li key={mending} className="flex flex-wrap items-center gap-x-3 gap-y-1.5 py-2">
              <span className="min-w-[220px] flex-1 text-[15px]">
                {capital(mendingWords[mending])}
                {effect !== '' && <span className="block text-[14px] text-soft">{effect}</span>}
              </span>
              {href !== undefined && (
                <Link className={buttonClass('plain')} href={href}>
                  Where it is done
                </Link>
              )}
              {canTake && (
                <Button look="quiet" disabled={isPending} onClick={() => void take(mending)}>
                  {mending === 'place' ? 'Try it as a draft' : 'We do this'}
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function mendedWords({ change, told, takenOn, holds }: Mended): string {
  const known = mendings.find((each) => each === change);
  const what = known === undefined ? change : mendingWords[known];
  const effect = told === '' ? '' : ` (${told})`;
  return `On ${longDay(takenOn)} it was decided to ${what}${effect}; ${sinceWords(holds)}.`;
}

function sinceWords(holds: boolean | undefined): string {
  if (holds === undefined) return 'nobody has looked since';
  return holds ? 'it held at the next look' : 'it was found again at the next look';
}
