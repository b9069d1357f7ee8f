import type { Random } from '../shared';
import { SUM_TOLERANCE, sumOf, type ZonesProblem } from './zonesProblem';

const { floor, max } = Math;

interface StandOptions {
  readonly random: Random;
  /** Where to begin: a bay a group, one that it may stand in. */
  readonly from: Int32Array;
  readonly isOver: () => boolean;
  /** Steps at most; the same number gives the same answer. */
  readonly mostSteps?: number;
}

/** A group does not go back for so many steps, and by chance up to so many more. */
const TABU = { least: 6, more: 10 } as const;
/** Every so many steps without a better arrangement one is begun anew from the best, shaken. */
const STALE_STEPS = 4000;
/** What seconds count beside what is broken: they only decide between equals. */
const COST_SHARE = 1e-3;
const SHAKEN_SHARE = 0.15;

/**
 * Looks for any arrangement that keeps the rules, and among equal steps for a cheap one: of a bay that is overfull
 * or holds foes a group moves, or changes places with another, whichever leaves least broken over all; what stays
 * broken weighs more and more, and a group does not return at once.
 * Source: tabu search with adaptive weights, Yagiura, Ibaraki and Glover, "An ejection chain approach for the
 * generalized assignment problem", 2004; breakout weights, Morris, 1993.
 * Undefined where none was met; that proves nothing.
 */
export function standZones(
  problem: ZonesProblem,
  { random, from, isOver, mostSteps = Infinity }: StandOptions,
): Int32Array | undefined {
  const { groupCount } = problem;
  const state = new Standing(problem, from);
  let best = Int32Array.from(state.bayOf);
  let least = state.brokenBays.length;
  let stale = 0;
  for (let step = 1; step <= mostSteps; step += 1) {
    if (state.brokenBays.length === 0) return state.bayOf;
    if ((step & 63) === 0 && isOver()) return undefined;
    state.step(step, random);
    if (state.brokenBays.length < least) {
      least = state.brokenBays.length;
      best = Int32Array.from(state.bayOf);
      stale = 0;
    } else if ((stale += 1) > STALE_STEPS) {
      stale = 0;
      for (let n = 0; n < groupCount * SHAKEN_SHARE; n += 1) {
        const g = floor(random() * groupCount);
        const list = problem.allowed[g]!;
        best[g] = list[floor(random() * list.length)]!;
      }
      state.begin(best);
      least = state.brokenBays.length;
    }
  }
  return undefined;
}

/** An arrangement that may break rules, with what each bay holds. */
class Standing {
  readonly bayOf: Int32Array;
  /** Bays that are overfull or hold foes. */
  readonly brokenBays: number[] = [];
  private readonly litres: Float64Array;
  private readonly massG: Float64Array;
  /** Meetings of foes, by bay. */
  private readonly foesIn: Int32Array;
  /** What a broken rule of a bay counts. */
  private readonly weights: Float64Array;
  private readonly tabuUntil: Int32Array;
  private readonly groupsIn: number[][];
  /** What is the same as one bay that is full twice over. */
  private readonly litreScale: number;
  private readonly massScale: number;
  private readonly costScale: number;

  constructor(
    private readonly problem: ZonesProblem,
    from: Int32Array,
  ) {
    const { groupCount, bayCount, bayLitres, litres, massG, cost, allowed } = problem;
    this.bayOf = new Int32Array(groupCount);
    this.litres = new Float64Array(bayCount);
    this.massG = new Float64Array(bayCount);
    this.foesIn = new Int32Array(bayCount);
    this.weights = new Float64Array(bayCount).fill(1);
    this.tabuUntil = new Int32Array(groupCount * bayCount);
    this.groupsIn = Array.from({ length: bayCount }, () => []);
    this.litreScale = max(1e-6, sumOf(bayLitres) / bayCount);
    this.massScale = max(1e-6, (sumOf(massG) / max(1e-6, sumOf(litres))) * this.litreScale);
    let costs = 0;
    for (let g = 0; g < groupCount; g += 1) {
      const list = allowed[g]!;
      costs += cost[g * bayCount + list[floor(list.length / 2)]!]! - cost[g * bayCount + list[0]!]!;
    }
    this.costScale = COST_SHARE / max(1e-6, costs / groupCount);
    this.begin(from);
  }

  begin(from: Int32Array): void {
    const { problem, bayOf } = this;
    bayOf.set(from);
    this.litres.fill(0);
    this.massG.fill(0);
    this.foesIn.fill(0);
    this.weights.fill(1);
    for (const list of this.groupsIn) list.length = 0;
    for (let g = 0; g < bayOf.length; g += 1) {
      const b = bayOf[g]!;
      this.litres[b] = this.litres[b]! + problem.litres[g]!;
      this.massG[b] = this.massG[b]! + problem.massG[g]!;
      this.groupsIn[b]!.push(g);
      for (const foe of problem.foes[g] ?? [])
        if (foe < g && bayOf[foe] === b) this.foesIn[b] = this.foesIn[b]! + 1;
    }
    this.listBroken();
  }

