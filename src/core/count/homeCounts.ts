import type { Thing } from '../sort';
import { findRule } from './countEnough';
import { keptByLikeness } from './findRepeats';
import type { ShippedRule } from './model';

/** What the home keeps, in sums: enough for a second opinion on the thing in hand. */
export interface HomeCounts {
  /** Pieces by likeness and room. */
  readonly byLikeness: Readonly<Record<string, Readonly<Record<string, number>>>>;
  /** Pieces by the name of the rule that counts them. */
  readonly byRule: Readonly<Record<string, number>>;
}

/** Sums up what is kept. O(things + names × words). */
export function homeCountsOf(things: readonly Thing[], rules: readonly Pick<ShippedRule, 'name' | 'words'>[]): HomeCounts {
  const ruleOf = new Map<string, string | undefined>();
  const byRule: Record<string, number> = {};
  for (const { name, verdict, count } of things) {
    if (verdict !== 'keep') continue;
    if (!ruleOf.has(name)) ruleOf.set(name, findRule(rules, name)?.name);
    const rule = ruleOf.get(name);
    if (rule !== undefined) byRule[rule] = (byRule[rule] ?? 0) + count;
  }
  return { byLikeness: keptByLikeness(things), byRule };
}
