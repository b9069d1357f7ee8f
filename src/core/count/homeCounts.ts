import { type Thing, isKept } from '../sort';
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

/** What was worked out of names before, for the next call with the same rules. */
export interface NameMemory {
  readonly likeness: Map<string, string>;
  /** By the rule's name; undefined where no rule counts the thing. */
  readonly rule: Map<string, string | undefined>;
}
export const createNameMemory = (): NameMemory => ({ likeness: new Map(), rule: new Map() });

/** Sums up what is kept. O(things + new names). Requires: `memory` was only used with the same rules. */
export function homeCountsOf(
  things: readonly Thing[],
  rules: readonly Pick<ShippedRule, 'name' | 'words'>[],
  memory: NameMemory = createNameMemory(),
): HomeCounts {
  const byRule: Record<string, number> = {};
  for (const { name, verdict, count } of things) {
    if (!isKept({ verdict })) continue;
    if (!memory.rule.has(name)) memory.rule.set(name, findRule(rules, name)?.name);
    const rule = memory.rule.get(name);
    if (rule !== undefined) byRule[rule] = (byRule[rule] ?? 0) + count;
  }
  return { byLikeness: keptByLikeness(things, memory.likeness), byRule };
}
