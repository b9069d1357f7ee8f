import { checkFigures, createRandom, type Clock, type Random, type Solver } from '../shared';
import { BestFit, scoreOf, type FoundFit } from './bestFit';
import { toPlacements, type Packing } from './floor';
import { easyBound, leastLids } from './easyBound';
import { findFloorCuts } from './floorCuts';
import { floorRowsOf, type FloorRow } from './floorRows';
import { countUsed, GroupCovers } from './groupCovers';
import { PIECE, worthOf } from './listCovers';
import type { FitAnswer, FitReason, FitRequest } from './model';
import { FitProof } from './proveFit';
import { searchPartial } from './searchPartial';
import { PlaceSearch } from './searchPlaces';
import { ContainerSelection, maxStackOf, type Chosen, type RelaxedFit } from './selectContainers';
import { standKnown } from './standKnown';
import { explainUnused, type FitQuestion } from './suitability';

export interface FitMeans {
  readonly solver: Solver;
  readonly clock: Clock;
  /** Told the first valid answer, before it is bettered. */
  readonly onFirst?: (answer: FitAnswer) => void;
  /**
   * Where containers are known to stand, as in answers for other aims: the answer is no worse than
   * any of them. One that breaks a rule is passed over.
   */
  readonly known?: readonly Stood[];
}

/** Containers as an answer has them. */
export type Stood = Pick<FitAnswer, 'placements' | 'surfaces'>;

/** Where nothing stands, so much of the time is for searching; the rest is for the partial answer. */
const SEARCH_SHARE = 0.88;
/**
 * A search that has found nothing begins anew after so many steps, then after so many times more,
 * at first and in all until a try would have more than so many.
 */
const RESTART = { steps: 200, growth: 1.5, first: 700, most: 8000 } as const;
/** Steps of bettering before the first proof; less where so many better nothing. */
const EARLY = { steps: 400, idle: 60 } as const;
/**
 * Then bettering and proving take turns: steps of the one, and of the other, more the nearer the
 * proof is. After so many steps in vain bettering ends.
 */
const TURN_STEPS = { near: 300, far: 600 } as const;
const MOST_IDLE = 3000;
/**
 * In each turn so many selections are looked at anew: more where the groups are few, each in many
 * containers, and money is not the aim.
 */
const LOOKS = { usual: 60, fewGroups: 3, few: 300 } as const;
const PROOF = { first: { cost: 2000, other: 6000 }, near: 14_000, usual: 6000, far: 1200 } as const;
const NEAR = { very: 0.03, fairly: 0.1 } as const;
/** So much less than when a proof began makes it worth beginning anew. */
const STALE = 0.99;
/**
 * Where all that was listed is refuted, twice as much is listed, until it is so many times as much
 * as at first.
 */
const MOST_EFFORT = 16;
/**
 * Of the bound by a linear model, where covers are not listed: for the area, for the sizes, and
 * until when.
 */
const AREA = { share: 0.25, tighterShare: 0.12, until: 0.5, rounds: 4 } as const;
/** Tries at placing the choice that the bound is made of: often it stands, and is then the best there is. */
const BOUND_TRIES = 400;
const BOUND_NODES = 150_000;
/** Tries and steps at standing a choice. */
const STAND = { tries: 12, steps: 150 } as const;

/**
 * Chooses containers for the groups of one bay and says where each stands.
 *
 * Method: something that stands is found quickly and bettered by `PlaceSearch`; `FitProof` goes
 * through every choice that
 * would be better, the cheapest first, and refutes or stands it. Where the choices are too many or
 * the aim looks at all containers together, a
 * mixed-integer model that leaves the places out gives the proven bound. Where no way to cover all
 * litres is found, the best partial answer found is given.
 * Requires: a parsed request. Ensures: no hard rule of docs/engines.md is broken. Deterministic
 * unless `timeLimitMs` cuts it.
 */
