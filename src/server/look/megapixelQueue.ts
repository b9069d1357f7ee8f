import 'server-only';

/**
 * Lets as much work in at a time as the weights of it allow, first come first served. One piece that
 * weighs more than the whole allowance runs alone.
 */
export class WeightQueue {
  private running = 0;
  private readonly waiting: { readonly weight: number; readonly start: () => void }[] = [];

  /** Requires: allowance > 0. */
  constructor(private readonly allowance: number) {}

  async run<T>(weight: number, work: () => Promise<T>): Promise<T> {
    const share = Math.min(weight, this.allowance);
    await new Promise<void>((start) => {
      this.waiting.push({ weight: share, start });
      this.letIn();
    });
    try {
      return await work();
    } finally {
      this.running -= share;
      this.letIn();
    }
  }

  private letIn(): void {
    for (let next = this.waiting[0]; next; next = this.waiting[0]) {
      if (this.running > 0 && this.running + next.weight > this.allowance) return;
      this.waiting.shift();
      this.running += next.weight;
      next.start();
    }
  }
}

const globalQueue = globalThis as typeof globalThis & { tinboxMegapixels?: WeightQueue };

/**
 * Pictures are encoded so many megapixels at a time: a decoded megapixel takes some 10 MB while it
 * is worked on.
 */
const MEGAPIXELS_AT_ONCE = 60;
export const encodingQueue = (): WeightQueue =>
  (globalQueue.tinboxMegapixels ??= new WeightQueue(MEGAPIXELS_AT_ONCE));
