import type { ContentKind } from '../agree';

/** What is hard to decide on: each piece is read, or means something. */
const HARD: readonly ContentKind[] = ['papers', 'keepsakes'];
export const isHardContent = (content: ContentKind): boolean => HARD.includes(content);

interface PlannedPart {
  readonly content: ContentKind;
  readonly likelyMinutes: number;
}
/** How a visit asks more of the client than was chosen. */
export type EnergyFault =
  | { readonly code: 'hard_last'; readonly content: ContentKind }
  | { readonly code: 'hard_long'; readonly minutes: number; readonly mostMinutes: number };

/**
 * What of a visit's plan is against the household's choices: papers and keepsakes come first, not last,
 * and not for longer than was set. Only where the client is there.
 */
export function findEnergyFaults(
  parts: readonly PlannedPart[],
  { mostHardMinutes, visitMinutes }: { mostHardMinutes: number; visitMinutes: number },
): EnergyFault[] {
  const hard = parts.filter(({ content }) => isHardContent(content));
  const last = parts.at(-1);
  // A section that is longer than the visit is gone on with another day.
  const minutes = Math.min(
    visitMinutes,
    hard.reduce((sum, { likelyMinutes }) => sum + likelyMinutes, 0),
  );
  return [
    ...(last && parts.length > hard.length && isHardContent(last.content)
      ? [{ code: 'hard_last' as const, content: last.content }]
      : []),
    ...(minutes > mostHardMinutes
      ? [{ code: 'hard_long' as const, minutes, mostMinutes: mostHardMinutes }]
      : []),
  ];
}

/** Minutes at work since one arrived or the last break ended; none while a break lasts. */
export function stretchMinutesOf(
  {
    arrivedAt,
    leftAt,
    breaks,
  }: {
    readonly arrivedAt: string | null;
    readonly leftAt: string | null;
    readonly breaks: readonly { readonly from: string; readonly to: string | null }[];
  },
  now: string,
): number {
  const last = breaks.at(-1);
  const since = last ? last.to : arrivedAt;
  if (since === null || leftAt !== null) return 0;
  return Math.max(0, (Date.parse(now) - Date.parse(since)) / 60_000);
}
