'use client';

import type { HomesAnswer } from '@/core/visits';
import { Button } from '../primitives/Button';
import { riskWords, timesWords, visitDayWords, whyLaterWords } from './visitWords';

/** Days as they were worked out, with the homes that they are of. */
export interface DaysProposal {
  readonly answer: HomesAnswer;
  readonly homes: readonly {
    readonly id: string;
    readonly name: string;
    readonly readyBy: string | null;
    readonly sections: readonly { readonly id: string; readonly name: string }[];
  }[];
}

interface ProposalProps {
  readonly proposal: DaysProposal | undefined;
  /** Of the first person of each home, by home. */
  readonly leads: Readonly<Record<string, string>>;
  readonly isPending: boolean;
  readonly onAsk: () => void;
  readonly onTake: () => void;
  readonly onLeave: () => void;
}

/** Days for what is still to be done: worked out, looked at, then taken or left. */
export function Proposal({ proposal, leads, isPending, onAsk, onTake, onLeave }: ProposalProps) {
  return (
    <section aria-label="Proposed days" className="panel border-t-4 border-t-rim p-4">
      <div className="flex flex-wrap items-center gap-2.5">
        <h2 className="mr-auto text-[18px]">Days for what is to be done</h2>
        <Button look={proposal ? 'quiet' : 'main'} disabled={isPending} onClick={onAsk}>
          {proposal ? 'Work it out again' : 'Propose days'}
        </Button>
      </div>
      {!proposal && (
        <p className="mt-1 max-w-[64ch] text-[14px] text-soft">
          By the estimate of each section in the order of the work, papers and keepsakes first in a
          visit, on the days of the home and of whoever comes, beside what is planned in other
          homes. What was worked is taken off; paint dries and orders arrive before a room is set
          up. Visits that are pinned or begun stay; nothing changes until you take it.
        </p>
      )}
      {proposal?.homes.length === 0 && (
        <p role="status" className="mt-1 text-[14.5px]">
          No home is worked on yet. Start a project on the desk.
        </p>
      )}
      {proposal?.homes.map((home) => (
        <HomeDays key={home.id} home={home} proposal={proposal} lead={leads[home.id] ?? ''} />
      ))}
      {proposal && (
        <div className="mt-3 flex flex-wrap items-center gap-2">
          {proposal.answer.visits.length > 0 && (
            <Button look="main" disabled={isPending} onClick={onTake}>
              Take these days
            </Button>
          )}
          <Button onClick={onLeave}>Leave it</Button>
          <LateWords answer={proposal.answer} homeCount={proposal.homes.length} />
        </div>
      )}
    </section>
  );
}

/** Days late of all homes together, and what no plan goes below. */
function LateWords({ answer, homeCount }: { answer: HomesAnswer; homeCount: number }) {
  const isEndless = answer.homes.some(
    ({ likelyDay, unplannedMinutes }) => likelyDay === null && unplannedMinutes > 0,
  );
  if (homeCount < 2 || isEndless || answer.lateDays === 0) return null;
  return (
    <p className="text-[14px] text-soft">
      {answer.lateDays === answer.boundLateDays
        ? `${answer.lateDays} days late in all; no plan has fewer.`
        : `${answer.lateDays} days late in all; no plan has fewer than ${answer.boundLateDays}.`}
    </p>
  );
}

function HomeDays({
  home,
  proposal,
  lead,
}: {
  home: DaysProposal['homes'][number];
  proposal: DaysProposal;
  lead: string;
}) {
  const outlook = proposal.answer.homes.find(({ homeId }) => homeId === home.id);
  const visits = proposal.answer.visits.filter(({ homeId }) => homeId === home.id);
  if (!outlook) return null;
  const risk = riskWords(outlook, { visitCount: visits.length, readyBy: home.readyBy, lead });
  if (home.sections.length === 0)
    return (
      <p role="status" className="mt-2 text-[14.5px]">
        <b>{home.name}</b> has no sections yet: measure a unit, then name its sections under Agree.
      </p>
    );
  const nameOf = (id: string) => home.sections.find((section) => section.id === id)?.name ?? '';
  return (
    <div className="mt-2">
      {proposal.homes.length > 1 && <h3 className="text-[16px]">{home.name}</h3>}
      <p className={risk.isAtRisk ? 'warn mt-1' : 'mt-1 text-[14.5px]'} role="status">
        {risk.words}
      </p>
      {whyLaterWords(outlook).map((words) => (
        <p key={words} className="mt-1 text-[14px]">
          {words}
        </p>
      ))}
      <ol className="mt-1.5 divide-y divide-line">
        {visits.map((visit) => (
          <li key={visit.day} className="flex flex-wrap gap-x-3 py-1.5 text-[14.5px]">
            <b className="w-[92px]">{visitDayWords(visit.day)}</b>
            <span className="font-mono text-[14px]">{timesWords(visit)}</span>
            <span className="text-soft">
              {visit.parts
                .map(({ sectionId, stage }) =>
                  stage === 'set_up' ? `set up ${nameOf(sectionId)}` : nameOf(sectionId),
                )
                .join(', ')}
            </span>
            {visit.people.length > 0 && (
              <span className="ml-auto text-soft">{visit.people.join(', ')}</span>
            )}
          </li>
        ))}
      </ol>
    </div>
  );
}
