'use client';

import { useState } from 'react';

import { type ClientDesk, type SharePart } from '@/core/client';
import { formatMoney, type Currency } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { Choice } from '../primitives/Choice';
import { CheckField, TextField } from '../primitives/Field';
import { useMutation } from '../useMutation';
import type { TypedPage } from './clientForms';
import { askedName, partWords } from './clientWords';

/** A page that was made; a link is told this once. */
export interface PageMade {
  readonly pageId: string;
  readonly link: string | undefined;
  readonly mailFault: string | undefined;
  readonly isSent: boolean;
}

export interface MakePageProps {
  readonly projectId: string;
  readonly desk: ClientDesk;
  readonly currency: Currency;
  /** Who could be meant. */
  readonly names: readonly string[];
  readonly reach: 'anywhere' | 'network' | 'machine';
  readonly mailKind: 'smtp' | 'simulated';
  readonly onMake: (typed: TypedPage) => Promise<ActionResult<PageMade>>;
}

const REACH_WORDS: Readonly<Record<MakePageProps['reach'], string>> = {
  anywhere: '',
  network: 'Links open in this home’s network only, as Tin Box is started now.',
  machine:
    'Links open on this machine only, as Tin Box is started now. Start it with --lan, or say TINBOX_PUBLIC_ADDRESS.',
};
const MAIL_WORDS = 'Messages go to the simulated mailbox until a mail server is set (TINBOX_SMTP).';

/** Chooses what is asked and shown, and makes a link or a file of it. */
export function MakePage(props: MakePageProps) {
  const { desk, currency, names, reach, mailKind, onMake } = props;
  const { mutate, isPending, fields } = useMutation({ showsFields: true });
  const [way, setWay] = useState<TypedPage['way']>('link');
  const [name, setName] = useState(names[0] ?? '');
  const [mayAnswer, setMayAnswer] = useState(true);
  const [leftOut, setLeftOut] = useState<ReadonlySet<string>>(new Set());
  const [parts, setParts] = useState<ReadonlySet<SharePart>>(new Set());
  const [days, setDays] = useState('30');
  const [to, setTo] = useState('');
  const [text, setText] = useState('');
  const [made, setMade] = useState<PageMade>();
  const keys = desk.askable
    .map(({ asked }) => asked.key)
    .filter((key) => mayAnswer && !leftOut.has(key));
  const make = async () => {
    setMade(undefined);
    const result = await mutate(() =>
      onMake({
        way,
        name,
        mayAnswer,
        parts: desk.sharedParts.filter((part) => parts.has(part)),
        keys,
        days,
        to,
        subject: '',
        text,
      }),
    );
    if (result.ok) setMade(result.value);
  };
  return (
    <section aria-label="A page for the client" className="panel p-4">
      <h2 className="text-[18px]">A page for the client</h2>
      <div className="mt-2 grid gap-3">
        <Choice
          label="How it gets there"
          value={way}
          options={[
            ['link', 'A link'],
            ['file', 'A file that answers back'],
          ]}
          onChange={setWay}
        />
        {way === 'link' && reach !== 'anywhere' && (
          <p className="text-[14px] text-soft">{REACH_WORDS[reach]}</p>
        )}
        <TextField
          label="For whom"
          isNeeded
          value={name}
          list="client-names"
          error={fields['form.name']}
          onChange={(event) => setName(event.target.value)}
        />
        <datalist id="client-names">
          {names.map((each) => (
            <option key={each} value={each} />
          ))}
        </datalist>
        <CheckField
          label="May answer; otherwise it is for looking only"
          checked={mayAnswer}
          onChange={(event) => setMayAnswer(event.target.checked)}
        />
        {mayAnswer && (
          <fieldset>
            <legend className="text-[14px] font-[650]">What is asked</legend>
            {desk.askable.length === 0 && (
              <p className="text-[14px] text-soft">
                No question is open. Put something into “Ask the client” at the bench, or a line on
                a shopping list.
              </p>
            )}
            {desk.askable.map(({ asked, isOut }) => (
              <CheckField
                key={asked.key}
                label={`${askedName(asked)}${
                  asked.about === 'purchase' ? `, ${formatMoney(asked.lineMinor, currency)}` : ''
                }${isOut ? ' (asked on another page)' : ''}`}
                checked={!leftOut.has(asked.key)}
                onChange={() => setLeftOut(toggled(leftOut, asked.key))}
              />
            ))}
          </fieldset>
        )}
        <fieldset>
          <legend className="text-[14px] font-[650]">What is shown beside</legend>
          {desk.sharedParts.length === 0 ? (
            <p className="text-[14px] text-soft">
              Nothing is shared of this home. Tick it below first.
            </p>
          ) : (
            desk.sharedParts.map((part) => (
              <CheckField
                key={part}
                label={partWords[part]}
                checked={parts.has(part)}
                onChange={() => setParts(toggled(parts, part))}
              />
            ))
          )}
        </fieldset>
        {way === 'link' && (
          <TextField
            label="Ends after so many days"
            inputMode="numeric"
            value={days}
            error={fields['form.days']}
            onChange={(event) => setDays(event.target.value)}
          />
        )}
        <details>
          <summary className="min-h-10 content-center text-[14.5px] text-rim max-md:min-h-12">
            Send it by mail
          </summary>
          <div className="grid gap-2">
            {mailKind === 'simulated' && <p className="text-[14px] text-soft">{MAIL_WORDS}</p>}
            <TextField
              label="Mail address"
              type="email"
              value={to}
              error={fields['form.to']}
              onChange={(event) => setTo(event.target.value)}
            />
            <label className="text-[14px]">
              What you write
              <textarea
                className="input mt-1 min-h-20"
                value={text}
                maxLength={4000}
                placeholder="Here is your page."
                onChange={(event) => setText(event.target.value)}
              />
            </label>
          </div>
        </details>
        <Button look="main" disabled={isPending} onClick={() => void make()}>
          {makeWords(way, to !== '')}
        </Button>
        {made && <Made projectId={props.projectId} made={made} />}
      </div>
    </section>
  );
}

