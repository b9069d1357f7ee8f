import 'server-only';

import type { FigureCode } from '@/core/client';
import type { Project } from '@/core/agree';
import { pairPictures, roomResultsOf, type PicturePair, type RoomResults } from '@/core/show';
import type { CheckAnswer, Room } from '@/core/look';
import type { RoomId } from '@/core/shared';
import { leavesHome } from '@/core/sort';
import { sayHowSure } from '@/ui/sort/sortWords';
import { type LoadName, type Records } from '@/data/records';
import { roomRecordsOf } from '../desk/loadDesk';
import { answerRoomChecks } from '../look/roomChecks';

/** What the client sees of one room: nothing private, nothing of another home. */
export interface ClientRoom {
  readonly room: Room;
  readonly pairs: readonly PicturePair[];
  readonly results: RoomResults;
  /** "estimated", or how much of its weight was on a scale. */
  readonly howSure: string;
  /** What should be possible again, and whether it is. */
  readonly checks: readonly CheckAnswer[];
  /** How it was put together for the closing report; undefined: everything is told. */
  readonly told?: RoomTold;
}
export interface RoomTold {
  readonly figures: readonly FigureCode[];
  /** In the client's own words; empty: nothing. */
  readonly said: string;
  readonly keepUp: readonly string[];
  /** With tables of what left and where everything lives. */
  readonly isFull: boolean;
}
export interface HandedHome {
  readonly project: Pick<Project, 'name' | 'currency'>;
  readonly rooms: readonly ClientRoom[];
  readonly madeOn: string;
  /** Above everything, in the organizer's words. */
  readonly opening?: string;
}

/** What the client's page is gathered from. */
export const handedHomeNames = [
  'carries',
  'containers',
  'fits',
  'fixtures',
  'groups',
  'pictures',
  'project',
  'purchases',
  'rooms',
  'things',
  'units',
  'vantagePoints',
] as const satisfies readonly LoadName[];
type HandedHomeName = (typeof handedHomeNames)[number];

/** Gathers the page of one room, or of every room that has something to show. */
export function gatherHandedHome(
  records: Records<HandedHomeName>,
  { roomId, now }: { readonly roomId: RoomId | undefined; readonly now: string },
): HandedHome {
  const rooms = records.rooms
    .filter((room) => roomId === undefined || room.id === roomId)
    .map((room): ClientRoom => {
      const vantagePoints = records.vantagePoints.filter(
        (vantagePoint) => vantagePoint.roomId === room.id,
      );
      const own = roomRecordsOf(records, room.id);
      return {
        room,
        pairs: pairPictures(vantagePoints, records.pictures),
        results: roomResultsOf(own),
        howSure: sayHowSure(own.things.filter(leavesHome)),
        checks: answerRoomChecks(records, room.id),
      };
    });
  const hasSomething = ({ pairs, results }: ClientRoom) =>
    results.all.count > 0 || pairs.some(({ before, after }) => before ?? after);
  return {
    project: { name: records.project.name, currency: records.project.currency },
    rooms: roomId === undefined ? rooms.filter(hasSomething) : rooms,
    madeOn: now,
  };
}
