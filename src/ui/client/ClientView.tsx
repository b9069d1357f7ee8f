'use client';

import { useState } from 'react';

import { shareParts, type ClientDesk, type SharePart } from '@/core/client';
import { formatCount, type Currency } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { CheckField } from '../primitives/Field';
import { useMutation } from '../useMutation';
import { AnswerFileDrop } from './AnswerFileDrop';
import { AnswerLines } from './AnswerLines';
import { MakePage, type MakePageProps } from './MakePage';
import { mailStateWords, openedWords, pageStateWords, partWords } from './clientWords';

export interface ClientViewProps extends MakePageProps {
  readonly desk: ClientDesk;
  readonly currency: Currency;
  readonly onShare: (parts: readonly SharePart[]) => Promise<ActionResult>;
  readonly onTake: (answerId: string, despite: boolean) => Promise<ActionResult>;
  readonly onSetAside: (answerId: string) => Promise<ActionResult>;
  readonly onReceive: (
    text: string,
  ) => Promise<ActionResult<{ newCount: number; knownCount: number; strangeCount: number }>>;
  readonly onAskMore: (pageId: string) => Promise<ActionResult<number>>;
  readonly onRevoke: (pageId: string) => Promise<ActionResult>;
  readonly onSendMail: (mailId: string) => Promise<ActionResult>;
}

/** The client who is not there: what they answered, what is out to them, and what they may see. */
export function ClientView(props: ClientViewProps) {
  const { desk, currency } = props;
  return (
    <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
      <div className="grid gap-4">
        <section aria-label="Answers" className="panel border-t-4 border-t-rim p-4">
          <h2 className="text-[19px]">
            {desk.answers.length === 0
              ? 'No answer waits'
              : `${formatCount(desk.answers.length, 'answer')} to take`}
          </h2>
          {desk.answers.length === 0 ? (
            <p className="text-[14.5px] text-soft">
              Answers over a link arrive here by themselves. A file that was sent back is dropped in
              below. Nothing changes before you take it.
            </p>
          ) : (
            <AnswerLines
              answers={desk.answers}
              currency={currency}
              onTake={props.onTake}
              onSetAside={props.onSetAside}
            />
          )}
          <AnswerFileDrop onReceive={props.onReceive} />
        </section>
        <Pages {...props} />
        <Mails {...props} />
      </div>
      <div className="grid gap-4">
        <MakePage {...props} />
        <Sharing {...props} />
      </div>
    </div>
  );
}

function Pages({
  desk,
  projectId,
  onAskMore,
  onRevoke,
}: Pick<ClientViewProps, 'desk' | 'projectId' | 'onAskMore' | 'onRevoke'>) {
  const { mutate, isPending } = useMutation();
  if (desk.pages.length === 0) return null;
  return (
    <section aria-label="Pages that are out" className="panel p-4">
      <h2 className="text-[18px]">Pages that are out</h2>
      <ul className="divide-y divide-line">
        {desk.pages.map(({ page, state, opening, answerCount }) => (
          <li key={page.id} className="flex flex-wrap items-center gap-x-3 gap-y-1.5 py-2.5">
            <span className="min-w-[220px] flex-1">
              <b>{page.name}</b>, {page.way === 'link' ? 'a link' : 'a file'}
              {!page.mayAnswer && ', for looking only'}
              <span className="block text-[14.5px]">
                {formatCount(page.asked.length, 'question')}
                {page.parts.length > 0 &&
                  `; ${page.parts.map((part) => partWords[part].toLowerCase()).join(', ')}`}
              </span>
              <span className="block text-[14px] text-soft">
                {pageStateWords(page, state)}
                {page.way === 'link' && `; ${openedWords(opening)}`}
                {answerCount > 0 && `; ${formatCount(answerCount, 'answer')}`}
              </span>
            </span>
            {page.way === 'file' && state === 'open' && (
              <a
                className={buttonClass('plain')}
                href={`/api/projects/${projectId}/client-pages/${page.id}`}
                download
              >
                The file
              </a>
            )}
            {page.way === 'link' && page.mayAnswer && state === 'open' && (
              <Button
                disabled={isPending}
                onClick={() =>
                  void mutate(() => onAskMore(page.id), {
                    done: 'The page asks everything that is open now.',
                  })
                }
              >
                Ask what is new
              </Button>
            )}
            {state === 'open' && (
              <Button
                disabled={isPending}
                onClick={() => void mutate(() => onRevoke(page.id), { offersUndo: true })}
                aria-label={`Revoke the page for ${page.name}`}
              >
                Revoke
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Mails({ desk, onSendMail }: Pick<ClientViewProps, 'desk' | 'onSendMail'>) {
  const { mutate, isPending } = useMutation();
  if (desk.mails.length === 0) return null;
  return (
    <section aria-label="Messages" className="panel p-4">
      <h2 className="text-[18px]">Messages</h2>
      <ul className="divide-y divide-line">
        {desk.mails.map((mail) => (
          <li key={mail.id} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2">
            <span className="min-w-[220px] flex-1 text-[14.5px]">
              <b>{mail.subject}</b> to {mail.to}
              <span className="block text-soft">
                {mailStateWords[mail.state]}
                {mail.problem !== '' && `: ${mail.problem}`}
              </span>
            </span>
            {mail.state !== 'sent' && mail.state !== 'sending' && (
              <Button
                disabled={isPending}
                onClick={() => void mutate(() => onSendMail(mail.id), { done: 'Sent.' })}
              >
                {mail.state === 'unclear' ? 'Send once more' : 'Send'}
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What of the home may be shown at all; each page shows of it what it was made for. */
function Sharing({ desk, onShare }: Pick<ClientViewProps, 'desk' | 'onShare'>) {
  const { mutate, isPending } = useMutation();
  const [chosen, setChosen] = useState<ReadonlySet<SharePart>>(new Set(desk.sharedParts));
  const toggle = (part: SharePart) => {
    const next = new Set(chosen);
    if (next.has(part)) next.delete(part);
    else next.add(part);
    setChosen(next);
    void mutate(() => onShare(shareParts.filter((each) => next.has(each))));
  };
  return (
    <section aria-label="Shared of this home" className="panel p-4">
      <h2 className="text-[18px]">Shared of this home</h2>
      <p className="text-[14px] text-soft">
        Nothing is, until it is ticked here. What is taken off is gone from every link at once.
      </p>
      <div className="mt-1">
        {shareParts.map((part) => (
          <CheckField
            key={part}
            label={partWords[part]}
            checked={chosen.has(part)}
            disabled={isPending}
            onChange={() => toggle(part)}
          />
        ))}
      </div>
    </section>
  );
}
