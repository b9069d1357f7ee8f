import type { Random } from '../shared';
import { costOfZones, SUM_TOLERANCE, type ZonesProblem } from './zonesProblem';

// In hot loops a lookup of the global object costs more than the arithmetic.
const { exp, floor, log, max } = Math;

interface ExchangeOptions {
  readonly random: Random;
  /** An arrangement that keeps every rule. */
  readonly from: Int32Array;
  /** Bays to try for each group, the most promising first. */
  readonly lists: readonly Int32Array[];
  /** Steps to take; the same number gives the same answer. */
  readonly steps: number;
  /** The share of its time that is gone: it cools by steps or by time, whichever is further. */
  readonly spent: () => number;
  /** How hot it begins, in what a move typically changes. */
  readonly heat: number;
  readonly onBetter: (bayOf: Int32Array, cost: number) => void;
}

/** So many groups at most make room for one. */
const MOST_MADE_ROOM = 3;
/** So many places are looked at for each of them, beside the one that became free. */
const PLACES = 5;
const COLD = 2e-3;
/** Sums of many small changes drift by no more than this, as a share. */
const MOST_DRIFT = 1e-6;
/** So often a group is brought near one of its partners, to one of so many bays. */
const BESIDE_SHARE = 0.2;
const MOST_NEAR = 12;

/**
 * Betters an arrangement that keeps the rules by simulated annealing that never leaves them: a group moves; where it
 * finds no room, groups that stand there make room, into the bay that became free or another that takes them
 * (ejection chains). In full homes this reaches what single moves and exchanges through broken rules do not.
 * Source: simulated annealing, Kirkpatrick, Gelatt, Vecchi, 1983; ejection chains, Glover, 1996. Deterministic unless
 * the time cuts it.
 */
export function exchangeZones(problem: ZonesProblem, options: ExchangeOptions): void {
  new Exchange(problem, options).run();
}

/** One of a list, the first ones more often; -1 where it is empty. */
function pickFrom(list: Int32Array, random: Random): number {
  const r = random();
  return list[floor(r * r * list.length)] ?? -1;
}

class Exchange {
  /** -1 for what makes room and has no place yet. */
  private readonly bayOf: Int32Array;
  /** The same, with what has no place yet where it stood last: from there its pairs are counted on. */
  private readonly countedAt: Int32Array;
  private readonly litres: Float64Array;
  private readonly massG: Float64Array;
  /** The groups of each bay, and where each stands in that list. */
  private readonly groupsIn: number[][];
  private readonly at: Int32Array;
  private readonly hasFoes: Uint8Array;
  /** What was moved in this step, and from where. */
  private readonly moved: number[] = [];
  private readonly movedFrom: number[] = [];
  private readonly ejected: number[] = [];
  private readonly nearestTo: Int32Array[] = [];
  private now: number;
  private best: number;

  constructor(
    private readonly problem: ZonesProblem,
    private readonly options: ExchangeOptions,
  ) {
    const { groupCount, bayCount, foes } = problem;
    this.bayOf = Int32Array.from(options.from);
    this.countedAt = Int32Array.from(options.from);
    this.litres = new Float64Array(bayCount);
    this.massG = new Float64Array(bayCount);
    this.groupsIn = Array.from({ length: bayCount }, () => []);
    this.at = new Int32Array(groupCount);
    this.hasFoes = Uint8Array.from(foes, (list) => (list.length > 0 ? 1 : 0));
    for (let g = 0; g < groupCount; g += 1) this.enter(g, this.bayOf[g]!);
    this.now = costOfZones(problem, this.bayOf);
    this.best = this.now;
  }

