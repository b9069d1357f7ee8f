import type { Cover } from './listCovers';
import type { FitGroup, FitRequest } from './model';
import { filledG, type Filled } from './piles';
import { maxStackOf } from './selectContainers';

/**
 * A refuted set in which a cover has a part: of the covers in it, those that this one is no easier
 * to stand than, by bit.
 */
interface Part {
  readonly refuted: number;
  readonly slots: number;
}

/** As many bits as a number has. */
const MOST_SLOTS = 30;

/**
 * What was refuted, so that it need not be refuted again: covers that cannot stand together, with
 * all that are no easier to stand, of whichever groups.
 */
export class NoGoods {
  private readonly partsOf = new Map<Cover, Part[]>();
  /** How many covers each refuted set has. */
  private readonly sizes: number[] = [];
  private readonly noEasier = new Map<Cover, readonly Cover[]>();
  private readonly singlesOf = new Map<Cover, readonly Single[]>();
  private readonly covers: readonly Cover[];
  /** How many covers at hand have a part in each refuted set, and what each of them could be there. */
  private met = new Uint8Array(64);
  private metSlots = new Int32Array(512);

  constructor(
    private readonly request: FitRequest,
    coversOf: readonly (readonly Cover[])[],
  ) {
    this.covers = [...new Set(coversOf.flat().map(asOne))].sort((a, b) => floorOf(b) - floorOf(a));
  }

  /** These covers of different groups cannot stand together. */
  add(core: readonly Cover[]): void {
    if (core.length > MOST_SLOTS) return;
    const refuted = this.sizes.push(core.length) - 1;
    const slots = new Map<Cover, number>();
    core.forEach((cover, i) => {
      for (const other of this.noEasierThan(asOne(cover)))
        slots.set(other, (slots.get(other) ?? 0) | (1 << i));
    });
    for (const [cover, bits] of slots) {
      const known = this.partsOf.get(cover);
      if (known) known.push({ refuted, slots: bits });
      else this.partsOf.set(cover, [{ refuted, slots: bits }]);
    }
  }

  private noEasierThan(cover: Cover): readonly Cover[] {
    const known = this.noEasier.get(cover);
    if (known) return known;
    const easy = this.singles(cover);
    const own = cover.parts[0]?.group;
    const found = [cover];
    for (const other of this.covers) {
      // What is no easier takes no less floor.
      if (floorOf(other) < floorOf(cover) - 1e-9) break;
      if (
        other !== cover &&
        asksNoLess(other.parts[0]?.group, own) &&
        isNoEasier(this.request, this.singles(other), easy)
      )
        found.push(other);
    }
    this.noEasier.set(cover, found);
    return found;
  }
  private singles(cover: Cover): readonly Single[] {
    const known = this.singlesOf.get(cover);
    if (known) return known;
    const found = singlesOf(cover);
    this.singlesOf.set(cover, found);
    return found;
  }

  /** Whether the covers, one a group, hold something that was refuted. */
  hold(covers: readonly Cover[]): boolean {
    const { sizes } = this;
    if (sizes.length === 0) return false;
    const most = covers.length;
    if (this.met.length < sizes.length) this.met = new Uint8Array(2 * sizes.length);
    if (this.metSlots.length < sizes.length * most)
      this.metSlots = new Int32Array(2 * sizes.length * most);
    const { met, metSlots } = this;
    met.fill(0, 0, sizes.length);
    for (const cover of covers) {
      for (const { refuted, slots } of this.partsOf.get(asOne(cover)) ?? []) {
        const from = refuted * most;
        metSlots[from + met[refuted]!] = slots;
        const count = met[refuted]! + 1;
        met[refuted] = count;
        const size = sizes[refuted]!;
        if (count >= size && fillsAll(metSlots.subarray(from, from + count), size)) return true;
      }
    }
    return false;
  }
}

/** Whether the one group leaves what stands no more than the other does. */
const asksNoLess = (one: FitGroup | undefined, other: FitGroup | undefined): boolean =>
  (one?.front === true || other?.front !== true) &&
  (one?.crushable === true || other?.crushable !== true) &&
  one?.of === other?.of;

/** Covers of groups of one kind are known by one of them. */
const asOne = (cover: Cover): Cover => cover.twin ?? cover;

/** Whether so many slots can each be given one of those met that may have it, to each its own. */
function fillsAll(met: Int32Array, size: number, from = 0, taken = 0): boolean {
  if (taken === (1 << size) - 1) return true;
  const slots = met[from];
  if (slots === undefined) return false;
  for (let i = 0; i < size; i += 1)
    if ((slots & ~taken & (1 << i)) !== 0 && fillsAll(met, size, from + 1, taken | (1 << i)))
      return true;
  return met.length - from > size - bits(taken) && fillsAll(met, size, from + 1, taken);
}
function bits(mask: number): number {
  let count = 0;
  for (let left = mask; left > 0; left &= left - 1) count += 1;
  return count;
}

/**
 * Whether one cover would go in wherever another does: every container of it (`from`) has one of
 * the other (`to`) to itself that is no smaller, no
 * lower and no lighter, and that stands on the floor.
 */
function isNoEasier(request: FitRequest, to: readonly Single[], from: readonly Single[]): boolean {
  if (from.length > to.length) return false;
  if (from.length > MOST_SLOTS) return false;
  let taken = 0;
  // The largest chooses first; that it may miss a way only leaves a cover out.
  for (const one of from) {
    const at = to.findIndex(
      (other, i) =>
        (taken & (1 << i)) === 0 &&
        i < MOST_SLOTS &&
        (other.container === one.container
          ? other.massG >= one.massG - 1e-9
          : maxStackOf(request, other.container) === 1 && covers(other, one)),
    );
    if (at < 0) return false;
    taken |= 1 << at;
  }
  return true;
}

type Single = Pick<Filled, 'container' | 'massG'>;

/** The largest first. */
function singlesOf({ parts }: Cover): Single[] {
  const offered = parts.reduce(
    (sum, { container, count }) => sum + container.innerLitres * count,
    0,
  );
  const singles = parts.flatMap(({ container, group, count }) =>
    Array.from({ length: count }, (): Single => ({
      container,
      massG: filledG(container, group, offered),
    })),
  );
  return singles.sort(
    (a, b) =>
      b.container.outer.width * b.container.outer.depth -
      a.container.outer.width * a.container.outer.depth,
  );
}
/** Share of the floor; 0 where no row of floor speaks of it. */
const floorOf = ({ shares }: Cover): number => shares[0] ?? 0;

function covers(hard: Single, easy: Single): boolean {
  const [a, b] = [hard.container, easy.container];
  if (
    a.shape === 'round' ||
    b.shape === 'round' ||
    hard.massG < easy.massG - 1e-9 ||
    a.outer.height < b.outer.height
  )
    return false;
  if (
    a.outer.width >= b.outer.width &&
    a.outer.depth >= b.outer.depth &&
    ((b.turnable ?? true) || a.turnable === false)
  )
    return true;
  return (b.turnable ?? true) && a.outer.width >= b.outer.depth && a.outer.depth >= b.outer.width;
}
