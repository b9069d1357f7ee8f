import { divideLevels } from './cells';
import { fillLevels } from './fillLevels';
import { findFitFaults } from './findFitFaults';
import { leastByLitres, leastByRate } from './levelBound';
import { listAlike } from './listAlike';
import { layOutLevels, levelsOf } from './levels';
import { objectiveOf } from './measureFit';
import { bearingRoles, hangingRoles } from './codes';
import type { FitAnswer, FitContainer, FitRequest, Placement, Surface } from './model';
import { toPlacements } from './floor';
import { planFlat, type FitMeans } from './planFlat';
import { sumLitres, unmetLitresOf } from './restateLitres';
import { leastLids } from './easyBound';
import { addStation, EMPTY_SCENE, listLevelled, listStations, toBox, type Scene } from './stations';
import { explainUnused, roleOf, type FitPin, type FitQuestion } from './suitability';
import { plainId, unfold, type Unfolded } from './unfold';

/**
 * Of the time: for the flat answers, then for looking through scenes; the rest is for the best scenes, a part of it for
 * filling each once more.
 */
const SHARE = { flat: 0.45, scenes: 0.28, again: 0.15 } as const;
/** Before a scene is worked out in full it is filled once more, for longer. */
const AGAIN = { rounds: 20_000, seed: 17 } as const;
/** So many scenes go on to the next station, and so many are worked out in full. */
const BEAM = 4;
const FULL = 3;
const MOST_STATIONS = 6;
/** A scene is looked at for so long before the next, in ms. */
const LOOK_MS = 6;
/** Litres that differ by less are none. */
const SAME_LITRES = 1e-6;

/** Whether a request has anything that levels are made of. */
export const hasLevels = ({ containers }: FitRequest): boolean =>
  containers.some(({ role = 'box' }) => role !== 'box');

/** One answer in the words of the request, with how good it is: less is better, the first first. */
interface Candidate {
  readonly answer: FitAnswer;
  readonly score: readonly [
    missing: number,
    unmetLitres: number,
    aim: number,
    beside: number,
    costMinor: number,
  ];
}

/**
 * Fits a bay on levels.
 *
 * Method: what is asked in kinds, pieces, colours is said in litres (`unfold`). Sets of surfaces are built up station by
 * station, the most promising kept (beam search); the levels of each lie beside each other as one floor
 * (`layOutLevels`), on which what is found in milliseconds says how promising it is. Then the floor alone is worked
 * out, and the best of the sets as a floor is. Every answer is checked by `findFitFaults` before it counts. The bound is
 * what was proven on the floor, or what the litres cost with the cheapest surface.
 * Requires, ensures: as `planFit`.
 */
export function planLevels(request: FitQuestion, means: FitMeans): FitAnswer {
  return new LevelRun(request, means).run();
}

class LevelRun {
  private readonly startMs: number;
  private readonly unfolded: Unfolded;
  private best: Candidate | undefined;
  private hasTold = false;
  /** What was proven of answers on the floor alone, where all was asked of it. */
  private flatBound: number | undefined;

  constructor(
    private readonly request: FitQuestion,
    private readonly means: FitMeans,
  ) {
    this.startMs = means.clock();
    this.unfolded = unfold(request);
  }

  private passedMs(): number {
    return this.means.clock() - this.startMs;
  }
  private leftMs(): number {
    return this.request.timeLimitMs - this.passedMs();
  }

  run(): FitAnswer {
    for (const known of this.means.known ?? []) this.takeKnown(known);
    const ways = listAlike(this.unfolded);
    const question = { ...this.unfolded.question, pins: ways[0] ?? [] };
    const looked = this.hasStations() ? this.lookThrough(question) : [];
    this.tellPart();
    const pins = this.planOnFloor(ways);
    const leastPrice = this.bound();
    if (!this.isAtLeast(leastPrice)) this.workOutBest({ ...question, pins }, looked);
    return this.finish(leastPrice);
  }

  private isAtLeast(bound: number): boolean {
    const { best } = this;
    return (
      best !== undefined &&
      best.score[0] === 0 &&
      best.score[1] <= SAME_LITRES &&
      best.score[2] <= bound + 1e-6 &&
      this.request.prefer === 'cost'
    );
  }

  private hasStations(): boolean {
    return this.unfolded.question.containers.some((container) => {
      const role = roleOf(container);
      return role !== 'box' && role !== 'rack';
    });
  }

  private takeKnown(known: Pick<FitAnswer, 'placements' | 'surfaces'>): void {
    this.offer({ placements: known.placements, surfaces: known.surfaces ?? [] });
  }

