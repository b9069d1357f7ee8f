import 'server-only';

import { makeStatement, type Statement } from '@/core/visits';
import { atomic, recordChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { loadRecords, projectRecord, type Records } from '@/data/records';
import { listWorkers } from '@/data/settingsRepo';
import type { ProjectId } from '@/core/shared';
import { writeCsvTable } from '../exchange/csvTable';
import { nowIso } from '../means';

type StatementTerms = Records<'project'>['project']['terms']['statement'];
export const statementNames = ['project', 'purchases', 'rooms', 'sections', 'visits'] as const;
export type StatementRecords = Records<(typeof statementNames)[number]>;
/** From and to which day, both counted; null: without an end. */
export interface StatementSpan {
  readonly from: string | null;
  readonly to: string | null;
}

/** How hours are rounded and what tax stands on the statement. */
export const saveStatementTerms = atomic(
  async (db: Db, projectId: ProjectId, statement: StatementTerms): Promise<void> => {
    const { project } = await loadRecords(db, projectId, 'project');
    await recordChange(
      db,
      { projectId, deed: { code: 'terms_changed' }, now: nowIso() },
      (writer) => writer.put(projectRecord, { ...project, terms: { ...project.terms, statement } }),
    );
  },
);

export async function loadStatement(
  db: Db,
  { project, purchases, rooms, sections, visits }: StatementRecords,
  span: StatementSpan,
): Promise<Statement> {
  const workers = await listWorkers(db);
  return makeStatement({
    terms: project.terms,
    rooms,
    sections,
    visits,
    purchases,
    people: [
      ...project.terms.days.people,
      ...visits.flatMap(({ people }) => people),
      ...workers.map(({ name }) => name),
    ],
    ...span,
  });
}

/** The columns of the open format, in their order; documented in docs/formats.md. */
const columns = [
  'kind',
  'day',
  'what',
  'who',
  'minutes',
  'rounded_minutes',
  'amount',
  'currency',
  'source_kind',
  'source_id',
] as const;
type Row = Readonly<Record<(typeof columns)[number], string>>;

/** A statement as CSV: a line each for hours, purchases, returns, tax; amounts with a point. */
export function writeStatementCsv(
  statement: Statement,
  { currency, terms }: Records<'project'>['project'],
): string {
  const empty: Row = {
    kind: '',
    day: '',
    what: '',
    who: '',
    minutes: '',
    rounded_minutes: '',
    amount: '',
    currency,
    source_kind: '',
    source_id: '',
  };
  const money = (minor: number) => (minor / 100).toFixed(2);
  return writeCsvTable(columns, [
    ...statement.hours.map((line): Row => ({
      ...empty,
      kind: line.isCorrected ? 'hours_corrected' : 'hours',
      day: line.day ?? '',
      what: line.what,
      who: line.people.join('; '),
      minutes: String(Math.round(line.minutes)),
      rounded_minutes: String(line.roundedMinutes),
      amount: money(line.feeMinor),
      source_kind: line.source.kind,
      source_id: line.source.id,
    })),
    ...(statement.taxMinor === 0
      ? []
      : [
          {
            ...empty,
            kind: 'tax',
            what: `${terms.statement.taxLabel} ${terms.statement.taxBasisPoints / 100} %`.trim(),
            amount: money(statement.taxMinor),
          },
        ]),
    ...statement.paid.map((line): Row => ({
      ...empty,
      kind: line.kind,
      day: line.day,
      what: `${line.shopName}: ${line.what}`,
      who: line.paidBy,
      amount: money(line.amountMinor),
      source_kind: 'purchase',
      source_id: line.purchaseId,
    })),
    {
      ...empty,
      kind: 'total',
      rounded_minutes: String(statement.minutes),
      amount: money(statement.totalMinor),
    },
  ]);
}
