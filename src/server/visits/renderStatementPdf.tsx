import 'server-only';

import { Document, Page, renderToBuffer, StyleSheet, Text, View } from '@react-pdf/renderer';
import { format, parseISO } from 'date-fns';

import { formatMoney, LOCALE } from '@/core/shared';
import { condenseStatement, type Statement } from '@/core/visits';
import type { Records } from '@/data/records';
import { roundingWords, signedRanWords, taxWords } from '@/ui/visits/statementWords';
import { registerPdfFonts } from '../show/pdfFonts';
import type { StatementSpan } from './statement';

/** So many lines of hours, and of purchases, go on a page together with the sums. */
const MOST_LINES = 16;

/** A statement for the client on one page of A4; where it has more lines, by month and by shop. */
export async function renderStatementPdf(
  statement: Statement,
  {
    project,
    span,
    madeOn,
  }: {
    readonly project: Records<'project'>['project'];
    readonly span: StatementSpan;
    readonly madeOn: string;
  },
): Promise<Buffer> {
  registerPdfFonts();
  const short = condenseStatement(statement, MOST_LINES);
  const { terms, currency } = project;
  const money = (minor: number) => formatMoney(minor, currency);
  return renderToBuffer(
    <Document title={`Statement, ${project.name}`} language={LOCALE}>
      <Page size="A4" style={styles.page} wrap={false}>
        <View style={styles.header}>
          <Text style={styles.home}>{project.name}</Text>
          <Text>{dayWords(madeOn)}</Text>
        </View>
        <Text style={styles.h1}>Statement</Text>
        <Text style={styles.note}>
          {`${spanWords(span)} ${roundingWords(terms.statement)} ${money(terms.hourlyRateMinor)} an hour.`}
        </Text>
        {short.hours.map((line, i) => (
          <View key={i} style={styles.row}>
            <Text style={styles.day}>{line.day === null ? 'hours typed' : dayWords(line.day)}</Text>
            <Text style={styles.what}>
              {[line.what, line.people.join(', ')].filter(Boolean).join(' · ')}
            </Text>
            <Text style={styles.figure}>{signedRanWords(line.roundedMinutes)}</Text>
            <Text style={styles.figure}>{money(line.feeMinor)}</Text>
          </View>
        ))}
        <Sum
          what="Fee"
          minutes={signedRanWords(statement.minutes)}
          amount={money(statement.feeMinor)}
        />
        {statement.taxMinor > 0 && (
          <Sum what={taxWords(terms.statement)} amount={money(statement.taxMinor)} />
        )}
        {short.paid.map((line, i) => (
          <View key={i} style={styles.row}>
            <Text style={styles.day}>{dayWords(line.day)}</Text>
            <Text style={styles.what}>
              {`${line.kind === 'returned' ? 'Returned: ' : ''}${line.shopName}, ${line.what}`}
            </Text>
            <Text style={styles.figure}>{money(line.amountMinor)}</Text>
          </View>
        ))}
        {statement.paid.length > 0 && (
          <Sum
            what="Purchases, less what came back"
            amount={money(statement.paidMinor - statement.returnedMinor)}
          />
        )}
        <View style={styles.total}>
          <Text>Total</Text>
          <Text>{money(statement.totalMinor)}</Text>
        </View>
      </Page>
    </Document>,
  );
}

function Sum({ what, minutes, amount }: { what: string; minutes?: string; amount: string }) {
  return (
    <View style={styles.sum}>
      <Text style={styles.what}>{what}</Text>
      {minutes !== undefined && <Text style={styles.figure}>{minutes}</Text>}
      <Text style={styles.figure}>{amount}</Text>
    </View>
  );
}

const dayWords = (day: string): string => format(parseISO(day), 'd MMM yyyy');

function spanWords({ from, to }: StatementSpan): string {
  if (from !== null && to !== null) return `${dayWords(from)} to ${dayWords(to)}.`;
  if (from !== null) return `From ${dayWords(from)} on.`;
  return to === null ? 'All visits so far.' : `Until ${dayWords(to)}.`;
}

const styles = StyleSheet.create({
  page: { padding: 40, fontFamily: 'Text', fontSize: 10, color: '#22201b' },
  header: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    borderBottomWidth: 3,
    borderBottomColor: '#23407a',
    paddingBottom: 6,
    marginBottom: 14,
  },
  home: { fontFamily: 'Head', fontWeight: 700, fontSize: 12 },
  h1: { fontFamily: 'Head', fontWeight: 700, fontSize: 22 },
  note: { color: '#625b4d', marginTop: 4, marginBottom: 10 },
  row: {
    flexDirection: 'row',
    gap: 8,
    borderTopWidth: 0.7,
    borderTopColor: '#d5cab5',
    paddingVertical: 3,
  },
  day: { width: 74 },
  what: { flex: 1 },
  figure: { width: 64, textAlign: 'right' },
  sum: {
    flexDirection: 'row',
    gap: 8,
    fontWeight: 700,
    borderTopWidth: 1.5,
    borderTopColor: '#22201b',
    paddingVertical: 4,
    marginBottom: 8,
  },
  total: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    fontFamily: 'Head',
    fontWeight: 700,
    fontSize: 15,
    marginTop: 6,
  },
});
