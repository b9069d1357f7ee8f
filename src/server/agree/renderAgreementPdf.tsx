import 'server-only';

import { Document, Page, renderToBuffer, StyleSheet, Text, View } from '@react-pdf/renderer';

import { registerPdfFonts } from '../show/pdfFonts';
import type { AgreementPart } from './agreementLines';
import { changeWords, type AgreementSheet } from './renderAgreement';
import { LOCALE } from '@/core/shared';

/** Above this many lines the sheet is set smaller, so that it stays on one page as long as it can be read. */
const LINES_AT_FULL_SIZE = 46;

/** The agreement sheet as a PDF on one A4 page; longer ones run on. */
export async function renderAgreementPdf(sheet: AgreementSheet): Promise<Buffer> {
  registerPdfFonts();
  const lineCount = sheet.parts.reduce(
    (sum, part) => sum + part.lines.length + 2,
    sheet.since?.changes.length ?? 0,
  );
  const fontSize = Math.max(6.8, Math.min(9, (9 * LINES_AT_FULL_SIZE) / Math.max(1, lineCount)));
  const [left, right] = splitEvenly(sheet.parts);
  return renderToBuffer(
    <Document title={`Agreement, ${sheet.home}`} language={LOCALE}>
      <Page size="A4" style={[styles.page, { fontSize }]}>
        <View style={styles.header}>
          <Text style={styles.home}>{sheet.home}</Text>
          <Text>{sheet.day}</Text>
        </View>
        <Text style={styles.h1}>What we agreed</Text>
        {sheet.estimateWords.map((words) => (
          <Text key={words} style={styles.estimate}>
            {words}
          </Text>
        ))}
        {sheet.since && (
          <View style={styles.since}>
            <Text>
              {`Agreed with ${sheet.since.agreedBy} on ${sheet.since.day}` +
                `${sheet.since.changes.length === 0 ? '; nothing has changed since.' : '. Changed since:'}`}
            </Text>
            {sheet.since.changes.map((change, i) => (
              <Text key={i}>{`· ${changeWords(change)}`}</Text>
            ))}
          </View>
        )}
        <View style={styles.columns}>
          {[left, right].map((parts, i) => (
            <View key={i} style={styles.column}>
              {parts.map((part) => (
                <Part key={part.title} part={part} />
              ))}
            </View>
          ))}
        </View>
        <View style={styles.signs} wrap={false}>
          <Text style={styles.sign}>Client, date</Text>
          <Text style={styles.sign}>Organizer, date</Text>
        </View>
      </Page>
    </Document>,
  );
}

function Part({ part }: { part: AgreementPart }) {
  return (
    <View style={styles.part}>
      <Text style={styles.h2}>{part.title}</Text>
      {part.lines.map(({ key, label, value }) => (
        <View key={key} style={styles.row} wrap={false}>
          <Text style={styles.strong}>{label}</Text>
          <Text style={styles.cell}>{value}</Text>
        </View>
      ))}
    </View>
  );
}

/** Two columns of about as many lines, parts kept whole and in order. */
function splitEvenly(
  parts: readonly AgreementPart[],
): readonly [readonly AgreementPart[], readonly AgreementPart[]] {
  const weight = (list: readonly AgreementPart[]) =>
    list.reduce((sum, part) => sum + part.lines.length + 2, 0);
  const cut = parts
    .map((_, i) => i + 1)
    .reduce(
      (best, at) =>
        Math.abs(weight(parts.slice(0, at)) - weight(parts.slice(at))) <
        Math.abs(weight(parts.slice(0, best)) - weight(parts.slice(best)))
          ? at
          : best,
      1,
    );
  return [parts.slice(0, cut), parts.slice(cut)];
}

const styles = StyleSheet.create({
  page: { padding: 34, fontFamily: 'Text', color: '#22201b' },
  header: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    borderBottomWidth: 3,
    borderBottomColor: '#23407a',
    paddingBottom: 5,
    marginBottom: 10,
  },
  home: { fontFamily: 'Head', fontWeight: 700, fontSize: 11 },
  h1: { fontFamily: 'Head', fontWeight: 700, fontSize: 17 },
  h2: { fontFamily: 'Head', fontWeight: 700, fontSize: 10.5, marginBottom: 2 },
  estimate: { marginTop: 3 },
  since: {
    borderLeftWidth: 3,
    borderLeftColor: '#c8641b',
    backgroundColor: '#fbe7d3',
    padding: 6,
    marginTop: 7,
  },
  columns: { flexDirection: 'row', gap: 14, marginTop: 8 },
  column: { flex: 1 },
  part: { marginBottom: 9 },
  row: {
    flexDirection: 'row',
    gap: 6,
    borderTopWidth: 0.6,
    borderTopColor: '#d5cab5',
    paddingVertical: 2.2,
  },
  strong: { fontWeight: 700, width: '42%' },
  cell: { flex: 1 },
  signs: { flexDirection: 'row', gap: 20, marginTop: 34 },
  sign: { flex: 1, borderTopWidth: 0.8, borderTopColor: '#22201b', paddingTop: 3 },
});
