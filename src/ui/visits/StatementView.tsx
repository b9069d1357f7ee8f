import type { Project } from '@/core/agree';
import { formatCount, formatMoney } from '@/core/shared';
import type { HoursLine, PaidLine, Statement } from '@/core/visits';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { Link } from '../primitives/Link';
import { StatementTerms } from './StatementTerms';
import { roundingWords, signedRanWords, taxWords } from './statementWords';
import { toTypedStatement, type StatementTyped } from './visitForm';
import { ranWords, visitDayWords } from './visitWords';

interface StatementViewProps {
  readonly project: Project;
  readonly statement: Statement;
  readonly span: { readonly from: string | null; readonly to: string | null };
  readonly onTerms: (typed: StatementTyped) => Promise<ActionResult>;
}

/** What the client owes for a time; each line leads to the record that it comes from. */
export function StatementView({ project, statement, span, onTerms }: StatementViewProps) {
  const { terms, currency } = project;
  const money = (minor: number) => formatMoney(minor, currency);
  const query = `from=${span.from ?? ''}&to=${span.to ?? ''}`;
  const file = (as: string) => `/api/projects/${project.id}/statement?as=${as}&${query}`;
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-end gap-2.5">
        <h1 className="mr-auto text-[24px]">Statement</h1>
        <a className={buttonClass('quiet')} href={file('csv')}>
          CSV
        </a>
        <a className={buttonClass('main')} href={file('pdf')}>
          PDF for the client
        </a>
      </div>
      <form className="flex flex-wrap items-end gap-2.5">
        <TextField label="From day" type="date" name="from" defaultValue={span.from ?? ''} />
        <TextField label="To day" type="date" name="to" defaultValue={span.to ?? ''} />
        <Button type="submit">Show</Button>
        <p className="text-[14px] text-soft">Without days it has all visits so far.</p>
      </form>
      {terms.hourlyRateMinor === 0 && (
        <p className="warn">
          No fee an hour is agreed, so hours come to nothing. Set it under{' '}
          <Link className="underline" href={`/projects/${project.id}/home/agree`}>
            Agree
          </Link>
          .
        </p>
      )}
      <section aria-label="Hours" className="panel p-4">
        <h2 className="text-[18px]">Hours</h2>
        <p className="text-[14px] text-soft">
          {roundingWords(terms.statement)} {money(terms.hourlyRateMinor)} an hour that is worked,
          however many come.
        </p>
        {statement.hours.length === 0 && (
          <p className="mt-1 text-[14.5px]">No visit has ended yet.</p>
        )}
        <ul className="mt-1 divide-y divide-line">
          {statement.hours.map((line) => (
            <HoursRow key={line.source.id} line={line} projectId={project.id} money={money} />
          ))}
        </ul>
        <SumLine
          what="Fee"
          middle={signedRanWords(statement.minutes)}
          amount={money(statement.feeMinor)}
        />
        {statement.taxMinor > 0 && (
          <SumLine what={taxWords(terms.statement)} amount={money(statement.taxMinor)} />
        )}
      </section>
      <section aria-label="Purchases" className="panel p-4">
        <h2 className="text-[18px]">Paid by whoever came</h2>
        {statement.paid.length === 0 && (
          <p className="mt-1 text-[14.5px]">Nobody who came paid for anything.</p>
        )}
        <ul className="mt-1 divide-y divide-line">
          {statement.paid.map((line) => (
            <PaidRow
              key={`${line.purchaseId} ${line.kind}`}
              line={line}
              projectId={project.id}
              money={money}
            />
          ))}
        </ul>
        {statement.paid.length > 0 && (
          <SumLine
            what="Purchases, less what came back"
            amount={money(statement.paidMinor - statement.returnedMinor)}
          />
        )}
        {statement.unsaid.count > 0 && (
          <p className="mt-1.5 text-[14px] text-soft">
            {formatCount(statement.unsaid.count, 'purchase')} of {money(statement.unsaid.minor)} in
            this time say nobody who paid: they are not on it.
          </p>
        )}
      </section>
      <p className="flex items-baseline justify-between border-t-4 border-rim pt-2 font-head text-[22px] font-[650]">
        Total <span className="font-mono">{money(statement.totalMinor)}</span>
      </p>
      <StatementTerms typed={toTypedStatement(terms)} onSave={onTerms} />
    </div>
  );
}

const ROW = 'flex flex-wrap items-baseline gap-x-3 py-1.5 text-[14.5px]';
/** Below its figures on a phone. */
const WHAT = 'mr-auto max-md:order-last max-md:basis-full';
const SOURCE =
  'inline-block text-rim underline underline-offset-3 max-md:mr-auto max-md:min-h-12 max-md:content-center';

function HoursRow({
  line,
  projectId,
  money,
}: {
  readonly line: HoursLine;
  readonly projectId: string;
  readonly money: (minor: number) => string;
}) {
  const { source, day } = line;
  const href =
    source.kind === 'visit'
      ? `/projects/${projectId}/home/days#${source.id}`
      : `/projects/${projectId}/rooms/${source.id}/show`;
  return (
    <li className={ROW}>
      <Link className={SOURCE} href={href}>
        {day === null ? `Hours typed, ${line.what.toLowerCase()}` : visitDayWords(day)}
      </Link>
      <span className={`${WHAT} text-soft`}>
        {[
          day === null ? 'beside its visits' : line.what,
          line.people.join(', '),
          line.isCorrected && day !== null && 'corrected',
          line.minutes !== line.roundedMinutes &&
            day !== null &&
            `at work ${ranWords(line.minutes)}`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </span>
      <span className="w-[84px] text-right font-mono">{signedRanWords(line.roundedMinutes)}</span>
      <span className="w-[92px] text-right font-mono">{money(line.feeMinor)}</span>
    </li>
  );
}

function PaidRow({
  line,
  projectId,
  money,
}: {
  readonly line: PaidLine;
  readonly projectId: string;
  readonly money: (minor: number) => string;
}) {
  return (
    <li className={ROW}>
      <Link className={SOURCE} href={`/projects/${projectId}/rooms/${line.roomId}/shop`}>
        {visitDayWords(line.day)}
      </Link>
      <span className={WHAT}>
        {line.kind === 'returned' && 'returned: '}
        {line.what}{' '}
        <span className="text-soft">
          · {line.shopName}, {line.paidBy}
        </span>
      </span>
      <span className="w-[92px] text-right font-mono">{money(line.amountMinor)}</span>
    </li>
  );
}

function SumLine({ what, middle, amount }: { what: string; middle?: string; amount: string }) {
  return (
    <p className="flex items-baseline gap-x-3 border-t-2 border-ink py-1.5 font-[650]">
      <span className="mr-auto">{what}</span>
      {middle !== undefined && <span className="w-[84px] text-right font-mono">{middle}</span>}
      <span className="w-[92px] text-right font-mono">{amount}</span>
    </p>
  );
}
