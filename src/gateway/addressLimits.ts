/** What one address of the network may have at a time, and ask for without being let in. */
export interface Limits {
  /** Requests that are being answered, streams included. */
  readonly openAtOnce: number;
  /** Requests of strangers a minute: pages to pair on, and tries at a code. */
  readonly strangersAMinute: number;
  /** Requests for pages of clients a minute, pictures included. */
  readonly clientsAMinute: number;
}
export const defaultLimits: Limits = {
  openAtOnce: 48,
  strangersAMinute: 60,
  clientsAMinute: 300,
};

const MINUTE_MS = 60_000;

/** Counts what addresses ask for, so that one that asks without end does not take the place of the others. */
export class AddressLimits {
  private readonly open = new Map<string, number>();
  private readonly strangers = new Map<string, { count: number; sinceMs: number }>();
  private readonly clients = new Map<string, { count: number; sinceMs: number }>();

  constructor(
    private readonly limits: Limits,
    private readonly nowMs: () => number,
  ) {}

  /** Lets a request in; undefined where its address has too many open. What comes back ends it. */
  enter(address: string): (() => void) | undefined {
    const count = this.open.get(address) ?? 0;
    if (count >= this.limits.openAtOnce) return undefined;
    this.open.set(address, count + 1);
    let isOpen = true;
    return () => {
      if (!isOpen) return;
      isOpen = false;
      const left = (this.open.get(address) ?? 1) - 1;
      if (left > 0) this.open.set(address, left);
      else this.open.delete(address);
    };
  }

  /** Whether a stranger at this address may ask once more within the minute. */
  admitStranger(address: string): boolean {
    return this.admit(this.strangers, address, this.limits.strangersAMinute);
  }

  /** Whether somebody at this address may ask for a client's page once more within the minute. */
  admitClient(address: string): boolean {
    return this.admit(this.clients, address, this.limits.clientsAMinute);
  }

  private admit(
    asked: Map<string, { count: number; sinceMs: number }>,
    address: string,
    most: number,
  ): boolean {
    const now = this.nowMs();
    for (const [other, { sinceMs }] of asked) if (now - sinceMs >= MINUTE_MS) asked.delete(other);
    const entry = asked.get(address) ?? { count: 0, sinceMs: now };
    entry.count += 1;
    asked.set(address, entry);
    return entry.count <= most;
  }
}
