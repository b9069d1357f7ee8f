import 'server-only';

import { Document, Image, Page, renderToBuffer, StyleSheet, Text, View } from '@react-pdf/renderer';

import { LOCALE, type PictureId } from '@/core/shared';
import type { Picture } from '@/core/look';
import type { HandedHome, ClientRoom } from './handedHome';
import { registerPdfFonts } from './pdfFonts';
import {
  checkLines,
  dayWords,
  destinationLines,
  waitingLines,
  figuresOf,
  inLine,
  livesLine,
  missingPictureWords,
} from './clientWords';

/** The client's page as a PDF on A4. `pictures` holds the JPEG of every picture shown. */
export async function renderClientPdf(
  page: HandedHome,
  pictures: ReadonlyMap<PictureId, Buffer>,
): Promise<Buffer> {
  registerPdfFonts();
  return renderToBuffer(
    <Document title={page.project.name} language={LOCALE}>
      {page.rooms.map((room, i) => (
        <Page key={room.room.id} size="A4" style={styles.page}>
          <View style={styles.header} fixed>
            <Text style={styles.home}>{page.project.name}</Text>
            <Text>{dayWords(page.madeOn)}</Text>
          </View>
          {i === 0 && page.opening !== undefined && page.opening !== '' && (
            <Text style={styles.opening}>{page.opening}</Text>
          )}
          <RoomBody client={room} page={page} pictures={pictures} />
          <Text
            style={styles.foot}
            fixed
            render={({ pageNumber, totalPages }) => `${pageNumber} of ${totalPages}`}
          />
        </Page>
      ))}
    </Document>,
  );
}

function RoomBody({
  client,
  page,
  pictures,
}: {
  client: ClientRoom;
  page: HandedHome;
  pictures: ReadonlyMap<PictureId, Buffer>;
}) {
  const isFull = client.told?.isFull ?? true;
  const destinations = isFull ? destinationLines(client) : [];
  const waiting = isFull ? waitingLines(client) : [];
  const lives = isFull ? client.results.livesAt : [];
  const checks = checkLines(client);
  return (
    <>
      <Text style={styles.h1}>{client.room.name}</Text>
      {client.room.purpose !== '' && <Text style={styles.purpose}>{client.room.purpose}</Text>}
      {client.pairs.map(({ vantagePoint, before, after }) => (
        <View key={vantagePoint.id} style={styles.pair} wrap={false}>
          {!before && vantagePoint.beforeMissed !== null && (
            <View style={styles.half}>
              <Text>{vantagePoint.beforeMissed}</Text>
              <Text style={styles.caption}>{`No picture before, ${vantagePoint.name}`}</Text>
            </View>
          )}
          <PdfPicture picture={before} word="Before" name={vantagePoint.name} pictures={pictures} />
          <PdfPicture picture={after} word="After" name={vantagePoint.name} pictures={pictures} />
        </View>
      ))}
      <View style={styles.figures} wrap={false}>
        {figuresOf(client, page.project.currency).map(({ value, label }) => (
          <View key={label} style={styles.figure}>
            <Text style={styles.value}>{value}</Text>
            <Text style={styles.label}>{label}</Text>
          </View>
        ))}
      </View>
      {client.told && client.told.said !== '' && (
        <Text style={styles.said}>{client.told.said}</Text>
      )}
      {client.told && client.told.keepUp.length > 0 && (
        <Text style={styles.h2} minPresenceAhead={60}>
          Keep it up
        </Text>
      )}
      {client.told?.keepUp.map((line) => (
        <Text key={line} style={styles.line}>{`•  ${line}`}</Text>
      ))}
      {checks.length > 0 && (
        <Text style={styles.h2} minPresenceAhead={60}>
          Possible here again
        </Text>
      )}
      {checks.map(({ text, said }) => (
        <View key={text} style={styles.row} wrap={false}>
          <Text style={styles.strong}>{text}</Text>
          <Text>{said}</Text>
        </View>
      ))}
      {destinations.length > 0 && (
        <Text style={styles.h2} minPresenceAhead={60}>
          What left this room, and where it went
        </Text>
      )}
      {destinations.map(({ where, amount }) => (
        <View key={where} style={styles.row} wrap={false}>
          <Text style={styles.strong}>{where}</Text>
          <Text>{amount}</Text>
        </View>
      ))}
      {waiting.length > 0 && (
        <Text style={styles.h2} minPresenceAhead={60}>
          Decided, and still to leave
        </Text>
      )}
      {waiting.map(({ where, amount }) => (
        <View key={where} style={styles.row} wrap={false}>
          <Text style={styles.strong}>{where}</Text>
          <Text>{amount}</Text>
        </View>
      ))}
      {lives.length > 0 && (
        <Text style={styles.h2} minPresenceAhead={60}>
          Where everything lives
        </Text>
      )}
      {lives.map((each) => (
        <View key={each.groupName} style={styles.row} wrap={false}>
          <Text style={styles.strong}>{each.groupName}</Text>
          <Text style={styles.cell}>{livesLine(each)}</Text>
          <Text style={styles.cell}>{inLine(each)}</Text>
        </View>
      ))}
    </>
  );
}

interface PdfPictureProps {
  readonly picture: Picture | undefined;
  readonly word: string;
  readonly name: string;
  readonly pictures: ReadonlyMap<PictureId, Buffer>;
}

function PdfPicture({ picture, word, name, pictures }: PdfPictureProps) {
  const data = picture && pictures.get(picture.id);
  if (!picture) return null;
  return (
    <View style={styles.half}>
      {data ? (
        // eslint-disable-next-line jsx-a11y/alt-text -- a PDF image has no alt; its caption is below
        <Image src={{ data, format: 'jpg' }} style={styles.image} />
      ) : (
        <Text style={styles.caption}>{missingPictureWords}</Text>
      )}
      <Text style={styles.caption}>{`${word}, ${dayWords(picture.takenAt)}, ${name}`}</Text>
    </View>
  );
}

const styles = StyleSheet.create({
  page: { padding: 40, paddingBottom: 52, fontFamily: 'Text', fontSize: 10.5, color: '#22201b' },
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
  h2: { fontFamily: 'Head', fontWeight: 700, fontSize: 13, marginTop: 16, marginBottom: 4 },
  purpose: { color: '#625b4d', marginTop: 4 },
  pair: { flexDirection: 'row', gap: 10, marginTop: 12 },
  half: { flex: 1 },
  image: { width: '100%' },
  caption: { fontSize: 9, marginTop: 3, color: '#625b4d' },
  figures: { flexDirection: 'row', flexWrap: 'wrap', gap: 12, marginTop: 14 },
  figure: { width: '30%', borderTopWidth: 2, borderTopColor: '#23407a', paddingTop: 4 },
  value: { fontFamily: 'Head', fontWeight: 700, fontSize: 15 },
  label: { fontSize: 9, color: '#625b4d' },
  row: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    gap: 10,
    borderTopWidth: 0.7,
    borderTopColor: '#d5cab5',
    paddingVertical: 4,
  },
  strong: { fontWeight: 700, flex: 1 },
  said: { fontFamily: 'Head', fontSize: 13, marginTop: 12, paddingLeft: 10 },
  line: { paddingVertical: 2 },
  opening: { fontSize: 12, marginBottom: 12 },
  cell: { flex: 1 },
  foot: {
    position: 'absolute',
    bottom: 24,
    left: 40,
    right: 40,
    textAlign: 'right',
    fontSize: 9,
    color: '#625b4d',
  },
});
