import 'server-only';

import yazl from 'yazl';

import {
  inClosingOrder,
  keepUpOf,
  roomInClosing,
  startClosing,
  type Closing,
  type ClosingRoom,
} from '@/core/client';
import { roomIdSchema, type PictureId, type ProjectId } from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { closingRecord, loadRecords, type LoadName, type Records } from '@/data/records';
import { keepUpWords } from '@/ui/client/keepUpWords';
import { nowIso, today } from '../means';
import {
  handedHomeNames,
  gatherHandedHome,
  type HandedHome,
  type ClientRoom,
} from '../show/handedHome';
import { clientPicture } from './pagePictures';

export const closingNames = [
  ...handedHomeNames,
  'closings',
  'routines',
  'setUps',
] as const satisfies readonly LoadName[];
type ClosingRecords = Records<(typeof closingNames)[number]>;

export const closingOf = ({ closings, project }: Records<'closings' | 'project'>): Closing =>
  closings[0] ?? startClosing(project.id);

/** A room of the report: how it is told, and what of it there is to tell. */
export interface ComposedRoom {
  readonly client: ClientRoom;
  readonly told: ClosingRoom;
  /** As it follows from the choices; what was typed stands in `told`. */
  readonly keepUp: readonly string[];
}

/** Every room that has something to tell, in the order of the report. */
export function composeRooms(records: ClosingRecords): readonly ComposedRoom[] {
  const closing = closingOf(records);
  const page = gatherHandedHome(records, { roomId: undefined, now: nowIso() });
  const rooms = page.rooms.map((client) => ({ id: client.room.id, client }));
  return inClosingOrder(closing, rooms).map(({ client }) => ({
    client,
    told: roomInClosing(closing, {
      id: client.room.id,
      vantagePointIds: client.pairs.map(({ vantagePoint }) => vantagePoint.id),
    }),
    keepUp: keepUpOf({
      units: records.units.filter(({ roomId }) => roomId === client.room.id),
      groups: records.groups.filter(({ roomId }) => roomId === client.room.id),
      things: records.things.filter(({ roomId }) => roomId === client.room.id),
      routines: records.routines.filter(({ roomId }) => roomId === client.room.id),
      setUp: records.setUps.find(({ id }) => id === client.room.id),
      today: today(),
    }).map(keepUpWords),
  }));
}

/** The report as it was put together, of the home or of one room. */
export function closingPage(records: ClosingRecords, roomId: string | undefined): HandedHome {
  const closing = closingOf(records);
  const rooms = composeRooms(records).filter(
    ({ client, told }) => told.isShown && (roomId === undefined || client.room.id === roomId),
  );
  return {
    project: { name: records.project.name, currency: records.project.currency },
    madeOn: nowIso(),
    opening: roomId === undefined ? closing.opening : '',
    rooms: rooms.map(({ client, told, keepUp }) => ({
      ...client,
      pairs: told.vantagePointIds.flatMap(
        (id) => client.pairs.find(({ vantagePoint }) => vantagePoint.id === id) ?? [],
      ),
      told: {
        figures: told.figures,
        said: told.said,
        keepUp: told.keepUp ?? keepUp,
        isFull: closing.tone === 'full',
      },
    })),
  };
}

const SAFE_FIGURES = ['left', 'amount', 'landfill', 'containers'] as const;

/**
 * The report for others to see: pictures that were agreed to, and figures that are no money. No name, no address,
 * no purpose, no words of the client, nothing of where things went or lie. Undefined: nobody has agreed.
 */
export function portfolioPage(records: ClosingRecords): HandedHome | undefined {
  const { consent } = closingOf(records);
  if (!consent) return undefined;
  const agreed = new Set<string>(consent.pictureIds);
  const page = closingPage(records, undefined);
  return {
    project: { name: 'A home', currency: page.project.currency },
    madeOn: page.madeOn,
    rooms: page.rooms.flatMap((client, i) => {
      const pairs = client.pairs.flatMap(({ vantagePoint, before, after }, j) => {
        const mayShow = before && after && agreed.has(before.id) && agreed.has(after.id);
        const spot = { ...vantagePoint, name: `view ${j + 1}`, beforeMissed: null };
        return mayShow ? [{ vantagePoint: spot, before, after }] : [];
      });
      return pairs.length === 0 ? [] : [withoutNames(client, { pairs, number: i + 1 })];
    }),
  };
}