  run(): void {
    const { problem, options, moved } = this;
    const { random, steps, spent, lists } = options;
    const { groupCount } = problem;
    if (groupCount === 0) return;
    const scale = this.typicalChange();
    const hot = scale * options.heat;
    const cooling = log((scale * COLD) / hot);
    let gone = 0;
    for (let step = 0; step < steps; step += 1) {
      if ((step & 255) === 0) {
        gone = spent();
        if (gone >= 1) return;
        // Sums of many small changes drift.
        if ((step & 16_383) === 0) this.addUp();
      }
      const heat = hot * exp(cooling * max(step / steps, gone));
      const g = floor(random() * groupCount);
      const b = random() < BESIDE_SHARE ? this.pickBeside(g) : pickFrom(lists[g]!, random);
      if (b < 0 || b === this.bayOf[g]) continue;
      moved.length = this.movedFrom.length = 0;
      const limit = -heat * log(random() + 1e-300);
      const delta = this.bring(g, b, limit);
      if (delta > limit) {
        this.takeBack();
        continue;
      }
      this.now += delta;
      if (this.now < this.best - 1e-9) {
        const counted = this.now;
        this.addUp();
        if (Math.abs(counted - this.now) > MOST_DRIFT * Math.max(1, this.now))
          throw new Error('invariant: what steps change adds up to what an arrangement costs');
        if (this.now < this.best - 1e-9) {
          this.best = this.now;
          options.onBetter(this.bayOf, this.now);
        }
      }
    }
  }

  /** A bay near one of its partners; one of its own where it has none. */
  private pickBeside(g: number): number {
    const { partners, bayCount, cost } = this.problem;
    const { random, lists } = this.options;
    const own = partners[g]!;
    if (own.length === 0) return pickFrom(lists[g]!, random);
    const { other } = own[floor(random() * own.length)]!;
    const b = pickFrom(this.nearest(this.bayOf[other]!), random);
    return b < 0 || cost[g * bayCount + b] === Infinity ? -1 : b;
  }

  /** The bays nearest to one, itself first. */
  private nearest(b: number): Int32Array {
    const known = this.nearestTo[b];
    if (known) return known;
    const { metres, bayCount } = this.problem;
    const found = Int32Array.from({ length: bayCount }, (_, c) => c)
      .sort((c, d) => metres[b * bayCount + c]! - metres[b * bayCount + d]! || c - d)
      .slice(0, MOST_NEAR);
    this.nearestTo[b] = found;
    return found;
  }

  /** Moves a group, and what has to make room for it; what that costs, Infinity where it does not go. */
  private bring(g: number, b: number, limit: number): number {
    const { problem, ejected } = this;
    const { random } = this.options;
    const a = this.bayOf[g]!;
    ejected.length = 0;
    let delta = this.move(g, b);
    const here = this.groupsIn[b]!;
    while (this.isBroken(b, g)) {
      if (ejected.length >= MOST_MADE_ROOM || here.length < 2) return Infinity;
      const h = this.pickToGo(g, b, here, random);
      if (h < 0) return Infinity;
      this.leave(h, b);
      ejected.push(h);
      this.moved.push(h);
      this.movedFrom.push(b);
      this.bayOf[h] = -1;
    }
    // The largest finds its place first.
    if (ejected.length > 1) ejected.sort((x, y) => problem.litres[y]! - problem.litres[x]!);
    for (let i = 0; i < ejected.length; i += 1) {
      const h = ejected[i]!;
      const to = this.pickPlace(h, a, b);
      if (to < 0) return Infinity;
      delta += this.costAt(h, to) - this.costAt(h, b);
      this.bayOf[h] = this.countedAt[h] = to;
      this.enter(h, to);
      if (delta > limit && i === ejected.length - 1) return Infinity;
    }
    return delta;
  }

  /** A group of the bay whose going helps: a foe, or by chance. */
  private pickToGo(g: number, b: number, here: readonly number[], random: Random): number {
    if (this.hasFoes[g])
      for (const foe of this.problem.foes[g]!) if (this.bayOf[foe] === b) return foe;
    for (let n = 0; n < 3; n += 1) {
      const h = here[floor(random() * here.length)]!;
      if (h !== g) return h;
    }
    return -1;
  }

