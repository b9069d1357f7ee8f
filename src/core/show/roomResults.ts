import type { Bay, Picture, Room, Unit, VantagePoint } from '../look';
import { containerIdsOf, type ContainerProduct, type TakenFit } from '../fit';
import { keptPiecesOf, spentMinorOf, type Purchase } from '../shop';
import {
  type Amount,
  type Carry,
  type Group,
  type Thing,
  type Verdict,
  addUp,
  goesToLandfill,
  isGone,
  keptLitresOf,
  leavesHome,
  leavingStatesOf,
  sumLeaving,
  tallyByVerdict,
  wayOutOf,
} from '../sort';

/** Where a group lives now, and in what. */
export interface LivesAt {
  readonly groupName: string;
  readonly unitName: string | undefined;
  readonly bayName: string | undefined;
  /** How many of which container hold it. */
  readonly containers: readonly { readonly name: string; readonly count: number }[];
  readonly litres: number;
  /** Stands there today; otherwise that is where it is planned to. */
  readonly isThere: boolean;
}

interface Destinations {
  readonly verdict: Verdict;
  readonly to: string;
  readonly amount: Amount;
}

/** What a room's work came to, all counted from its records. */
export interface RoomResults {
  readonly byVerdict: Readonly<Record<Verdict, Amount>>;
  readonly all: Amount;
  /** Out of the home. */
  readonly left: Amount;
  /** Decided to leave the home, and still here: in the room, or in a box by the door. */
  readonly waiting: Amount;
  readonly byTheDoor: Amount;
  /** By mass, of what left the home; undefined where nothing left. */
  readonly keptFromLandfillShare: number | undefined;
  /** Where what has gone went, and where what only waits is to go. */
  readonly destinations: readonly Destinations[];
  readonly waitingFor: readonly Destinations[];
  readonly spentMinor: number;
  readonly reusedContainerCount: number;
  /** Of those that the fits stand on and the household does not own: bought, and only planned. */
  readonly boughtContainerCount: number;
  readonly toBuyContainerCount: number;
  readonly livesAt: readonly LivesAt[];
}

export interface RoomRecords {
  readonly room: Room;
  readonly units: readonly Unit[];
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly fits: readonly TakenFit[];
  readonly containers: readonly ContainerProduct[];
  readonly purchases: readonly Purchase[];
  /** What went out of the room. */
  readonly carries: readonly Carry[];
}

/** Requires: every list holds this room's records only (groups may live in other rooms' bays). */
export function roomResultsOf(records: RoomRecords): RoomResults {
  const { things, groups, fits, containers, purchases } = records;
  const states = leavingStatesOf(things, records.carries);
  const isOut = ({ id }: Thing) => states.get(id) === 'gone';
  const { decided, byTheDoor, gone: left } = sumLeaving(things, states, leavesHome);
  const leaves = (thing: Thing) => leavesHome(thing) && isOut(thing);
  const landfillG = addUp(things.filter((thing) => leaves(thing) && goesToLandfill(thing))).massG;
  const placed = fits.flatMap((fit) =>
    containerIdsOf(fit.answer).map((containerId) => ({ containerId })),
  );
  const ownedIds = new Set<string>(
    containers.filter(({ projectId }) => projectId !== null).map(({ id }) => id),
  );
  const reused = placed.filter(({ containerId }) => ownedIds.has(containerId)).length;
  const wanted = placed.filter(({ containerId }) =>
    containers.some(({ id, projectId }) => id === containerId && projectId === null),
  );
  const bought = boughtOf(
    wanted.map(({ containerId }) => containerId),
    purchases,
  );
  return {
    byVerdict: tallyByVerdict(things),
    all: addUp(things),
    left,
    waiting: addUp([decided, byTheDoor]),
    byTheDoor,
    keptFromLandfillShare: left.massG > 0 ? 1 - landfillG / left.massG : undefined,
    destinations: destinationsOf(things.filter(isOut)),
    waitingFor: destinationsOf(things.filter((thing) => !isOut(thing))),
    spentMinor: spentMinorOf(purchases),
    reusedContainerCount: reused,
    boughtContainerCount: bought,
    toBuyContainerCount: wanted.length - bought,
    livesAt: groups.map((group) => livesAt(group, records)).filter(({ litres }) => litres > 0),
  };
}

/** How many of the containers that fits stand on were bought for them. */
function boughtOf(wantedIds: readonly string[], purchases: readonly Purchase[]): number {
  const pieces = new Map<string, number>();
  for (const purchase of purchases) {
    const { containerId } = purchase;
    if (containerId !== null)
      pieces.set(containerId, (pieces.get(containerId) ?? 0) + keptPiecesOf(purchase));
  }
  return [...new Set(wantedIds)].reduce((sum, id) => {
    const wanted = wantedIds.filter((other) => other === id).length;
    return sum + Math.min(wanted, Math.max(0, pieces.get(id) ?? 0));
  }, 0);
}

function destinationsOf(things: readonly Thing[]): Destinations[] {
  const gone = things.filter(isGone);
  // Words of older versions and today's codes name one way out.
  const toOf = ({ to }: Thing) => wayOutOf(to) ?? to;
  const keys = [...new Set(gone.map((thing) => JSON.stringify([thing.verdict, toOf(thing)])))];
  return keys
    .map((key) => {
      const [verdict, to] = JSON.parse(key) as [Verdict, string];
      return {
        verdict,
        to,
        amount: addUp(gone.filter((thing) => thing.verdict === verdict && toOf(thing) === to)),
      };
    })
    .sort((a, b) => b.amount.count - a.amount.count);
}

function livesAt(group: Group, { units, things, fits, containers }: RoomRecords): LivesAt {
  const unit = units.find((candidate) => candidate.bays.some((bay) => bay.id === group.bayId));
  const bay: Bay | undefined = unit?.bays.find((candidate) => candidate.id === group.bayId);
  const ids = fits
    .filter((fit) => fit.bayId === group.bayId)
    .flatMap((fit) => fit.answer.placements)
    .filter((placement) => placement.groupId === group.id)
    .map((placement) => placement.containerId);
  return {
    groupName: group.name,
    unitName: unit?.name,
    bayName: bay?.name,
    containers: [...new Set(ids)].map((id) => ({
      name: containers.find((container) => container.id === id)?.name ?? id,
      count: ids.filter((other) => other === id).length,
    })),
    litres: keptLitresOf(group, things),
    isThere: group.bayId !== null && group.standsBayId === group.bayId,
  };
}

/** A vantage point with its first and last picture; a missing one is a question for the organizer. */
export interface PicturePair {
  readonly vantagePoint: VantagePoint;
  readonly before: Picture | undefined;
  readonly after: Picture | undefined;
}

/** Pairs before with after (or later) per vantage point: the first before, the last after. */
export function pairPictures(
  vantagePoints: readonly VantagePoint[],
  pictures: readonly Picture[],
): PicturePair[] {
  const byTime = [...pictures].sort((a, b) => a.takenAt.localeCompare(b.takenAt));
  return vantagePoints.map((vantagePoint) => {
    const own = byTime.filter((picture) => picture.vantagePointId === vantagePoint.id);
    return {
      vantagePoint,
      before: own.find((picture) => picture.moment === 'before'),
      after: own.findLast((picture) => picture.moment === 'after' || picture.moment === 'later'),
    };
  });
}