  /** On the floor alone, kinds alike where that goes; the pins with which it went best. */
  private planOnFloor(ways: readonly (readonly FitPin[])[]): readonly FitPin[] {
    const flat = onFloor(this.unfolded.question);
    const untilMs = this.request.timeLimitMs * (this.hasStations() ? SHARE.scenes + SHARE.flat : 1);
    const { solver, clock } = this.means;
    const tell = (answer: FitAnswer): void => {
      const folded = this.unfolded.fold(answer);
      this.offer({ placements: folded.placements, surfaces: [] });
    };
    let best = ways[0] ?? [];
    let leastLitres = Infinity;
    for (const [i, pins] of ways.entries()) {
      const leftMs = Math.max(LEAST_MS, (untilMs - this.passedMs()) / (ways.length - i));
      const answer = planFlat(
        { ...flat, pins, timeLimitMs: leftMs },
        { solver, clock, onFirst: tell },
      );
      tell(answer);
      if (i === ways.length - 1) this.flatBound = answer.bound ?? undefined;
      const litres = unmetLitresOf(answer);
      if (litres < leastLitres - SAME_LITRES) {
        best = pins;
        leastLitres = litres;
      }
      if (answer.unmet.length === 0) break;
    }
    return best;
  }

  /** Works the best of the scenes out in the time that is left. */
  private workOutBest(question: FitQuestion, looked: readonly Looked[]): void {
    const full = looked.slice(0, FULL);
    full.forEach((scene, i) => {
      // What stands in part takes a tenth more.
      const leftMs = (this.leftMs() * 0.9) / (full.length - i);
      if (leftMs < LEAST_MS / 4 && this.best) return;
      this.workOut(question, scene, leftMs);
    });
  }

  /** The most promising scenes, best first. */
  private lookThrough(question: FitQuestion): Looked[] {
    const untilMs = SHARE.scenes * this.request.timeLimitMs;
    const leftMs = () => untilMs - this.passedMs();
    const floor = this.look(question, EMPTY_SCENE);
    const stations = listStations(question);
    let beam: Looked[] = [];
    // A drawer with dividers is worked out as it is, too.
    const isDivided = question.containers.some((container) => roleOf(container) === 'divider');
    const all: Looked[] = floor && isDivided ? [floor] : [];
    const seen = new Set<string>();
    for (let depth = 0; depth < MOST_STATIONS && leftMs() > 0; depth += 1) {
      const from = depth === 0 ? [EMPTY_SCENE] : beam.map(({ scene }) => scene);
      const next: Looked[] = [];
      for (const scene of from) {
        // What is wished for comes first: nothing is built up without it.
        const [wished] = this.missingOf(scene.surfaces);
        for (const station of stations.filter(
          ({ container }) => wished === undefined || plainId(container.id) === wished,
        )) {
          if (leftMs() <= 0) break;
          const grown = addStation(question, scene, station);
          const key =
            grown &&
            JSON.stringify([
              [...grown.surfaces].map(keyOf).sort(),
              grown.hung.map(({ container, group }) => [container.id, group.id]).sort(),
            ]);
          if (!grown || !key || seen.has(key)) continue;
          seen.add(key);
          const looked = this.look(question, grown);
          if (looked) next.push(looked);
        }
      }
      if (next.length === 0) break;
      beam = next.sort(byPromise).slice(0, BEAM);
      all.push(...beam);
    }
    const lacks = ({ scene }: Looked): number => this.missingOf(scene.surfaces).length;
    return all.sort((a, b) => lacks(a) - lacks(b) || byPromise(a, b));
  }

  /** Surfaces that are wished for and not among these, each as often as it is lacking. */
  private missingOf(surfaces: readonly Surface[]): string[] {
    const there = surfaces.map(({ containerId }) => plainId(containerId));
    return (this.request.uses ?? []).filter((id) => {
      const at = there.indexOf(id);
      if (at >= 0) there.splice(at, 1);
      return at < 0;
    });
  }

  /** What a scene holds, found in a few milliseconds. */
  private look(question: FitQuestion, scene: Scene): Looked | undefined {
    const laid = this.layOut(question, scene);
    if (!laid) return undefined;
    const endMs = this.passedMs() + LOOK_MS;
    const partial = fillLevels(laid.question, () => endMs - this.passedMs());
    const placements = toPlacements(partial.packing.spots);
    const stood = laid.toStood(placements);
    this.offer(stood);
    const costMinor = partial.costMinor + sceneCost(question, scene);
    return { scene, unmetLitres: partial.unmetLitres, costMinor, placements };
  }