  /** The cheapest for it of the bay that became free and some of its own that take it. */
  private pickPlace(h: number, free: number, except: number): number {
    const { problem, options } = this;
    const { random } = options;
    const list = options.lists[h]!;
    let best = -1;
    let least = Infinity;
    const look = (b: number): void => {
      if (b === except || !this.takes(h, b)) return;
      const cost = this.costAt(h, b);
      if (cost < least) [best, least] = [b, cost];
    };
    if (problem.cost[h * problem.bayCount + free] !== Infinity) look(free);
    for (let n = 0; n < PLACES && list.length > 0; n += 1) {
      look(pickFrom(list, random));
    }
    return best;
  }

  /** What a group counts in a bay, with its partners where they are counted. */
  private costAt(g: number, b: number): number {
    const { cost, bayCount, partners, metres } = this.problem;
    let sum = cost[g * bayCount + b]!;
    for (const { other, weight } of partners[g]!)
      sum += weight * metres[b * bayCount + this.countedAt[other]!]!;
    return sum;
  }

  private move(g: number, b: number): number {
    const a = this.bayOf[g]!;
    const delta = this.costAt(g, b) - this.costAt(g, a);
    this.moved.push(g);
    this.movedFrom.push(a);
    this.leave(g, a);
    this.bayOf[g] = this.countedAt[g] = b;
    this.enter(g, b);
    return delta;
  }

  private takeBack(): void {
    for (let i = this.moved.length - 1; i >= 0; i -= 1) {
      const g = this.moved[i]!;
      const b = this.bayOf[g]!;
      if (b >= 0) this.leave(g, b);
      this.bayOf[g] = this.countedAt[g] = this.movedFrom[i]!;
      this.enter(g, this.movedFrom[i]!);
    }
  }

  private enter(g: number, b: number): void {
    this.litres[b] = this.litres[b]! + this.problem.litres[g]!;
    this.massG[b] = this.massG[b]! + this.problem.massG[g]!;
    this.at[g] = this.groupsIn[b]!.push(g) - 1;
  }

  private leave(g: number, b: number): void {
    this.litres[b] = this.litres[b]! - this.problem.litres[g]!;
    this.massG[b] = this.massG[b]! - this.problem.massG[g]!;
    const list = this.groupsIn[b]!;
    const last = list.pop()!;
    if (last === g) return;
    list[this.at[g]!] = last;
    this.at[last] = this.at[g]!;
  }

  private isBroken(b: number, g: number): boolean {
    return (
      this.litres[b]! > this.problem.bayLitres[b]! + SUM_TOLERANCE ||
      this.massG[b]! > this.problem.bayMassG[b]! + SUM_TOLERANCE ||
      (this.hasFoes[g] === 1 && this.meetsFoe(g, b))
    );
  }

  private takes(g: number, b: number): boolean {
    return (
      this.litres[b]! + this.problem.litres[g]! <= this.problem.bayLitres[b]! + SUM_TOLERANCE &&
      this.massG[b]! + this.problem.massG[g]! <= this.problem.bayMassG[b]! + SUM_TOLERANCE &&
      !(this.hasFoes[g] === 1 && this.meetsFoe(g, b))
    );
  }

  private meetsFoe(g: number, b: number): boolean {
    for (const foe of this.problem.foes[g]!) if (this.bayOf[foe] === b) return true;
    return false;
  }

  private addUp(): void {
    const { problem, litres, massG, bayOf } = this;
    litres.fill(0);
    massG.fill(0);
    for (let g = 0; g < bayOf.length; g += 1) {
      const b = bayOf[g]!;
      litres[b] = litres[b]! + problem.litres[g]!;
      massG[b] = massG[b]! + problem.massG[g]!;
    }
    this.now = costOfZones(problem, bayOf);
  }

  /** What a move within a group's more promising bays changes. */
  private typicalChange(): number {
    const { groupCount, bayCount, cost } = this.problem;
    let sum = 0;
    for (let g = 0; g < groupCount; g += 1) {
      const list = this.options.lists[g]!;
      if (list.length < 2) continue;
      sum += Math.abs(
        cost[g * bayCount + list[floor(list.length / 3)]!]! - cost[g * bayCount + list[0]!]!,
      );
    }
    return max(1e-6, sum / groupCount);
  }
}
