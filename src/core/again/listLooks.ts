import type { Picture, Room, VantagePoint } from '../look';
import type { RoomId } from '../shared';
import type { Group } from '../sort';
import { homeDoneOn, roomDoneOn } from './doneOn';
import type { Review } from './model';
import { planReviews, type PlannedReview } from './planReviews';

/** A look at a room, or at the whole home. */
export interface Look extends PlannedReview {
  readonly roomId: RoomId | null;
  readonly roomName: string | undefined;
}

interface LookFacts {
  readonly projectId: string;
  readonly rooms: readonly Pick<Room, 'id' | 'name'>[];
  readonly vantagePoints: readonly VantagePoint[];
  readonly pictures: readonly Picture[];
  readonly groups: readonly Group[];
  readonly reviews: readonly Review[];
}

/**
 * Every look of a home, made and ahead, by days: each room after two weeks and a month, the home at the beginning
 * of its seasons and after a year.
 */
export function listLooks(facts: LookFacts): Look[] {
  const { rooms, groups, reviews } = facts;
  const ofRooms = rooms.flatMap(({ id, name }) =>
    planReviews({
      key: id,
      kinds: ['two_weeks', 'month'],
      doneOn: roomDoneOn(id, facts),
      groups: [],
      reviews: reviews.filter(({ roomId }) => roomId === id),
    }).map((look): Look => ({ ...look, roomId: id, roomName: name })),
  );
  const ofHome = planReviews({
    key: facts.projectId,
    kinds: ['season', 'year'],
    doneOn: homeDoneOn(facts),
    groups,
    reviews: reviews.filter(({ roomId }) => roomId === null),
  }).map((look): Look => ({ ...look, roomId: null, roomName: undefined }));
  return [...ofRooms, ...ofHome].sort(
    (a, b) => a.dueOn.localeCompare(b.dueOn) || a.id.localeCompare(b.id),
  );
}
