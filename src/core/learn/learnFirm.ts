import { contentKinds, ROOM_PRIOR, type ContentKind } from '../agree';
import { labelMedia } from '../labels';
import { taskKinds, type TaskKind } from '../setUp';
import { learnFactor, learnShare, learnWithin, type Learned, type LearnedShare } from '../shared';
import { findShippedKind } from '../sort';
import type {
  ContainerUse,
  FirmLearned,
  HomeOutcomes,
  LearnTopic,
  Learning,
  RoomOutcome,
} from './model';

/**
 * What is thought of shares before anybody has looked: our own stated assumptions, which count as four cases each.
 */
export const ASSUMED_SHARES = {
  overfull: 0.15,
  halfEmpty: 0.15,
  containerUsed: 0.9,
  lidOn: 0.8,
  labelStays: 0.9,
  foundLabelled: 0.8,
  foundUnlabelled: 0.6,
} as const;
/** A till seldom takes another tenth; what lies in a place is sooner another half. */
export const MONEY_PRIOR = { cases: 3, high: 1.1 } as const;

/** What of the homes counts for a topic: what is not left aside. */
export const countedOf = <T extends { readonly on: string }>(
  topic: LearnTopic,
  { leftAsideTo }: Learning,
  all: readonly T[],
): T[] => all.filter(({ on }) => on > (leftAsideTo[topic] ?? ''));

/** Puts together what all homes show. The order of the homes does not count. O(outcomes × kinds named). */
export function learnFirm(homes: readonly HomeOutcomes[], learning: Learning): FirmLearned {
  const of = <T extends { readonly on: string }>(
    topic: LearnTopic,
    list: (home: HomeOutcomes) => readonly T[],
  ): T[] => countedOf(topic, learning, homes.flatMap(list));
  const places = of('fullness', ({ places: own }) => own);
  const labels = of('labels', (home) => home.labels);
  const searches = of('labels', (home) => home.searches);
  const containers = of('containers', (home) => home.containers);
  return {
    hours: learnHours(of('hours', ({ rooms }) => rooms)),
    tasks: learnTasks(of('tasks', ({ tasks }) => tasks)),
    litres: learnFactor(
      of('litres', ({ rooms }) => rooms).flatMap(({ litres }) => litres ?? []),
      ROOM_PRIOR,
    ),
    sizes: learnSizes(of('sizes', ({ sizes }) => sizes)),
    money: learnFactor(
      of('money', ({ rooms }) => rooms).flatMap(({ moneyMinor }) => moneyMinor ?? []),
      MONEY_PRIOR,
    ),
    fullness: {
      litres: learnFactor(places.flatMap(({ litres }) => litres ?? [])),
      overfull: shareOf(places, ({ isOverfull }) => isOverfull, ASSUMED_SHARES.overfull),
      halfEmpty: shareOf(places, ({ isHalfEmpty }) => isHalfEmpty, ASSUMED_SHARES.halfEmpty),
    },
    containers: learnUse(containers),
    lidsOn: shareOf(
      containers.filter(({ hasLid, isLidOff }) => hasLid && isLidOff !== undefined),
      ({ isLidOff }) => isLidOff === false,
      ASSUMED_SHARES.lidOn,
    ),
    labels: labelMedia.flatMap((medium) => {
      const own = labels.filter((label) => label.medium === medium);
      const stays = shareOf(own, ({ isMissing }) => !isMissing, ASSUMED_SHARES.labelStays);
      return own.length === 0 ? [] : [{ medium, stays }];
    }),
    found: {
      labelled: shareOf(
        searches.filter(({ isLabelled }) => isLabelled),
        ({ isFirst }) => isFirst,
        ASSUMED_SHARES.foundLabelled,
      ),
      unlabelled: shareOf(
        searches.filter(({ isLabelled }) => !isLabelled),
        ({ isFirst }) => isFirst,
        ASSUMED_SHARES.foundUnlabelled,
      ),
    },
  };
}

const shareOf = <T>(list: readonly T[], is: (each: T) => boolean, assumed: number): LearnedShare =>
  learnShare({ hits: list.filter(is).length, of: list.length }, assumed);

/** Each kind of room is a case of all rooms first, and of its own where it has some. */
function learnHours(rooms: readonly RoomOutcome[]): FirmLearned['hours'] {
  const all = learnFactor(
    rooms.flatMap(({ minutes }) => minutes ?? []),
    ROOM_PRIOR,
  );
  const byContent: Partial<Record<ContentKind, Learned>> = {};
  for (const content of contentKinds) {
    const own = rooms.flatMap((room) => (room.content === content ? (room.minutes ?? []) : []));
    if (own.length > 0) byContent[content] = learnWithin(all, own);
  }
  return { all, byContent };
}

function learnTasks(tasks: HomeOutcomes['tasks']): FirmLearned['tasks'] {
  const learned: Partial<Record<TaskKind, Learned>> = {};
  for (const kind of taskKinds) {
    const own = tasks.filter((task) => task.kind === kind);
    if (own.length > 0) learned[kind] = learnFactor(own);
  }
  return learned;
}

/** A kind's own spread is what is thought of it; people type what looked wrong, so that it counts as three pieces. */
function learnSizes(sizes: HomeOutcomes['sizes']): FirmLearned['sizes'] {
  return [...new Set(sizes.map(({ kindId }) => kindId))].sort().flatMap((kindId) => {
    const kind = findShippedKind(kindId);
    if (!kind) return [];
    const own = sizes.filter((size) => size.kindId === kindId);
    return [{ kindId, ...learnFactor(own, { cases: 3, high: Math.max(1.01, kind.spread) }) }];
  });
}

function learnUse(containers: HomeOutcomes['containers']): ContainerUse[] {
  const known = containers.filter(({ isUsed }) => isUsed !== undefined);
  return [...new Set(known.map(({ containerId }) => containerId))]
    .sort((a, b) => a.localeCompare(b))
    .flatMap((containerId) => {
      const own = known.filter((each) => each.containerId === containerId);
      const [first] = own;
      if (!first) return [];
      const used = shareOf(own, ({ isUsed }) => isUsed === true, ASSUMED_SHARES.containerUsed);
      return [{ containerId, name: first.name, used }];
    });
}
