import type { Project } from '../agree';
import type { Room } from '../look';
import { keptPiecesOf, type Purchase } from '../shop';
import type { Visit } from '../visits';
import { roomOfCar } from './carLoad';
import type { Car, HaulBox, HaulDestination, HaulTrip, Leaving } from './model';
import { isDriven, isTooMuchForCar, savedByDrivingOn } from './planLeaving';
import type { Place } from './placesFor';
import { boxStateOf, tripStateOf, type TripState } from './tripView';
import { sharesOf, type LeavingThing } from './whatLeaves';

/** What is known of a home's leaving, worked out once for its pages. */
interface Known {
  readonly home: Leaving;
  readonly destinations: readonly HaulDestination[];
  readonly car: Car;
  readonly liftG: number;
  readonly leaving: readonly LeavingThing[];
}
type Rooms = readonly Pick<Room, 'id' | 'name'>[];

/** A pile that waits, as a page shows it. */
export interface WaitingPile {
  readonly id: string;
  readonly name: string;
  readonly count: number;
  readonly roomName: string;
  readonly litres: number;
  readonly massG: number;
  readonly isByTheDoor: boolean;
  readonly since: string;
  readonly isFragile: boolean;
  readonly isWrongBin: boolean;
  readonly needsWiping: boolean;
  readonly isWiped: boolean;
  readonly rules: LeavingThing['rules'];
  readonly refused: LeavingThing['refused'];
  readonly isChosen: boolean;
  readonly places: readonly Place[];
  readonly placeId: string | undefined;
  readonly person: string;
}

const toPile = (
  each: LeavingThing,
  { rooms, wiped }: { readonly rooms: Rooms; readonly wiped: ReadonlySet<string> },
): WaitingPile => ({
  id: each.thing.id,
  name: each.thing.name,
  count: each.thing.count,
  roomName: rooms.find(({ id }) => id === each.thing.roomId)?.name ?? '',
  litres: each.thing.litres,
  massG: each.thing.massG,
  isByTheDoor: each.state === 'by_the_door',
  since: each.since,
  isFragile: each.isFragile,
  isWrongBin: each.isWrongBin,
  needsWiping: each.needsWiping,
  isWiped: wiped.has(each.thing.id),
  rules: each.rules,
  refused: each.refused,
  isChosen: each.isChosen,
  places: each.places,
  placeId: each.place?.destination.id,
  person: each.stream === 'person' ? each.thing.to : '',
});

/** What waits, by where it goes. */
export function waitingSharesOf(rooms: Rooms, loaded: Pick<Known, 'home' | 'leaving'>) {
  const wiped = new Set<string>(loaded.home.wipedIds);
  return sharesOf(loaded.leaving).map((share) => ({
    key: share.destination?.id ?? `no-${share.stream}`,
    destination: share.destination,
    stream: share.stream,
    way: share.things[0]?.place?.way,
    litres: share.litres,
    massG: share.massG,
    fragileCount: share.fragileCount,
    byTheDoorCount: share.byTheDoorCount,
    since: share.since,
    piles: share.things.map((each) => toPile(each, { rooms, wiped })),
  }));
}
export type WaitingShare = ReturnType<typeof waitingSharesOf>[number];

/** What can still go back to its shop. */
export const goesBackToShops = (
  { purchases, rooms }: { readonly purchases: readonly Purchase[]; readonly rooms: Rooms },
  today: string,
) =>
  purchases
    .filter(
      (purchase) =>
        purchase.returnBy !== null && purchase.returnBy >= today && keptPiecesOf(purchase) > 0,
    )
    .map((purchase) => ({
      id: purchase.id as string,
      label: purchase.label,
      pieces: keptPiecesOf(purchase),
      shopName: purchase.shopName,
      returnBy: purchase.returnBy ?? '',
      roomId: purchase.roomId as string,
      roomName: rooms.find(({ id }) => id === purchase.roomId)?.name ?? '',
    }));

/** Boxes and trips as they stand. */
export function tripsPageOf(
  records: {
    readonly haulBoxes: readonly HaulBox[];
    readonly haulTrips: readonly HaulTrip[];
    readonly visits: readonly Visit[];
    readonly project: Project;
  },
  loaded: Known,
) {
  const room = roomOfCar(loaded.car, {
    seatsDown: loaded.home.seatsDown,
    withTrailer: loaded.home.withTrailer,
  });
  const boxes = records.haulBoxes.map((box) => boxStateOf(box, loaded));
  const trips = records.haulTrips.map((trip) => ({
    ...tripStateOf(trip, { boxes, ...loaded }),
    saved: savedByDrivingOn(trip, loaded.home, {
      destinations: loaded.destinations,
      travelMinutes: records.project.terms.days.travelMinutes,
    }),
    isAfterVisit: records.visits.some(
      ({ day, toMinute }) => day === trip.day && toMinute === trip.departMinute,
    ),
  }));
  const inBoxes = new Map<string, number>();
  for (const { thingId, count } of records.haulBoxes.flatMap(({ loads }) => loads))
    inBoxes.set(thingId, (inBoxes.get(thingId) ?? 0) + count);
  const unboxed = loaded.leaving.filter(
    (each) =>
      isDriven(each) &&
      !isTooMuchForCar(each, room) &&
      (inBoxes.get(each.thing.id) ?? 0) < each.thing.count,
  );
  return {
    boxes,
    trips: trips.filter(({ trip }) => trip.endedAt === null),
    endedTrips: trips.filter(({ trip }) => trip.endedAt !== null),
    unboxedCount: unboxed.length,
    room,
    tooMuch: loaded.leaving
      .filter((each) => isDriven(each) && isTooMuchForCar(each, room))
      .map(({ thing }) => ({
        id: thing.id as string,
        name: thing.name,
        longestMm: thing.longestMm ?? 0,
        litres: thing.litres / thing.count,
        massG: thing.massG / thing.count,
      })),
  };
}
export type TripOnPage = TripState & {
  readonly saved: { readonly low: number; readonly high: number };
  readonly isAfterVisit: boolean;
};
