import type { BentRule } from '@/core/place';

/** Why a group must not be there, in a few words. */
export function bentWords(
  rule: BentRule,
  groups: readonly { readonly id: string; readonly name: string }[],
): string {
  switch (rule.code) {
    case 'litres':
      return 'more than the place holds';
    case 'load':
      return 'heavier than the place bears';
    case 'hazard':
      return 'dangerous, and within a child’s reach';
    case 'avoid':
      return 'too damp, warm or light for it';
    case 'self_serve':
      return 'not everyone who takes it reaches it';
    case 'step':
      return 'someone who must not climb would need a step';
    case 'pin':
      return 'pinned elsewhere';
    case 'kept_in':
      return 'kept to other places';
    case 'fragile_high':
      return 'breaks, and stands high';
    case 'apart':
      return `${rule.why}: ${groups.find(({ id }) => id === rule.otherId)?.name ?? ''}`;
  }
}
