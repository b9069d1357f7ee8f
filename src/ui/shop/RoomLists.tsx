'use client';

import { useParams } from 'next/navigation';

import type { FieldCommand } from '@/core/field';
import {
  containerIdSchema,
  handNeedIdSchema,
  roomIdSchema,
  shopIdSchema,
  type Currency,
} from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { useFieldAct, useWaitingCommands } from '../field/useFieldAct';
import { typedMoney } from '../typedValues';
import { ShopLists, type Bought, type ShopLine, type ShopList } from './ShopLists';

interface RoomListsProps {
  readonly lists: readonly ShopList[];
  readonly currency: Currency;
}

/** The lists of one room: what is bought or not there is said with or without a connection. */
export function RoomLists({ lists, currency }: RoomListsProps) {
  const roomId = roomIdSchema.parse(useParams<{ roomId: string }>().roomId);
  const { send } = useFieldAct();
  const waiting = useWaitingCommands().filter((command) => command.roomId === roomId);
  const buy = async (typed: Bought): Promise<ActionResult> => {
    const paid = typedMoney.safeParse(typed.paid);
    const card =
      typed.card === '' ? { success: true as const, data: 0 } : typedMoney.safeParse(typed.card);
    if (!paid.success || !card.success)
      return { ok: false, message: 'Type what the till asked, e.g. 12.50' };
    if (card.data > paid.data)
      return { ok: false, message: 'The card cannot pay more than the till asks' };
    const { key: _, paid: __, card: ___, containerId, handNeedId, ...bought } = typed;
    return send({
      ...bought,
      kind: 'bought',
      roomId,
      containerId: containerId === null ? null : containerIdSchema.parse(containerId),
      handNeedId: handNeedId === null ? null : handNeedIdSchema.parse(handNeedId),
      paidMinor: paid.data,
      cardMinor: card.data,
    });
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
          shopId: shopIdSchema.parse(shopId),
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
