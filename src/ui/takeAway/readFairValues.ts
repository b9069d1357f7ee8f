import { err, ok, parseMoney, type Result } from '@/core/shared';
import type { FairValue } from '@/core/takeAway';

/** A line each: words, then low and high. @errors the line that makes no sense. */
export function readFairValues(text: string): Result<FairValue[], string> {
  const values: FairValue[] = [];
  for (const line of text.split('\n').map((each) => each.trim())) {
    if (line === '') continue;
    const match = /^(.{1,60}?)\s+(\d[\d.,]*)(?:\s*(?:-|–|to)\s*(\d[\d.,]*))?$/.exec(line);
    const low = parseMoney(match?.[2] ?? '');
    const high = parseMoney(match?.[3] ?? match?.[2] ?? '');
    if (!match?.[1] || !low.ok || !high.ok || low.value > high.value) return err(line);
    values.push({ words: match[1], lowMinor: low.value, highMinor: high.value });
  }
  return ok(values);
}