  /** The best move or exchange of a group of one broken bay. */
  step(step: number, random: Random): void {
    const { problem, brokenBays } = this;
    const { bayCount, allowed, cost } = problem;
    const a = brokenBays[floor(random() * brokenBays.length)]!;
    let [bestG, bestH, bestB] = [-1, -1, -1];
    let bestDelta = Infinity;
    let ties = 0;
    const offer = (g: number, h: number, b: number, delta: number): void => {
      if (delta > bestDelta + 1e-12) return;
      ties = delta < bestDelta - 1e-12 ? 1 : ties + 1;
      if (ties > 1 && random() * ties >= 1) return;
      [bestG, bestH, bestB, bestDelta] = [g, h, b, delta];
    };
    for (const g of this.groupsIn[a]!) {
      const [l, m] = [problem.litres[g]!, problem.massG[g]!];
      const meetsA = this.meetings(g, a, -1);
      const withoutG = this.brokenAs(a, -l, -m, -meetsA) - this.brokenAs(a, 0, 0, 0);
      for (const b of allowed[g]!) {
        if (b === a) continue;
        const own = (cost[g * bayCount + b]! - cost[g * bayCount + a]!) * this.costScale;
        if (this.tabuUntil[g * bayCount + b]! <= step) {
          const added = this.brokenAs(b, l, m, this.meetings(g, b, -1));
          offer(g, -1, b, withoutG + added - this.brokenAs(b, 0, 0, 0) + own);
        }
        for (const h of this.groupsIn[b]!) {
          const costA = cost[h * bayCount + a]!;
          if (costA === Infinity || this.tabuUntil[h * bayCount + a]! > step) continue;
          const dl = problem.litres[h]! - l;
          const dm = problem.massG[h]! - m;
          const delta =
            this.brokenAs(a, dl, dm, this.meetings(h, a, g) - meetsA) -
            this.brokenAs(a, 0, 0, 0) +
            this.brokenAs(b, -dl, -dm, this.meetings(g, b, h) - this.meetings(h, b, -1)) -
            this.brokenAs(b, 0, 0, 0);
          offer(g, h, b, delta + own + (costA - cost[h * bayCount + b]!) * this.costScale);
        }
      }
    }
    if (bestDelta > -1e-9 || bestG < 0)
      for (const b of brokenBays) this.weights[b] = this.weights[b]! + 0.2;
    if (bestG < 0) return;
    const until = step + TABU.least + floor(random() * TABU.more);
    this.move(bestG, bestB);
    this.tabuUntil[bestG * bayCount + a] = until;
    if (bestH >= 0) {
      this.move(bestH, a);
      this.tabuUntil[bestH * bayCount + bestB] = until;
    }
    this.listBroken();
  }

  private move(g: number, b: number): void {
    const { problem, bayOf, groupsIn } = this;
    const a = bayOf[g]!;
    const [l, m] = [problem.litres[g]!, problem.massG[g]!];
    this.foesIn[a] = this.foesIn[a]! - this.meetings(g, a, -1);
    const from = groupsIn[a]!;
    from.splice(from.indexOf(g), 1);
    bayOf[g] = b;
    groupsIn[b]!.push(g);
    // Added up anew: sums of many small changes drift.
    this.litres[a] = from.reduce((sum, other) => sum + problem.litres[other]!, 0);
    this.massG[a] = from.reduce((sum, other) => sum + problem.massG[other]!, 0);
    this.litres[b] = this.litres[b]! + l;
    this.massG[b] = this.massG[b]! + m;
    this.foesIn[b] = this.foesIn[b]! + this.meetings(g, b, -1);
  }

  /** What is broken in a bay that holds so much more. */
  private brokenAs(b: number, l: number, m: number, foes: number): number {
    const overL = this.litres[b]! + l - this.problem.bayLitres[b]!;
    const overM = this.massG[b]! + m - this.problem.bayMassG[b]!;
    return (
      this.weights[b]! *
      ((overL > SUM_TOLERANCE ? overL / this.litreScale + 0.02 : 0) +
        (overM > SUM_TOLERANCE ? overM / this.massScale + 0.02 : 0) +
        this.foesIn[b]! +
        foes)
    );
  }

  private meetings(g: number, b: number, except: number): number {
    let count = 0;
    for (const foe of this.problem.foes[g]!)
      if (foe !== except && this.bayOf[foe] === b) count += 1;
    return count;
  }

  private listBroken(): void {
    const { bayLitres, bayMassG, bayCount } = this.problem;
    this.brokenBays.length = 0;
    for (let b = 0; b < bayCount; b += 1)
      if (
        this.foesIn[b]! > 0 ||
        this.litres[b]! > bayLitres[b]! + SUM_TOLERANCE ||
        this.massG[b]! > bayMassG[b]! + SUM_TOLERANCE
      )
        this.brokenBays.push(b);
  }
}

/**
 * The costliest to misplace first, each into the cheapest bay that still takes it, or into its
 * cheapest of all.
 */
export function standGreedily(problem: ZonesProblem): Int32Array {
  const { groupCount, bayCount, allowed, cost, litres, massG, bayLitres, bayMassG, foes } = problem;
  const bayOf = new Int32Array(groupCount).fill(-1);
  const litresIn = new Float64Array(bayCount);
  const massIn = new Float64Array(bayCount);
  const regret = (g: number) => {
    const list = allowed[g] as Int32Array;
    return list.length < 2
      ? Infinity
      : cost[g * bayCount + list[Math.min(list.length - 1, 3)]!]! - cost[g * bayCount + list[0]!]!;
  };
  const order = Array.from({ length: groupCount }, (_, g) => g).sort(
    (g, h) => regret(h) - regret(g) || litres[h]! - litres[g]! || g - h,
  );
  for (const g of order) {
    const list = allowed[g] as Int32Array;
    const takes = (b: number) =>
      litresIn[b]! + litres[g]! <= bayLitres[b]! + SUM_TOLERANCE &&
      massIn[b]! + massG[g]! <= bayMassG[b]! + SUM_TOLERANCE &&
      (foes[g] ?? []).every((foe) => bayOf[foe] !== b);
    const b = list.find(takes) ?? list[0] ?? 0;
    bayOf[g] = b;
    litresIn[b] = litresIn[b]! + litres[g]!;
    massIn[b] = massIn[b]! + massG[g]!;
  }
  return bayOf;
}