export function planFlat(
  request: FitQuestion,
  { solver, clock, onFirst, known = [] }: FitMeans,
): FitAnswer {
  const startMs = clock();
  const passedMs = () => clock() - startMs;
  const finish = (found: FoundFit, bound: number): FitAnswer => {
    const answer = sumUp(request, found.chosen, found.packing);
    const objective = found.score[0];
    checkFigures({ objective, bound, usedLitres: answer.usedLitres });
    const proven = Math.min(objective, bound);
    const isOptimal = objective - proven <= 1e-6 * Math.max(1, objective);
    return {
      status: isOptimal ? 'optimal' : 'feasible',
      objective,
      bound: proven,
      elapsedMs: passedMs(),
      ...answer,
      unmet: [],
      reasons: [],
    };
  };
  if (request.groups.every(({ litres }) => litres <= 0))
    return finish({ chosen: [], packing: { spots: [], blockingG: 0 }, score: [0, 0] }, 0);
  const search = new FitRun(request, {
    solver,
    passedMs,
    known,
    onFirst: (found) => onFirst?.(finish(found, 0)),
  });
  search.run();
  const { best, relaxed } = search;
  if (best.found) return finish(best.found, relaxed.bound);
  // The partial answer gets time of its own, so that a hard question still ends with something.
  const partial = searchPartial(request, {
    selection: relaxed.selection,
    densest: best.densest,
    leftMs: () => request.timeLimitMs * 1.1 - passedMs(),
  });
  const unmet = request.groups.flatMap((group) => {
    const litres = group.litres - offeredLitres(partial.chosen, group.id);
    return litres > 1e-9 ? [{ groupId: group.id, litres }] : [];
  });
  // Filling group by group can find what the search for everything did not.
  if (unmet.length === 0)
    return finish(
      {
        chosen: partial.chosen,
        packing: partial.packing,
        score: scoreOf(request.prefer, partial.chosen, partial.packing),
      },
      relaxed.bound,
    );
  return {
    status: relaxed.isImpossible ? 'infeasible' : 'unknown',
    objective: null,
    bound: relaxed.isImpossible ? null : relaxed.bound,
    elapsedMs: passedMs(),
    ...sumUp(request, partial.chosen, partial.packing),
    unmet,
    reasons: [...explainShortage(unmet, relaxed.isImpossible), ...explainUnused(request)],
  };
}

/** The search for the best fit of one bay, in turns with the search for its bound. */
class FitRun {
  readonly best: BestFit;
  relaxed: RelaxedFit = { selection: undefined, bound: 0, leastCostMinor: 0, isImpossible: false };
  /** What it goes on from, and the best it knew when it stopped. */
  private places: PlaceSearch | undefined;
  private placed: FoundFit | undefined;
  /** The best when the proof began. */
  private begunAt: number | undefined;
  /** How many times as much as at first is listed for it. */
  private effort = 1;
  private readonly random: Random;
  private readonly covers: GroupCovers;
  private readonly floorRows: readonly FloorRow[];
  private readonly looks: number;

  constructor(
    private readonly request: FitQuestion,
    private readonly means: {
      readonly solver: Solver;
      readonly passedMs: () => number;
      readonly known: readonly Stood[];
      readonly onFirst: (found: FoundFit) => void;
    },
  ) {
    this.random = createRandom(request.seed);
    this.floorRows = floorRowsOf(request);
    this.covers = new GroupCovers(request, this.floorRows, this.random);
    this.looks =
      request.prefer !== 'cost' && this.covers.groups.length <= LOOKS.fewGroups
        ? LOOKS.few
        : LOOKS.usual;
    this.best = new BestFit(request, {
      covers: this.covers,
      random: this.random,
      hasTime: this.hasTime,
      onFirst: means.onFirst,
    });
  }

  run(): void {
    this.boundByGroups();
    this.takeKnown();
    this.findFirst();
    // Of levels beside each other nothing is proven: another set of them may do better.
    if (this.request.zones) {
      while (this.hasTime() && !this.isDone() && !this.improveAnew());
      return;
    }
    const { prefer } = this.request;
    let proof = this.best.found
      ? this.prove(undefined, PROOF.first[prefer === 'cost' ? 'cost' : 'other'])
      : undefined;
    // It also tells where no choice at all can do.
    let isModelled = !proof && !this.isDone();
    if (isModelled) this.boundByModel();
    while (!this.relaxed.isImpossible && !this.isDone() && this.hasTime()) {
      const isIdle = this.improveAnew();
      if (!this.best.found || this.isDone()) break;
      const isListed = this.isListedAnew(proof);
      if (isIdle && !isListed && (!proof || proof.isThrough)) {
        // Neither searching nor listing tells more: the whole as one model is the last resort.
        if (isModelled) break;
        isModelled = true;
        this.boundByModel();
      } else proof = this.proveOn(proof, isListed);
    }
  }

  /** What is in the way and what is moved at least, whatever is chosen. */
  private boundByGroups(): void {
    const { request, covers } = this;
    if (request.zones) return;
    if (request.prefer === 'easy')
      this.raise({ bound: easyBound(request, covers), leastCostMinor: 0 });
    if (request.prefer === 'daily') this.raise({ bound: leastLids(request), leastCostMinor: 0 });
  }

  /** What is known to stand is where the search begins. */
  private takeKnown(): void {
    for (const { placements, surfaces } of this.means.known) {
      if (surfaces && surfaces.length > 0) continue;
      const found = standKnown(this.request, placements, this.covers);
      if (found) this.best.take(found);
    }
  }

