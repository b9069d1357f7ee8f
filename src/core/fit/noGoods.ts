import type { Cover } from './listCovers';
import type { FitRequest } from './model';
import { fillContainers, type Filled } from './piles';
import { maxStackOf } from './selectContainers';

/** What was refuted, so that it need not be refuted again: covers of some groups that cannot stand together, each with all that are no easier to stand. */
export class NoGoods {
  private readonly byCover = new Map<Cover, number[]>();
  /** Groups of each, and how many of them are entered with a cover of it. */
  private readonly sizes: number[] = [];
  private readonly entered: number[] = [];
  private readonly noEasier = new Map<Cover, readonly Cover[]>();
  private readonly singlesOf = new Map<Cover, readonly Single[]>();

  constructor(private readonly request: FitRequest, private readonly coversOf: readonly (readonly Cover[])[]) {}

  /** These covers, one each of some groups, cannot stand together. To be told while none is entered. */
  add(core: readonly Cover[]): void {
    const k = this.sizes.push(core.length) - 1;
    this.entered.push(0);
    for (const cover of core) {
      for (const other of this.noEasierThan(cover)) {
        const known = this.byCover.get(other);
        if (known) known.push(k);
        else this.byCover.set(other, [k]);
      }
    }
  }

  private noEasierThan(cover: Cover): readonly Cover[] {
    const known = this.noEasier.get(cover);
    if (known) return known;
    const easy = this.singles(cover);
    const found = (this.coversOf.find((list) => list.includes(cover)) ?? [cover]).filter((other) => other === cover || isNoEasier(this.request, this.singles(other), easy));
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

  /** Takes a cover to those that were entered; whether they hold nothing that was refuted. To be left again either way. */
  enter(cover: Cover): boolean {
    let isOpen = true;
    for (const k of this.byCover.get(cover) ?? []) {
      const count = (this.entered[k] ?? 0) + 1;
      this.entered[k] = count;
      if (count === this.sizes[k]) isOpen = false;
    }
    return isOpen;
  }
  leave(cover: Cover): void {
    for (const k of this.byCover.get(cover) ?? []) this.entered[k] = (this.entered[k] ?? 0) - 1;
  }

  /** Whether the covers, one a group, hold something that was refuted. */
  hold(covers: readonly Cover[]): boolean {
    const isOpen = covers.map((cover) => this.enter(cover)).every(Boolean);
    for (const cover of covers) this.leave(cover);
    return !isOpen;
  }
}

/**
 * Whether one cover would go in wherever another does: every container of it (`from`) has one of the other (`to`) to itself that is no smaller, no
 * lower and no lighter, and that stands on the floor.
 */
function isNoEasier(request: FitRequest, to: readonly Single[], from: readonly Single[]): boolean {
  if (from.length > to.length) return false;
  const taken = new Set<number>();
  // The largest chooses first; that it may miss a way only leaves a cover out.
  return from.every((one) => {
    const at = to.findIndex((other, i) => !taken.has(i) && (other.container === one.container ? other.massG >= one.massG - 1e-9 : maxStackOf(request, other.container) === 1 && covers(other, one)));
    if (at < 0) return false;
    taken.add(at);
    return true;
  });
}

type Single = Pick<Filled, 'container' | 'massG'>;

/** The largest first. */
const singlesOf = ({ parts }: Cover): Single[] => fillContainers(parts).sort((a, b) => b.container.outer.width * b.container.outer.depth - a.container.outer.width * a.container.outer.depth);

function covers(hard: Single, easy: Single): boolean {
  const [a, b] = [hard.container, easy.container];
  if (a.shape === 'round' || b.shape === 'round' || hard.massG < easy.massG - 1e-9 || a.outer.height < b.outer.height) return false;
  if (a.outer.width >= b.outer.width && a.outer.depth >= b.outer.depth && ((b.turnable ?? true) || a.turnable === false)) return true;
  return (b.turnable ?? true) && a.outer.width >= b.outer.depth && a.outer.depth >= b.outer.width;
}