const withoutNames = (
  client: ClientRoom,
  { pairs, number }: { readonly pairs: ClientRoom['pairs']; readonly number: number },
): ClientRoom => ({
  ...client,
  pairs,
  // Of whichever words a room carries, none are told.
  room: {
    ...client.room,
    id: roomIdSchema.parse(`room-${number}`),
    name: `Room ${number}`,
    purpose: '',
    budgetMinor: 0,
  },
  checks: [],
  results: { ...client.results, destinations: [], waitingFor: [], livesAt: [] },
  told: {
    figures: SAFE_FIGURES.filter((code) => client.told?.figures.includes(code)),
    said: '',
    keepUp: [],
    isFull: false,
  },
});

/** The pictures of the report alone, as a zip with a folder a room. */
export async function zipPictures(dataDir: string, page: HandedHome): Promise<Buffer> {
  const zip = new yazl.ZipFile();
  const chunks: Buffer[] = [];
  const done = new Promise<void>((resolve, reject) => {
    zip.outputStream.on('data', (chunk: Buffer) => chunks.push(chunk));
    zip.outputStream.on('end', resolve);
    zip.outputStream.on('error', reject);
  });
  for (const { room, pairs } of page.rooms)
    for (const [i, { before, after }] of pairs.entries())
      for (const [word, picture] of [
        ['before', before],
        ['after', after],
      ] as const) {
        const bytes = picture && (await clientPicture(dataDir, picture.id));
        if (bytes) zip.addBuffer(bytes, `${plainName(room.name)}/${i + 1}-${word}.jpg`);
      }
  zip.end();
  await done;
  return Buffer.concat(chunks);
}

const plainName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'room';

/** The pictures of a page, each small enough to be sent. */
export async function pagePictures(
  dataDir: string,
  page: HandedHome,
): Promise<ReadonlyMap<PictureId, Buffer>> {
  const pictures = new Map<PictureId, Buffer>();
  for (const { pairs } of page.rooms)
    for (const { before, after } of pairs)
      for (const picture of [before, after]) {
        const bytes = picture && (await clientPicture(dataDir, picture.id));
        if (picture && bytes) pictures.set(picture.id, bytes);
      }
  return pictures;
}

/** Keeps how the report is put together; what was agreed to stays as it is. */
export const saveClosing = atomic(
  async (db: Db, projectId: ProjectId, change: Omit<Closing, 'id' | 'consent'>): Promise<void> => {
    const closing = closingOf(await loadRecords(db, projectId, 'closings', 'project'));
    await recordChange(
      db,
      { projectId, deed: { code: 'closing_changed' }, now: nowIso() },
      (writer) => writer.put(closingRecord, { ...closing, ...change }),
    );
  },
);

/** Notes who agreed that the report's pictures may be shown elsewhere, to these and no later ones. */
export const noteConsent = atomic(
  async (db: Db, projectId: ProjectId, by: string): Promise<void> => {
    const records = await loadRecords(db, projectId, ...closingNames);
    const pictureIds = closingPage(records, undefined).rooms.flatMap(({ pairs }) =>
      pairs.flatMap(({ before, after }) => [before, after].flatMap((each) => each?.id ?? [])),
    );
    const consent = { by, at: nowIso(), pictureIds };
    await recordChange(
      db,
      { projectId, deed: { code: 'consent_noted', name: by }, now: nowIso() },
      (writer) => writer.put(closingRecord, { ...closingOf(records), consent }),
    );
  },
);

/** The consent was withdrawn: the portfolio version is no longer made. */
export const withdrawConsent = atomic(async (db: Db, projectId: ProjectId): Promise<void> => {
  const closing = closingOf(await loadRecords(db, projectId, 'closings', 'project'));
  if (!closing.consent) return;
  const deed = { code: 'consent_withdrawn', name: closing.consent.by } as const;
  await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
    writer.put(closingRecord, { ...closing, consent: null }),
  );
});
