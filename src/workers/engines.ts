import { planFit, type FitAnswer, type FitQuestion } from '@/core/fit';
import {
  planMoveList,
  planZones,
  type MoveList,
  type ZonesAnswer,
  type ZonesRequest,
} from '@/core/place';
import { layOutTasks, type SetUpPlan, type SetUpQuestion } from '@/core/setUp';
import { planHaul, type HaulAnswer, type HaulRequest } from '@/core/takeAway';
import { loadSolver } from '@/core/shared';
import { planHomes, type HomesAnswer, type HomesQuestion } from '@/core/visits';
import {
  findWaysBack,
  planCuts,
  planRoll,
  planShop,
  weighWishes,
  type CutAnswer,
  type CutRequest,
  type RollAnswer,
  type RollRequest,
  type ShopAnswer,
  type ShopRequest,
  type WayBack,
  type WishWeights,
} from '@/core/shop';

const clock = (): number => performance.now();

/** Everything that computes long on the server: a question in, an answer out, nothing else touched. */
export const engines = {
  fit: async (question: FitQuestion): Promise<FitAnswer> =>
    planFit(question, { solver: await loadSolver(), clock }),
  shop: async (request: ShopRequest): Promise<ShopAnswer> =>
    planShop(request, { solver: await loadSolver(), clock }),
  wishes: async ({
    request,
    answer,
  }: {
    readonly request: ShopRequest;
    readonly answer: ShopAnswer;
  }): Promise<WishWeights> => weighWishes(request, answer, { solver: await loadSolver(), clock }),
  waysBack: async (request: ShopRequest): Promise<readonly WayBack[]> =>
    findWaysBack(request, { solver: await loadSolver(), clock }),
  cuts: async (request: CutRequest): Promise<CutAnswer> =>
    planCuts(request, { solver: await loadSolver(), clock }),
  moveList: async (request: Parameters<typeof planMoveList>[0]): Promise<MoveList> =>
    Promise.resolve(planMoveList(request, { clock })),
  days: async (question: HomesQuestion): Promise<HomesAnswer> =>
    Promise.resolve(planHomes(question, { clock })),
  setUp: async (question: SetUpQuestion): Promise<SetUpPlan> =>
    Promise.resolve(layOutTasks(question, { clock })),
  haul: async (request: HaulRequest): Promise<HaulAnswer> =>
    planHaul(request, { solver: await loadSolver(), clock }),
  zones: async (request: ZonesRequest): Promise<ZonesAnswer> =>
    planZones(request, { solver: await loadSolver(), clock }),
  roll: async (request: RollRequest): Promise<RollAnswer> =>
    Promise.resolve(planRoll(request, { clock })),
};
export type Engines = typeof engines;
export type EngineName = keyof Engines;
export type QuestionOf<N extends EngineName> = Parameters<Engines[N]>[0];
export type AnswerOf<N extends EngineName> = Awaited<ReturnType<Engines[N]>>;

/** What goes to a thread and what comes back. */
export interface EngineJob {
  readonly id: number;
  readonly engine: EngineName;
  readonly question: unknown;
}
export type EngineReply =
  | { readonly id: number; readonly answer: unknown }
  | { readonly id: number; readonly fault: string };
