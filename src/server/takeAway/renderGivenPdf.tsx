import 'server-only';

import { Document, Page, renderToBuffer, StyleSheet, Text, View } from '@react-pdf/renderer';
import { format, parseISO } from 'date-fns';

import { formatMass, LOCALE, type Currency } from '@/core/shared';
import type { Handover } from '@/core/takeAway';
import { conditionWords, streamWords, TAX_NOTE, valueWords } from '@/ui/takeAway/takeAwayWords';
import { registerPdfFonts } from '../show/pdfFonts';
import { givenByDestination } from './givenFiles';

/** What was handed over in a year, by destination, on A4. */
export async function renderGivenPdf(
  handovers: readonly Handover[],
  {
    home,
    year,
    currency,
    hasValues,
  }: {
    readonly home: string;
    readonly year: number;
    readonly currency: Currency;
    readonly hasValues: boolean;
  },
): Promise<Buffer> {
  registerPdfFonts();
  return renderToBuffer(
    <Document title={`Handed over in ${year}, ${home}`} language={LOCALE}>
      <Page size="A4" style={styles.page}>
        <View style={styles.header} fixed>
          <Text style={styles.home}>{home}</Text>
          <Text>{year}</Text>
        </View>
        <Text style={styles.h1}>Handed over</Text>
        {hasValues && <Text style={styles.note}>{TAX_NOTE}</Text>}
        {givenByDestination(handovers).map(({ name, handovers: own, sum }) => (
          <View key={name} style={styles.block}>
            <Text style={styles.h2}>{name}</Text>
            {own.map((handover) => (
              <View key={handover.id} wrap={false}>
                <Text style={styles.when}>
                  {[
                    format(parseISO(handover.at), 'd MMM yyyy'),
                    streamWords[handover.stream],
                    handover.receiptNumber === ''
                      ? 'no receipt'
                      : `receipt ${handover.receiptNumber}`,
                  ].join(' · ')}
                </Text>
                {handover.lines.map((line) => (
                  <View key={line.thingId} style={styles.row}>
                    <Text style={styles.what}>{`${line.count} ${line.name}`}</Text>
                    <Text style={styles.figure}>{conditionWords[line.condition]}</Text>
                    <Text style={styles.figure}>{formatMass(line.massG)}</Text>
                    {hasValues && (
                      <Text style={styles.value}>
                        {line.value
                          ? valueWords(
                              line.count * line.value.lowMinor,
                              line.count * line.value.highMinor,
                              currency,
                            )
                          : ''}
                      </Text>
                    )}
                  </View>
                ))}
              </View>
            ))}
            <View style={styles.sum}>
              <Text style={styles.what}>{`${sum.count} pieces`}</Text>
              <Text style={styles.figure}>{formatMass(sum.massG)}</Text>
              {hasValues && (
                <Text style={styles.value}>
                  {valueWords(sum.lowMinor, sum.highMinor, currency)}
                </Text>
              )}
            </View>
          </View>
        ))}
      </Page>
    </Document>,
  );
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
  h2: { fontFamily: 'Head', fontWeight: 700, fontSize: 14, marginBottom: 2 },
  note: { color: '#625b4d', marginTop: 4, marginBottom: 6 },
  block: { marginTop: 10 },
  when: { color: '#625b4d', marginTop: 4 },
  row: {
    flexDirection: 'row',
    gap: 8,
    borderTopWidth: 0.7,
    borderTopColor: '#d5cab5',
    paddingVertical: 2.5,
  },
  what: { flex: 1 },
  figure: { width: 60, textAlign: 'right' },
  value: { width: 96, textAlign: 'right' },
  sum: {
    flexDirection: 'row',
    gap: 8,
    fontWeight: 700,
    borderTopWidth: 1.5,
    borderTopColor: '#22201b',
    paddingVertical: 3,
  },
});
