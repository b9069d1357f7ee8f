import type { Bay } from '@/core/look';
import type { Group } from '@/core/sort';

/** A tag that is being carried by keys or taps, and the place it is held over. */
export interface Carried {
  readonly groupId: Group['id'];
  /** Undefined: over the tray. */
  readonly overBayId: Bay['id'] | undefined;
}

type CarryKey =
  | { readonly act: 'put' | 'hold'; readonly bayId: Bay['id'] | undefined }
  | { readonly act: 'leave' }
  | undefined;

/** What a key does to a tag: pick up, carry to the place before or after, put down, leave. */
export function carryKey(
  key: string,
  {
    group,
    carried,
    bays,
    farBays,
  }: {
    readonly group: Group;
    readonly carried: Carried | undefined;
    readonly bays: readonly Bay[];
    readonly farBays: readonly Bay[];
  },
): CarryKey {
  const isCarried = carried?.groupId === group.id;
  if (key === 'Enter' || key === ' ')
    return isCarried
      ? { act: 'put', bayId: carried.overBayId }
      : { act: 'hold', bayId: group.bayId ?? bays[0]?.id };
  if (!isCarried) return undefined;
  if (key === 'Escape') return { act: 'leave' };
  const step = STEPS[key] ?? 0;
  if (step === 0) return undefined;
  // The tray is the stop after the last place of the room; then come the other rooms.
  const stops: readonly (Bay['id'] | undefined)[] = [
    ...bays.map(({ id }) => id),
    undefined,
    ...farBays.map(({ id }) => id),
  ];
  const at = stops.indexOf(carried.overBayId);
  return { act: 'hold', bayId: stops[(at + step + stops.length) % stops.length] };
}

const STEPS: Readonly<Partial<Record<string, number>>> = {
  ArrowDown: 1,
  ArrowRight: 1,
  ArrowUp: -1,
  ArrowLeft: -1,
};
