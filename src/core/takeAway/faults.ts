import type { HaulReason } from './haulModel';

/** Why nothing was planned. */
export type PlanFault =
  | { readonly code: 'nothing' | 'unknown' | 'changed_meanwhile' }
  | {
      readonly code: 'impossible';
      readonly reasons: readonly HaulReason[];
      /** Loads and destinations of the reasons, by what people call them. */
      readonly names: Readonly<Record<string, string>>;
    };

/** Why nothing was handed over. */
export type HandOverFault =
  | { readonly code: 'nothing' }
  /** Devices whose data nobody has wiped. */
  | { readonly code: 'not_wiped'; readonly names: readonly string[] };

/** What went wrong at the collection service. */
export type CollectionFault =
  | {
      readonly code:
        'no_answer' | 'unreadable' | 'full' | 'unknown_slot' | 'unknown_booking' | 'nothing';
    }
  | { readonly code: 'too_heavy'; readonly mostG: number }
  | { readonly code: 'too_much'; readonly mostLitres: number };
