'use client';

import { useParams } from 'next/navigation';

import type { FieldCommand } from '@/core/field';
import { type Currency, type RoomId, type ShopId, toId } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { useFieldAct, useWaitingCommands } from '../field/useFieldAct';
import { lineIdsOf, readTill } from './readTill';
import { ShopLists, type Bought, type ShopLine, type ShopList } from './ShopLists';

interface RoomListsProps {
  readonly lists: readonly ShopList[];
  readonly currency: Currency;
}

/** The lists of one room: what is bought or not there is said with or without a connection. */
export function RoomLists({ lists, currency }: RoomListsProps) {
  const roomId = toId<RoomId>(useParams<{ roomId: string }>().roomId);
  const { send } = useFieldAct();
  const waiting = useWaitingCommands().filter(
    (command) => 'roomId' in command && command.roomId === roomId,
  );
  const buy = async (typed: Bought): Promise<ActionResult> => {
    const till = readTill(typed);
    if ('problem' in till) return { ok: false, message: till.problem };
    const { key: _, paid: __, card: ___, ...bought } = typed;
    return send({ ...bought, ...lineIdsOf(bought), ...till, kind: 'bought', roomId });
  };
  return (
    <ShopLists
      lists={lists}
      currency={currency}
      isWaiting={(line, list) => waiting.some((command) => isAbout(command, line, list))}
      onBuy={buy}
      onMissing={({ needId, shopId }) =>
        send({
          kind: 'shortage',
          roomId,
          needId,
          shopId: toId<ShopId>(shopId),
          isShort: true,
        })
      }
    />
  );
}

const isAbout = (command: FieldCommand, line: ShopLine, list: ShopList): boolean =>
  (command.kind === 'bought' &&
    command.shopName === list.shopName &&
    command.label === line.label &&
    command.containerId === line.containerId) ||
  (command.kind === 'shortage' && command.needId === line.needId && command.shopId === list.shopId);
