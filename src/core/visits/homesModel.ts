import type { z } from 'zod';

import type { workerSchema } from './model';

/** A piece of the work in a home. Minutes are those of one pair of hands. */
export interface WorkJob {
  readonly id: string;
  readonly sectionId: string;
  /** What dries or is delivered comes between going through a section and setting it up. */
  readonly stage: 'whole' | 'sort' | 'set_up';
  readonly likelyMinutes: number;
  readonly highMinutes: number;
  /** Papers and keepsakes: not last in a visit, and not for longer than the home has chosen. */
  readonly isHard: boolean;
  /** Not before this day: what it takes is delivered then. Null: any day. */
  readonly notBefore: string | null;
  /** Waits for these, and so many hours more: paint dries and hardens. */
  readonly after: readonly { readonly jobId: string; readonly lagHours: number }[];
}

/** A home with what is still to be done, in the order of the work. */
export interface PlannedHome {
  readonly id: string;
  readonly jobs: readonly WorkJob[];
  readonly visitMinutes: number;
  readonly visitsPerWeek: number;
  /** 1 is Monday, 7 is Sunday. */
  readonly weekdays: readonly number[];
  readonly fromMinute: number;
  readonly awayDays: readonly string[];
  /** From another home to this one. */
  readonly travelMinutes: number;
  /** The first one leads and is there each time; the others come when they can. */
  readonly people: readonly string[];
  readonly mostHardMinutes: number;
  readonly readyBy: string | null;
}

/** When somebody works, in any home. */
export type Worker = Readonly<z.infer<typeof workerSchema>>;

/** A visit that stays where it is. */
export interface KeptVisit {
  readonly homeId: string;
  readonly day: string;
  readonly fromMinute: number;
  readonly toMinute: number;
  readonly people: readonly string[];
}

export interface HomesQuestion {
  readonly today: string;
  readonly homes: readonly PlannedHome[];
  /** Whoever is not among them works whenever the home can be visited. */
  readonly workers: readonly Worker[];
  readonly kept: readonly KeptVisit[];
  readonly timeLimitMs?: number;
  readonly seed?: number;
}

export interface ProposedVisit {
  readonly homeId: string;
  readonly day: string;
  readonly fromMinute: number;
  readonly toMinute: number;
  readonly people: readonly string[];
  /** In the order in which they are done, with the minutes by the clock. */
  readonly parts: readonly {
    readonly sectionId: string;
    readonly stage: WorkJob['stage'];
    readonly minutes: number;
  }[];
}

/** How a home comes out of a plan. */
export interface HomeOutlook {
  readonly homeId: string;
  /** The last day, as half and as four fifths of cases have it; null where the days run out. */
  readonly likelyDay: string | null;
  readonly highDay: string | null;
  /** No plan ends earlier, were this home alone; null where not even that ends. */
  readonly leastDay: string | null;
  readonly lateDays: number;
  /** Minutes by the clock of one pair of hands that found no day. */
  readonly unplannedMinutes: number;
  /** Papers and keepsakes spread over more days than the rest needs: the last day if they were not. */
  readonly withoutHardLimitDay: string | null;
  /** Papers and keepsakes begin each visit before their turn, since it ends earlier so: the last day in order. */
  readonly inOrderDay: string | null;
  /** Whoever leads is never free on a day on which the home can be visited. */
  readonly isNeverFree: boolean;
}

export interface HomesAnswer {
  /** `optimal`: no plan has fewer days late, nor ends earlier where none is late. */
  readonly status: 'optimal' | 'feasible';
  readonly visits: readonly ProposedVisit[];
  readonly homes: readonly HomeOutlook[];
  /** Days late, all homes together, and what no plan goes below. */
  readonly lateDays: number;
  readonly boundLateDays: number;
  readonly elapsedMs: number;
}
