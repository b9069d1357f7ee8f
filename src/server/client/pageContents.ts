import 'server-only';

import { visitStateOf } from '@/core/visits';
import type { AgreementLine } from '@/core/agree';
import {
  standingOf,
  type Asked,
  type ClientAnswer,
  type ClientPage,
  type SharePart,
  type Standing,
} from '@/core/client';
import type { Currency, PictureId, RoomId } from '@/core/shared';
import { pairPictures, roomResultsOf, type LivesAt, type PicturePair } from '@/core/show';
import { isKept } from '@/core/sort';
import type { Handover } from '@/core/takeAway';
import type { Statement, Visit } from '@/core/visits';
import { stampOf } from '@/data/changes';
import type { Db } from '@/data/db';
import { loadRecords, type LoadName, type Records } from '@/data/records';
import { roomRecordsOf } from '../desk/loadDesk';
import { handedHomeNames } from '../show/handedHome';
import { loadStatement, statementNames } from '../visits/statement';
import { loadHomeNow } from './answers';
import { askableNames } from './askable';

const contentNames = [
  ...handedHomeNames,
  ...askableNames,
  ...statementNames,
  'agreements',
  'clientAnswers',
  'handovers',
  'sharings',
  'visits',
] as const satisfies readonly LoadName[];
type ContentRecords = Records<(typeof contentNames)[number]>;

/** A question with what has become of it, and what was answered last on this page. */
export interface QuestionOnPage {
  readonly asked: Asked;
  readonly standing: Standing;
  readonly answer: ClientAnswer | undefined;
}
export interface PlaceLine {
  readonly lives: LivesAt;
  readonly roomName: string;
  /** What is found by it: the group, and what is kept in it. */
  readonly words: string;
}
/** All that one page shows: only what was made for it and is shared. */
export interface ClientContents {
  readonly page: ClientPage;
  readonly homeName: string;
  readonly currency: Currency;
  readonly questions: readonly QuestionOnPage[];
  readonly days: readonly (Visit & { readonly sectionNames: readonly string[] })[] | undefined;
  readonly rooms:
    readonly { readonly name: string; readonly pairs: readonly PicturePair[] }[] | undefined;
  readonly places: readonly PlaceLine[] | undefined;
  readonly agreement:
    | {
        readonly agreedAt: string;
        readonly agreedBy: string;
        readonly lines: readonly AgreementLine[];
      }
    | undefined;
  readonly given: readonly Handover[] | undefined;
  readonly statement: Statement | undefined;
}

/** Gathers a page as it is now. Nothing of another home, and nothing that is not shared, is on it. */
export async function gatherContents(
  db: Db,
  page: ClientPage,
  today: string,
): Promise<ClientContents> {
  const stamp = await stampOf(db, page.projectId);
  const records = await loadRecords(db, page.projectId, ...contentNames);
  const now = await loadHomeNow(db, records, { stamp, asked: page.asked });
  const shared = records.sharings[0]?.parts ?? [];
  const shows = (part: SharePart) => page.parts.includes(part) && shared.includes(part);
  const last = records.agreements.at(-1);
  return {
    page,
    homeName: records.project.name,
    currency: records.project.currency,
    questions: page.asked.map((asked) => ({
      asked,
      standing: standingOf(asked, now),
      answer: records.clientAnswers.find(
        (answer) =>
          answer.pageId === page.id &&
          answer.asked.key === asked.key &&
          answer.state !== 'replaced',
      ),
    })),
    days: shows('days') ? daysToCome(records, today) : undefined,
    rooms: shows('pictures') ? pairsByRoom(records) : undefined,
    places: shows('places') ? listPlaces(records) : undefined,
    agreement: shows('agreement') ? last : undefined,
    given: shows('given') ? records.handovers : undefined,
    statement: shows('statement')
      ? await loadStatement(db, records, { from: null, to: null })
      : undefined,
  };
}

const daysToCome = ({ visits, sections }: ContentRecords, today: string) =>
  visits
    .filter((visit) => visit.day >= today && visitStateOf(visit) !== 'lived')
    .map((visit) => ({
      ...visit,
      sectionNames: visit.sectionIds.flatMap(
        (id) => sections.find((section) => section.id === id)?.name ?? [],
      ),
    }));

const pairsByRoom = ({
  rooms,
  vantagePoints,
  pictures,
}: Records<'pictures' | 'rooms' | 'vantagePoints'>) =>
  rooms
    .map((room) => ({
      name: room.name,
      pairs: pairPictures(
        vantagePoints.filter(({ roomId }) => roomId === room.id),
        pictures,
      ).filter(({ before, after }) => before ?? after),
    }))
    .filter(({ pairs }) => pairs.length > 0);

function listPlaces(records: ContentRecords): PlaceLine[] {
  return records.rooms.flatMap((room) =>
    roomResultsOf(roomRecordsOf(records, room.id)).livesAt.map((lives) => ({
      lives,
      roomName: room.name,
      words: [lives.groupName, ...namesIn(records, room.id, lives.groupName)]
        .join(' ')
        .toLowerCase(),
    })),
  );
}

/** What is kept in a group, each name once. */
function namesIn({ groups, things }: ContentRecords, roomId: RoomId, groupName: string): string[] {
  const group = groups.find((each) => each.roomId === roomId && each.name === groupName);
  const names = things.filter((thing) => thing.groupId === group?.id && isKept(thing));
  return [...new Set(names.map(({ name }) => name))].slice(0, 200);
}

/** The pictures on a page: nobody gets another by its address. */
export const picturesOn = ({
  page,
  rooms,
}: Pick<ClientContents, 'page' | 'rooms'>): ReadonlySet<PictureId> =>
  new Set([
    ...page.asked.flatMap((asked) => (asked.about === 'thing' ? (asked.pictureId ?? []) : [])),
    ...(rooms ?? []).flatMap(({ pairs }) =>
      pairs.flatMap(({ before, after }) => [before, after].flatMap((picture) => picture?.id ?? [])),
    ),
  ]);

/** The same without the rest of the page: each picture is asked for by itself. */
export async function loadPicturesOn(db: Db, page: ClientPage): Promise<ReadonlySet<PictureId>> {
  const records = await loadRecords(
    db,
    page.projectId,
    'pictures',
    'rooms',
    'sharings',
    'vantagePoints',
  );
  const isShown =
    page.parts.includes('pictures') && (records.sharings[0]?.parts ?? []).includes('pictures');
  return picturesOn({ page, rooms: isShown ? pairsByRoom(records) : undefined });
}