  private workOut(question: FitQuestion, { scene, placements }: Looked, leftMs: number): void {
    const laid = this.layOut(question, scene);
    if (!laid) return;
    const endMs = this.passedMs() + leftMs * SHARE.again;
    const again = fillLevels(laid.question, () => endMs - this.passedMs(), AGAIN);
    const filled = toPlacements(again.packing.spots);
    this.offer(laid.toStood(filled));
    const answer = planFlat(
      { ...laid.question, timeLimitMs: leftMs * (1 - SHARE.again) },
      {
        solver: this.means.solver,
        clock: this.means.clock,
        known: [{ placements: [...placements] }, { placements: filled }],
      },
    );
    this.offer(laid.toStood(answer.placements));
  }

  /** The levels of a scene as one floor, less the groups that hang; undefined where the bay bears no more. */
  private layOut(question: FitQuestion, scene: Scene) {
    const hungGroups = new Set(scene.hung.map(({ group }) => group));
    const bearingG = scene.surfaces.reduce(
      (sum, { containerId }) =>
        sum + (question.containers.find(({ id }) => id === containerId)?.tareG ?? 0),
      0,
    );
    const hungG =
      [...hungGroups].reduce((sum, group) => sum + (group.massG ?? group.litres * 300), 0) +
      scene.hung.reduce((sum, { container }) => sum + (container.tareG ?? 0), 0);
    const { maxLoadG } = question.bay;
    const leftG = (maxLoadG ?? Infinity) - bearingG - hungG;
    if (leftG < 0) return undefined;
    const used = new Map<string, number>();
    for (const { containerId } of scene.surfaces)
      used.set(containerId, (used.get(containerId) ?? 0) + 1);
    const bare = levelsOf(question, scene.surfaces, scene.hung.map(toBox));
    const divided = divideLevels(question, bare, {
      surfaces: scene.surfaces,
      asked: this.request.pins ?? [],
    });
    const laid = layOutLevels(
      {
        ...divided.question,
        bay: { ...question.bay, ...(maxLoadG === undefined ? {} : { maxLoadG: leftG }) },
        groups: question.groups.filter((group) => !hungGroups.has(group)),
        containers: divided.question.containers.map((container) =>
          container.available === undefined
            ? container
            : {
                ...container,
                available: Math.max(0, container.available - (used.get(container.id) ?? 0)),
              },
        ),
      },
      divided.levels,
    );
    const hung = scene.hung.map(({ container, group, x, y, z }): Placement => ({
      containerId: container.id,
      groupId: group.id,
      x,
      y,
      z,
      turned: false,
    }));
    const toStood = (placements: readonly Placement[]): Stood => {
      const answer = this.unfolded.fold({
        ...NOTHING,
        placements: [...divided.toCells(placements.map(laid.back)), ...hung],
        surfaces: [...scene.surfaces],
      });
      return dropUnused(
        { placements: answer.placements, surfaces: answer.surfaces ?? [] },
        this.request.uses ?? [],
      );
    };
    return { question: laid.question, toStood };
  }

  /** Keeps what stands where no rule is broken and nothing known is better. */
  private offer({ placements, surfaces }: Stood): void {
    const { request } = this;
    const sums = sumLitres(request, placements);
    const [aim, costMinor] = objectiveOf(request, { placements, surfaces }, request.prefer);
    const unmetLitres = unmetLitresOf(sums);
    const missing = this.missingOf(surfaces).length;
    // Of equal answers the one that uses what was wished for.
    const beside =
      (request.uses ?? []).length === 0
        ? 0
        : placements.filter(({ on }) => on === undefined).length;
    const score = [missing, unmetLitres, aim, beside, costMinor] as const;
    if (this.best && !isLess(score, this.best.score)) return;
    const answer: FitAnswer = {
      ...NOTHING,
      ...sums,
      placements: [...placements],
      ...(surfaces.length > 0 ? { surfaces: [...surfaces] } : {}),
      costMinor,
      ...(request.prefer === 'daily' ? { movements: aim } : {}),
    };
    if (findFitFaults(request, answer).length > 0) return;
    this.best = { answer, score };
    if (unmetLitres > SAME_LITRES || this.hasTold) return;
    this.hasTold = true;
    this.means.onFirst?.({
      ...answer,
      status: 'feasible',
      objective: aim,
      bound: 0,
      elapsedMs: this.passedMs(),
    });
  }

  /** Where not everything stands yet, what does is told. */
  private tellPart(): void {
    if (this.hasTold || !this.best) return;
    this.means.onFirst?.({
      ...this.best.answer,
      status: 'unknown',
      elapsedMs: this.passedMs(),
    });
  }

