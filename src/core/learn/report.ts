import { ROOM_PRIOR } from '../agree';
import {
  errorOf,
  saidBefore,
  type Currency,
  type Outcome,
  type Prior,
  type RoomId,
} from '../shared';
import { countedOf, MONEY_PRIOR } from './learnFirm';
import type { HomeOutcomes, Learning, LearnTopic, RoomOutcome } from './model';

/** A finished room: what the assumptions alone say, what was learnt before it would have said, what it came to. */
export interface ComparedRoom {
  readonly roomId: RoomId;
  readonly roomName: string;
  readonly homeName: string;
  readonly on: string;
  readonly assumed: number;
  readonly learnt: number;
  readonly actual: number;
}

/** Estimates beside outcomes of finished rooms, the latest last, and how far off they were on average, as a share. */
export interface Comparison {
  readonly rooms: readonly ComparedRoom[];
  readonly assumedError: number;
  readonly learntError: number;
}

function compare(
  rooms: readonly RoomOutcome[],
  pairOf: (room: RoomOutcome) => Outcome | undefined,
  prior: Prior,
): Comparison {
  const known = rooms
    .flatMap((room) => {
      const pair = pairOf(room);
      return pair ? [{ room, pair }] : [];
    })
    .sort(
      (a, b) => a.room.on.localeCompare(b.room.on) || a.room.roomId.localeCompare(b.room.roomId),
    );
  const pairs = known.map(({ pair }) => pair);
  const said = saidBefore(pairs, prior);
  return {
    rooms: known.map(({ room: { roomId, roomName, homeName, on }, pair }, i) => ({
      roomId,
      roomName,
      homeName,
      on,
      assumed: pair.estimated,
      learnt: said[i]?.estimated ?? pair.estimated,
      actual: pair.actual,
    })),
    assumedError: errorOf(pairs),
    learntError: errorOf(said),
  };
}

/** What all finished rooms were estimated at, and what they came to: minutes, litres, and minor units by currency. */
export interface LearnReport {
  readonly roomCount: number;
  readonly homeCount: number;
  readonly minutes: Comparison;
  readonly litres: Comparison;
  readonly money: readonly { readonly currency: Currency; readonly comparison: Comparison }[];
}

export function reportOf(homes: readonly HomeOutcomes[], learning: Learning): LearnReport {
  const all = homes.flatMap(({ rooms }) => rooms);
  const counted = (topic: LearnTopic) => countedOf(topic, learning, all);
  const paid = counted('money').filter(({ moneyMinor }) => moneyMinor !== undefined);
  const currencies = [...new Set(paid.map(({ currency }) => currency))].sort();
  return {
    roomCount: all.length,
    homeCount: homes.filter(({ rooms }) => rooms.length > 0).length,
    minutes: compare(counted('hours'), ({ minutes }) => minutes, ROOM_PRIOR),
    litres: compare(counted('litres'), ({ litres }) => litres, ROOM_PRIOR),
    money: currencies.map((currency) => ({
      currency,
      comparison: compare(
        paid.filter((room) => room.currency === currency),
        ({ moneyMinor }) => moneyMinor,
        MONEY_PRIOR,
      ),
    })),
  };
}
