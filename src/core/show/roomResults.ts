import type { Bay, Picture, Room, Unit, VantagePoint } from '../look';
import type { ContainerProduct, TakenFit } from '../fit';
import { spentMinorOf, type Purchase } from '../shop';
import {
  type Amount,
  type Group,
  type Thing,
  type Verdict,
  addUp,
  goesToLandfill,
  isGone,
  keptLitresOf,
  leavesHome,
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
}

/** What a room's work came to, all counted from its records. */
export interface RoomResults {
  readonly byVerdict: Readonly<Record<Verdict, Amount>>;
  readonly all: Amount;
  readonly left: Amount;
  /** By mass, of what left the home; undefined where nothing left. */
  readonly keptFromLandfillShare: number | undefined;
  readonly destinations: readonly {
    readonly verdict: Verdict;
    readonly to: string;
    readonly amount: Amount;
  }[];
  readonly spentMinor: number;
  readonly reusedContainerCount: number;
  readonly boughtContainerCount: number;
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
}

/** Requires: every list holds this room's records only (groups may live in other rooms' bays). */
export function roomResultsOf(records: RoomRecords): RoomResults {
  const { things, groups, fits, containers, purchases } = records;
  const leaving = things.filter(leavesHome);
  const left = addUp(leaving);
  const landfillG = addUp(leaving.filter(goesToLandfill)).massG;
  const placed = fits.flatMap((fit) => fit.answer.placements);
  const ownedIds = new Set<string>(
    containers.filter(({ projectId }) => projectId !== null).map(({ id }) => id),
  );
  const reused = placed.filter(({ containerId }) => ownedIds.has(containerId)).length;
  return {
    byVerdict: tallyByVerdict(things),
    all: addUp(things),
    left,
    keptFromLandfillShare: left.massG > 0 ? 1 - landfillG / left.massG : undefined,
    destinations: destinationsOf(things),
    spentMinor: spentMinorOf(purchases),
    reusedContainerCount: reused,
    boughtContainerCount: placed.filter(({ containerId }) =>
      containers.some(({ id, projectId }) => id === containerId && projectId === null),
    ).length,
    livesAt: groups.map((group) => livesAt(group, records)).filter(({ litres }) => litres > 0),
  };
}

function destinationsOf(things: readonly Thing[]): RoomResults['destinations'] {
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
