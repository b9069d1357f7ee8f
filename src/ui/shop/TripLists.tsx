'use client';

import type { Currency } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { ShopLists, type Bought } from './ShopLists';
import type { TripList, TripPart } from './toTripLists';

interface TripListsProps {
  readonly lists: readonly TripList[];
  readonly currency: Currency;
  readonly onBuy: (parts: readonly TripPart[], bought: Bought) => Promise<ActionResult>;
  readonly onMissing: (
    roomId: string,
    line: { readonly needId: string; readonly shopId: string },
  ) => Promise<ActionResult>;
}

/** The lists of the trip: what is bought of a line is noted for each room that gets of it. */
export function TripLists({ lists, currency, onBuy, onMissing }: TripListsProps) {
  const partsOf = (has: (line: TripList['lines'][number], list: TripList) => boolean) =>
    lists.flatMap((list) => list.lines.filter((line) => has(line, list)))[0]?.parts ?? [];
  return (
    <ShopLists
      lists={lists}
      currency={currency}
      onBuy={(bought) =>
        onBuy(
          partsOf(({ key }) => key === bought.key),
          bought,
        )
      }
      onMissing={(line) =>
        onMissing(
          partsOf(({ needId }, { shopId }) => needId === line.needId && shopId === line.shopId)[0]
            ?.roomId ?? '',
          line,
        )
      }
    />
  );
}
