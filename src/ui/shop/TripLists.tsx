'use client';

import { type Currency, type RoomId, type ShopId, toId } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { useFieldAct, useWaitingCommands } from '../field/useFieldAct';
import { lineIdsOf, readTill } from './readTill';
import { ShopLists, type Bought } from './ShopLists';
import type { TripList, TripPart } from './toTripLists';

interface TripListsProps {
  readonly lists: readonly TripList[];
  readonly currency: Currency;
}

const NOT_ON_TRIP = { ok: false, message: 'This line is not on the trip any more' } as const;

/**
 * The lists of the trip: what is bought of a line is noted for each room that gets of it; what a shop does not
 * have, for the first of them. With a connection or without.
 */
export function TripLists({ lists, currency }: TripListsProps) {
  const { send } = useFieldAct();
  const waiting = useWaitingCommands();
  const partsOf = (has: (line: TripList['lines'][number], list: TripList) => boolean) =>
    lists.flatMap((list) => list.lines.filter((line) => has(line, list)))[0]?.parts ?? [];
  const buy = async (typed: Bought): Promise<ActionResult> => {
    const till = readTill(typed);
    if ('problem' in till) return { ok: false, message: till.problem };
    const parts = partsOf(({ key }) => key === typed.key).map(toPart);
    if (parts.length === 0) return NOT_ON_TRIP;
    const { shopName, label, pieces, expectedMinor, paidBy } = typed;
    const line = { shopName, label, pieces, expectedMinor, paidBy };
    return send({ kind: 'bought_for_rooms', parts, ...line, ...till });
  };
  const miss = async (line: { readonly needId: string; readonly shopId: string }) => {
    const [first] = partsOf(
      ({ needId }, { shopId }) => needId === line.needId && shopId === line.shopId,
    );
    if (!first) return NOT_ON_TRIP;
    return send({
      kind: 'shortage',
      roomId: toId<RoomId>(first.roomId),
      needId: line.needId,
      shopId: toId<ShopId>(line.shopId),
      isShort: true,
    });
  };
  return (
    <ShopLists
      lists={lists}
      currency={currency}
      isWaiting={(line, list) =>
        waiting.some(
          (each) =>
            (each.kind === 'bought_for_rooms' &&
              each.shopName === list.shopName &&
              each.label === line.label) ||
            (each.kind === 'shortage' &&
              each.needId === line.needId &&
              each.shopId === list.shopId),
        )
      }
      onBuy={buy}
      onMissing={miss}
    />
  );
}

const toPart = ({ roomId, pieces, ...line }: TripPart) => ({
  roomId: toId<RoomId>(roomId),
  pieces,
  ...lineIdsOf(line),
});
