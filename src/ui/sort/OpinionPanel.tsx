'use client';

import { CircleHelp } from 'lucide-react';

import type { Currency } from '@/core/shared';
import { secondOpinionOf, type OpinionFacts } from '@/core/sort';
import { cautionWords, opinionWords } from './sortWords';

/**
 * What the stated rules say of the thing in hand: for, against, and a question for the client. It
 * never decides.
 */
export function OpinionPanel({
  facts,
  because,
  currency,
}: {
  facts: OpinionFacts;
  because: 'asked' | 'hesitating';
  currency: Currency;
}) {
  const { opinions, cautions } = secondOpinionOf(facts);
  return (
    <section aria-label="Second opinion" className="panel mt-3 p-3 text-[14px]">
      <h2 className="mb-1 flex items-center gap-2 text-[15.5px]">
        <CircleHelp size={17} className="text-rim" aria-hidden="true" /> A second opinion
        {because === 'hesitating' ? ': this one takes longer than usual' : ''}
      </h2>
      {cautions.map((code) => (
        <p key={code} className="warn mb-1.5">
          {cautionWords[code]}
        </p>
      ))}
      {opinions.length === 0 && (
        <p className="text-soft">
          No rule speaks about this yet. Tap a reason, or ask: would the client buy it again today?
        </p>
      )}
      <ul className="grid gap-2">
        {opinions.map((opinion) => {
          const words = opinionWords(opinion, currency);
          return (
            <li
              key={opinion.rule}
              className="grid gap-x-4 border-t border-line pt-1.5 first:border-t-0 md:grid-cols-[1fr_1fr]"
            >
              <span>
                <b className="font-[650]">For keeping:</b> {words.keep}
              </span>
              <span>
                <b className="font-[650]">For letting go:</b> {words.letGo}
              </span>
              <span className="text-soft md:col-span-2">Ask: {words.question}</span>
            </li>
          );
        })}
      </ul>
      <p className="mt-2 text-[13px] text-soft">Rules, not a verdict: the client decides.</p>
    </section>
  );
}
