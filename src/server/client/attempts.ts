import 'server-only';

/** So many wrong links from one address within the time; then it is answered nothing, right or wrong. */
const MOST_WRONG = 30;
const WITHIN_MS = 10 * 60_000;

/** Counts wrong links by the address that tries them, so that nobody finds one by trying. */
export class Attempts {
  private readonly wrong = new Map<string, { count: number; readonly sinceMs: number }>();

  constructor(private readonly nowMs: () => number = Date.now) {}

  mayTry(address: string): boolean {
    const now = this.nowMs();
    for (const [each, { sinceMs }] of this.wrong)
      if (now - sinceMs >= WITHIN_MS) this.wrong.delete(each);
    return (this.wrong.get(address)?.count ?? 0) < MOST_WRONG;
  }

  noteWrong(address: string): void {
    const entry = this.wrong.get(address) ?? { count: 0, sinceMs: this.nowMs() };
    entry.count += 1;
    this.wrong.set(address, entry);
  }
}