function makeWords(way: TypedPage['way'], isSent: boolean): string {
  if (isSent) return way === 'link' ? 'Make the link and send it' : 'Make the file and send it';
  return way === 'link' ? 'Make the link' : 'Make the file';
}

function toggled<T>(set: ReadonlySet<T>, each: T): ReadonlySet<T> {
  const next = new Set(set);
  if (next.has(each)) next.delete(each);
  else next.add(each);
  return next;
}

/** What was made. The secret of a link is kept nowhere: it is shown now and never again. */
function Made({ projectId, made }: { projectId: string; made: PageMade }) {
  const [said, setSaid] = useState('');
  return (
    <div role="status" className="rounded-md border-[1.5px] border-rim p-3 text-[14.5px]">
      {made.mailFault !== undefined && (
        <p className="warn mb-2">
          <b>It was made and not sent.</b> {made.mailFault}
        </p>
      )}
      {made.isSent && <p className="mb-1">It was made and sent.</p>}
      {made.link === undefined ? (
        <a
          className={buttonClass('quiet')}
          href={`/api/projects/${projectId}/client-pages/${made.pageId}`}
          download
        >
          Save the file
        </a>
      ) : (
        <>
          <p>The link, told this once: copy it now.</p>
          <input
            readOnly
            className="input mt-1 font-mono text-[13px]"
            aria-label="The link"
            value={made.link}
            onFocus={(event) => event.target.select()}
          />
          <Button
            className="mt-2"
            look="quiet"
            onClick={() =>
              void navigator.clipboard.writeText(made.link ?? '').then(
                () => setSaid('Copied.'),
                () => setSaid('Mark the link above and copy it.'),
              )
            }
          >
            Copy the link
          </Button>{' '}
          <span>{said}</span>
        </>
      )}
    </div>
  );
}