  private finish(leastPrice: number): FitAnswer {
    const { request, best } = this;
    const reasons = this.unfolded.fold(NOTHING).reasons;
    const answer = best?.answer ?? { ...NOTHING, ...sumLitres(request, []) };
    if (answer.unmet.length > 0)
      return {
        ...answer,
        status: 'unknown',
        elapsedMs: this.passedMs(),
        reasons: [
          ...answer.unmet.map(({ groupId, litres }) => ({
            code: 'not_enough_floor' as const,
            subject: groupId,
            litres,
            isImpossible: false,
          })),
          ...reasons,
          ...explainUnused(request),
        ],
      };
    const objective = best?.score[2] ?? 0;
    const bound = Math.min(objective, leastPrice);
    return {
      ...answer,
      status: objective - bound <= 1e-6 * Math.max(1, objective) ? 'optimal' : 'feasible',
      objective,
      bound,
      elapsedMs: this.passedMs(),
      reasons,
    };
  }

  /**
   * The least of what answers of each sort cost at least: on the floor alone as was proven there; with a surface its
   * own price more than what holds the litres.
   */
  private bound(): number {
    const { question, alike } = this.unfolded;
    const { prefer } = this.request;
    if (prefer === 'daily') return leastLids(question);
    if (prefer === 'easy') return 0;
    const countOf = ({ priceMinor }: FitContainer): number => {
      if (prefer === 'cost') return priceMinor;
      return priceMinor > 0 ? 1 : 0;
    };
    const byLitres = leastByLitres(question, countOf);
    // Of all there are, those that are never tried among them: what is proven holds for every answer.
    const { bearing, canHang, isParted, boards, partedBoxes } = listLevelled(question);
    if (prefer === 'uniform') return 1;
    // In a drawer two groups want one board, however many litres they are.
    if (isParted) return 0;
    const byRate =
      partedBoxes.length === 0
        ? Infinity
        : leastByRate(question, partedBoxes, countOf) + Math.min(...boards.map(countOf));
    return Math.min(
      byRate,
      (alike.length === 0 ? this.flatBound : undefined) ?? byLitres,
      canHang ? byLitres : Infinity,
      byLitres + Math.min(Infinity, ...bearing.map(countOf)),
    );
  }
}

interface Stood {
  readonly placements: readonly Placement[];
  readonly surfaces: readonly Surface[];
}
interface Looked {
  readonly scene: Scene;
  /** As they stood on the levels beside each other. */
  readonly placements: readonly Placement[];
  readonly unmetLitres: number;
  readonly costMinor: number;
}
const byPromise = (a: Looked, b: Looked): number =>
  Math.abs(a.unmetLitres - b.unmetLitres) > SAME_LITRES
    ? a.unmetLitres - b.unmetLitres
    : a.costMinor - b.costMinor;

const LEAST_MS = 40;
const NOTHING: FitAnswer = {
  status: 'feasible',
  objective: null,
  bound: null,
  elapsedMs: 0,
  placements: [],
  costMinor: 0,
  usedLitres: 0,
  freeLitres: 0,
  unmet: [],
  reasons: [],
};

const isLess = (a: Candidate['score'], b: Candidate['score']): boolean => {
  for (const [i, value] of a.entries()) {
    const other = b[i] ?? 0;
    if (Math.abs(value - other) > SAME_LITRES) return value < other;
  }
  return false;
};

const keyOf = ({ containerId, width, z, y }: Surface): string =>
  `${containerId}/${width ?? ''}/${z}/${y}`;

const sceneCost = (question: FitQuestion, { surfaces, hung }: Scene): number =>
  surfaces.reduce(
    (sum, { containerId }) =>
      sum + (question.containers.find(({ id }) => id === containerId)?.priceMinor ?? 0),
    hung.reduce((sum, { container }) => sum + container.priceMinor, 0),
  );

/** What may stand on the floor of a bay where there are no levels. */
function onFloor(question: FitQuestion): FitQuestion {
  const isDrawer = question.bay.pullOut === true;
  return {
    ...question,
    containers: question.containers.filter((container) => {
      const role = roleOf(container);
      return (
        !bearingRoles.has(role) &&
        !hangingRoles.has(role) &&
        role !== 'divider' &&
        (role !== 'insert' || isDrawer)
      );
    }),
  };
}

/** Leaves out surfaces that nothing stands on and nobody wished for: what is under a riser stands without it. */
function dropUnused({ placements, surfaces }: Stood, wished: readonly string[]): Stood {
  const isUsed = (index: number): boolean =>
    placements.some(({ on }) => on === index) || surfaces.some(({ on }) => on === index);
  const last = surfaces.findIndex(
    ({ containerId }, i) => !isUsed(i) && !wished.includes(containerId),
  );
  if (last < 0) return { placements, surfaces };
  const shift = (on: number | undefined) =>
    on === undefined ? {} : { on: on > last ? on - 1 : on };
  return dropUnused(
    {
      placements: placements.map(({ on, ...placement }) => ({ ...placement, ...shift(on) })),
      surfaces: surfaces
        .filter((_, i) => i !== last)
        .map(({ on, ...surface }) => ({ ...surface, ...shift(on) })),
    },
    wished,
  );
}