  private findFirst(): void {
    const { best, request, covers } = this;
    best.findFirst();
    // Where nothing can be in the way, what is chosen by area alone often stands, and every bit of
    // floor counts.
    const isFree = request.bay.pullOut === true || covers.groups.length === 1;
    if (best.found || !isFree) this.improve(best.found ? EARLY.steps : RESTART.first, EARLY.idle);
  }

  /** One turn of the search; whether nothing was bettered for long. */
  private improveAnew(): boolean {
    const { best } = this;
    if (best.found) best.lookAnew(this.looks);
    const steps = this.gap() < NEAR.fairly ? TURN_STEPS.near : TURN_STEPS.far;
    return this.improve(best.found ? steps : RESTART.most, MOST_IDLE);
  }

  /** Much better than when the covers were listed: fewer of them come into question. */
  private isBetterThanBegun(): boolean {
    return (this.best.found?.score[0] ?? Infinity) < (this.begunAt ?? Infinity) * STALE;
  }

  /** Whether covers are to be listed anew: where the list was too short, or what stands is much better. */
  private isListedAnew(proof: FitProof | undefined): boolean {
    const isBetter = this.isBetterThanBegun();
    return proof ? proof.isShort && (isBetter || this.effort < MOST_EFFORT) : isBetter;
  }

  /** One turn of the proof, with a new list or the one there is. */
  private proveOn(proof: FitProof | undefined, isListed: boolean): FitProof | undefined {
    if (!proof && !isListed) return undefined;
    if (proof && isListed && !this.isBetterThanBegun()) this.effort *= 2;
    return this.prove(isListed ? undefined : proof, proofEffortAt(this.gap())) ?? proof;
  }

  /** How far the best is above what is proven, as a share of it. */
  private gap(): number {
    return (this.best.found?.score[0] ?? Infinity) / Math.max(1e-9, this.relaxed.bound) - 1;
  }

  /** Where nothing stands the rest is left for the partial answer. */
  private readonly leftMs = (): number =>
    this.request.timeLimitMs * (this.best.found ? 1 : SEARCH_SHARE) - this.means.passedMs();
  private readonly hasTime = (): boolean => this.leftMs() > 0;

  private isDone(): boolean {
    const { found } = this.best;
    return (
      found !== undefined &&
      found.score[0] <= this.relaxed.bound + 1e-6 &&
      (this.request.prefer === 'cost' || found.score[1] <= this.relaxed.leastCostMinor + 1e-6)
    );
  }

  /**
   * Betters what stands, in at most so many steps, until `idle` of them have bettered nothing:
   * whether they have. Where nothing stands, searches something that does, in tries of at most so
   * many steps.
   */
  private improve(steps: number, idle: number): boolean {
    const { request, covers, random, hasTime, best } = this;
    const begin = () =>
      new PlaceSearch(
        request,
        { covers, random, hasTime, onBetter: (found) => best.take(found) },
        best.found?.packing.spots ?? [],
      );
    const isFresh = !this.places || this.placed !== best.found;
    let places = this.places && !isFresh ? this.places : begin();
    if (best.found) places.run(() => this.isDone(), steps, idle);
    // Asked anew each time: looking and standing may find one.
    const stands = () => best.found !== undefined;
    for (
      let most: number = RESTART.steps;
      !stands() && hasTime() && most <= steps;
      most *= RESTART.growth
    ) {
      best.lookAnew(this.looks);
      if (!stands()) places.run(stands, most);
      places = begin();
    }
    this.places = places;
    this.placed = best.found;
    return places.idle > idle;
  }

  /** Stands a choice if it would be better; whether it stands. */
  private stand(chosen: readonly Chosen[], effort: number): boolean {
    if (this.best.offer(chosen, STAND.tries)) return true;
    let hasStood = false;
    const partsOf = new Map(
      this.covers.groups.map((group) => [group, chosen.filter((part) => part.group === group)]),
    );
    const onBetter = (found: FoundFit): boolean => {
      hasStood = true;
      return this.best.take(found);
    };
    new PlaceSearch(
      this.request,
      { covers: this.covers, random: this.random, hasTime: this.hasTime, onBetter, partsOf },
      [],
    ).run(() => hasStood, STAND.steps * effort);
    return hasStood;
  }

