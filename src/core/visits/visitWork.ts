import { visitStateOf } from './visitState';
import type { Visit } from './model';

/** What people did in a home, with the moment at which they did it. */
export interface HomeDoings {
  readonly things: readonly {
    readonly decidedAt: string;
    readonly count: number;
    readonly isKept: boolean;
  }[];
  readonly sessions: readonly { readonly startedAt: string; readonly endedAt: string | null }[];
  /** Lines of the working lists that were ticked. */
  readonly moves: readonly { readonly doneAt: string }[];
  readonly boxes: readonly { readonly carriedAt: string }[];
  readonly purchases: readonly { readonly boughtAt: string }[];
}

/** What belongs to a visit since it happened in it. */
export interface VisitWork {
  readonly decidedCount: number;
  readonly keptCount: number;
  readonly sessionCount: number;
  readonly moveCount: number;
  readonly boxCount: number;
  readonly purchaseCount: number;
}

/** Gathers what happened between arriving and leaving, until `now` where nobody has left; nothing before. */
export function workOfVisit(visit: Visit, doings: HomeDoings, now: string): VisitWork {
  const from = Date.parse(visit.arrivedAt ?? '');
  const to = Date.parse(visit.leftAt ?? now);
  const isWithin = (moment: string) =>
    visitStateOf(visit) !== 'planned' && Date.parse(moment) >= from && Date.parse(moment) <= to;
  const things = doings.things.filter(({ decidedAt }) => isWithin(decidedAt));
  const count = (list: typeof things) => list.reduce((sum, thing) => sum + thing.count, 0);
  return {
    decidedCount: count(things),
    keptCount: count(things.filter(({ isKept }) => isKept)),
    sessionCount: doings.sessions.filter(({ startedAt }) => isWithin(startedAt)).length,
    moveCount: doings.moves.filter(({ doneAt }) => isWithin(doneAt)).length,
    boxCount: doings.boxes.filter(({ carriedAt }) => isWithin(carriedAt)).length,
    purchaseCount: doings.purchases.filter(({ boughtAt }) => isWithin(boughtAt)).length,
  };
}
