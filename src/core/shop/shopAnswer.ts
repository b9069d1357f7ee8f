/** What the `shop` engine answers. `objective` is the least to pay at the best value; `bound` proves it. */
export interface ShopAnswer {
  /** `unknown`: in the time nothing was found that pays every must, nor that there is nothing. */
  readonly status: 'optimal' | 'feasible' | 'infeasible' | 'unknown';
  readonly objective: number | null;
  readonly bound: number | null;
  readonly elapsedMs: number;
  readonly buys: readonly { readonly offerId: string; readonly packs: number }[];
  readonly met: readonly {
    readonly needId: string;
    readonly qty: number;
    readonly short: number;
    /** From which buys, where rooms are planned together. */
    readonly from?: readonly { readonly offerId: string; readonly units: number }[];
  }[];
  readonly payMinor: number;
  /** What each room pays, where rooms are planned together; adds up to `payMinor`. */
  readonly perRoom?: readonly { readonly roomId: string; readonly payMinor: number }[];
  readonly perShop: readonly ShopBill[];
  readonly leftovers: readonly { readonly needId: string; readonly qty: number }[];
  readonly dropped: readonly string[];
  /** Where the musts cost more than there is: the least money that would do. */
  readonly leastBudgetMinor?: number;
  readonly reasons: readonly ShopReason[];
}

export interface ShopBill {
  readonly shopId: string;
  readonly goodsMinor: number;
  readonly deliveryMinor: number;
  readonly creditMinor: number;
  readonly payMinor: number;
}

/** Why the musts cannot be bought, or no way to buy them was found. */
export type ShopReason =
  | {
      readonly code: 'must_not_on_offer';
      /** The need's id. */
      readonly subject: string;
      /** Pieces. */
      readonly lack: number;
      readonly onOffer: number;
    }
  | {
      readonly code: 'budget_too_small';
      readonly subject: 'budgetMinor';
      readonly leastMinor: number;
      readonly budgetMinor: number;
    }
  /** A room's part of the cheapest trip, and what it may pay. */
  | {
      readonly code: 'room_budget_too_small';
      /** The room's id. */
      readonly subject: string;
      readonly wantedMinor: number;
      readonly budgetMinor: number;
    }
  /** Offers that serve several musts hold enough for each, but not for all together. */
  | {
      readonly code: 'offers_run_out';
      /** The id of a need that stays short; `offers` where none was made out. */
      readonly subject: string;
      /** Pieces of it that no offer is left for. */
      readonly lack: number;
      /** The other musts that the same offers serve, a few of them. */
      readonly beside: readonly string[];
    }
  | { readonly code: 'time_ran_out'; readonly subject: 'timeLimitMs' };