  /** Goes on with a proof, or begins one; undefined for aims and covers that it is not for. */
  private prove(begun: FitProof | undefined, steps: number): FitProof | undefined {
    const worth = worthOf(this.request);
    if (!worth) return undefined;
    const {
      covers,
      floorRows,
      leftMs,
      best,
      means: { solver },
    } = this;
    const { prefer } = this.request;
    const limit = best.found?.chosen.reduce(
      (sum, { container, count }) => sum + worth(container) * count,
      0,
    );
    if (!begun) this.begunAt = best.found?.score[0];
    const proof =
      begun ??
      FitProof.begin(
        this.request,
        { limit, effort: this.effort },
        {
          solver,
          covers,
          floorRows,
          worth,
          leftMs,
          stand: (chosen, effort) => this.stand(chosen, effort),
          take: ({ chosen, packing }) =>
            void best.take({ chosen, packing, score: scoreOf(prefer, chosen, packing) }),
        },
      );
    if (!proof) return undefined;
    proof.advance(limit, begun || proof.isWhole ? steps : Math.min(steps, PROOF.far));
    const bound = prefer === 'cost' ? proof.bound : Math.floor((proof.bound + 1e-6) / PIECE);
    const leastCostMinor = prefer === 'cost' ? proof.bound : proof.bound - bound * PIECE;
    this.raise({ bound, leastCostMinor });
    return proof;
  }

  /** Keeps the higher of two bounds, and what is cheapest at it. */
  private raise({ bound, leastCostMinor }: Pick<RelaxedFit, 'bound' | 'leastCostMinor'>): void {
    const isHigher =
      bound > this.relaxed.bound ||
      (bound === this.relaxed.bound && leastCostMinor > this.relaxed.leastCostMinor);
    if (isHigher) this.relaxed = { ...this.relaxed, bound, leastCostMinor };
  }

  /** The area alone is quick; what sizes shut out comes after it, where that leaves a difference. */
  private boundByModel(): void {
    const {
      request,
      best,
      means: { solver, passedMs },
    } = this;
    const relax = (rows: readonly FloorRow[], share: number): RelaxedFit => {
      const untilMs = Math.min(request.timeLimitMs, passedMs() + share * request.timeLimitMs);
      const next = new ContainerSelection(request, rows).solve(request.prefer, solver, {
        timeLeftMs: () => untilMs - passedMs(),
        seed: request.seed,
      });
      this.raise(next);
      this.relaxed = {
        ...this.relaxed,
        selection: next.selection,
        isImpossible: next.isImpossible,
      };
      return next;
    };
    const follow = (): void => {
      if (this.relaxed.selection && !this.relaxed.isImpossible)
        best.offer(this.relaxed.selection, BOUND_TRIES, BOUND_NODES);
    };
    const isOpen = () =>
      !this.relaxed.isImpossible &&
      best.found !== undefined &&
      !this.isDone() &&
      passedMs() < AREA.until * request.timeLimitMs;
    relax(this.floorRows.slice(0, 1), AREA.share);
    follow();
    let rows = this.floorRows;
    for (let round = 0; round < AREA.rounds && isOpen(); round += 1) {
      const tighter = relax(rows, AREA.tighterShare);
      follow();
      const cuts = tighter.selection
        ? findFloorCuts(request, stacksOf(request, tighter.selection), {
            solver,
            seed: request.seed,
          })
        : [];
      if (cuts.length === 0) break;
      rows = [...rows, ...cuts];
    }
  }
}

/** The fewest stacks that a choice makes, by container. */
function stacksOf(
  request: FitQuestion,
  chosen: readonly Chosen[],
): { readonly container: Chosen['container']; readonly count: number }[] {
  return [...countUsed(chosen)].map(([container, count]) => ({
    container,
    count: Math.ceil(count / maxStackOf(request, container)),
  }));
}

function sumUp(request: FitRequest, chosen: readonly Chosen[], packing: Packing) {
  const costMinor = chosen.reduce(
    (sum, { container, count }) => sum + container.priceMinor * count,
    0,
  );
  const offered = request.groups.map((group) => offeredLitres(chosen, group.id));
  const usedLitres = request.groups.reduce(
    (sum, group, i) => sum + Math.min(group.litres, offered[i]!),
    0,
  );
  return {
    placements: toPlacements(packing.spots),
    costMinor,
    usedLitres,
    freeLitres: offered.reduce((a, b) => a + b, 0) - usedLitres,
  };
}

const offeredLitres = (chosen: readonly Chosen[], groupId: string): number =>
  chosen
    .filter(({ group }) => group.id === groupId)
    .reduce((sum, { container, count }) => sum + container.innerLitres * count, 0);

const explainShortage = (unmet: FitAnswer['unmet'], isImpossible: boolean): FitReason[] =>
  unmet.map(({ groupId, litres }) => ({
    code: 'not_enough_floor',
    subject: groupId,
    litres,
    isImpossible,
  }));

/** The nearer the best is to its bound, the more is spent on proving it. */
function proofEffortAt(gap: number) {
  if (gap < NEAR.very) return PROOF.near;
  return gap < NEAR.fairly ? PROOF.usual : PROOF.far;
}
