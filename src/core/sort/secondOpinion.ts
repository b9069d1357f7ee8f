import type { CautionCode, Reason } from '../things';
import { findReplaceCost } from './replaceCosts';

/** What is known of a thing when a second opinion is asked for. */
export interface OpinionFacts {
  readonly name: string;
  readonly count: number;
  readonly reasons: readonly Reason[];
  readonly cautions: readonly CautionCode[];
  /** Pieces of its group that are kept already, and how many are enough; undefined where no rule says. */
  readonly keptCount: number;
  readonly enoughCount: number | undefined;
  /** How many still go into its place; undefined where none is planned. */
  readonly fittingCount: number | undefined;
  readonly sentimentalSchool: 'while-space' | 'limit' | 'photograph' | undefined;
  /** Things of this kind in other rooms. */
  readonly elsewhere: readonly { readonly roomName: string; readonly count: number }[];
}

export type OpinionRule =
  | 'out_of_date'
  | 'broken'
  | 'incomplete'
  | 'worn_out'
  | 'outgrown'
  | 'more_than_enough'
  | 'not_used'
  | 'forgotten'
  | 'does_not_do_its_job'
  | 'sentimental'
  | 'heirloom'
  | 'in_use'
  | 'does_not_fit'
  | 'fits'
  | 'elsewhere_too'
  | 'costs_to_replace'
  | 'cheap_to_replace';

/** One stated rule with what speaks for keeping and for letting go; the screen words it. It never decides. */
export interface Opinion {
  readonly rule: OpinionRule;
  readonly leans: 'keep' | 'let_go' | 'ask';
  readonly facts: Readonly<Record<string, number | string>>;
}
interface SecondOpinion {
  readonly opinions: readonly Opinion[];
  /** Cautions with the right destination; they come before any opinion. */
  readonly cautions: readonly CautionCode[];
}

/** From so much on a new one hurts; up to so much nobody minds. Minor units of money. */
const DEAR_MINOR = 2500;
const CHEAP_MINOR = 400;

const RULE_OF_REASON: Readonly<
  Record<Reason, { readonly rule: OpinionRule; readonly leans: Opinion['leans'] }>
> = {
  in_use: { rule: 'in_use', leans: 'keep' },
  sentimental: { rule: 'sentimental', leans: 'ask' },
  heirloom: { rule: 'heirloom', leans: 'ask' },
  worn_out: { rule: 'worn_out', leans: 'let_go' },
  broken: { rule: 'broken', leans: 'let_go' },
  incomplete: { rule: 'incomplete', leans: 'ask' },
  out_of_date: { rule: 'out_of_date', leans: 'let_go' },
  more_than_enough: { rule: 'more_than_enough', leans: 'let_go' },
  outgrown: { rule: 'outgrown', leans: 'let_go' },
  never_used: { rule: 'not_used', leans: 'let_go' },
  fails_its_job: { rule: 'does_not_do_its_job', leans: 'let_go' },
  forgotten: { rule: 'forgotten', leans: 'ask' },
};

/**
 * The stated rules that speak about a thing, each with its facts: those of its reasons, then how many are
 * enough, whether it fits, where else there are some, and what a new one costs. Deterministic; no verdict.
 */
export function secondOpinionOf(facts: OpinionFacts): SecondOpinion {
  const byReason = facts.reasons.map((reason): Opinion => {
    const { rule, leans } = RULE_OF_REASON[reason];
    return {
      rule,
      leans,
      facts:
        rule === 'sentimental' && facts.sentimentalSchool
          ? { school: facts.sentimentalSchool }
          : {},
    };
  });
  const opinions: Opinion[] = [...byReason];
  const wouldBe = facts.keptCount + facts.count;
  if (
    facts.enoughCount !== undefined &&
    wouldBe > facts.enoughCount &&
    byReason.every(({ rule }) => rule !== 'more_than_enough')
  ) {
    opinions.push({
      rule: 'more_than_enough',
      leans: 'let_go',
      facts: { wouldBe, enough: facts.enoughCount },
    });
  }
  if (facts.fittingCount !== undefined) {
    const fits = facts.fittingCount >= facts.count;
    opinions.push(
      fits
        ? { rule: 'fits', leans: 'keep', facts: { count: facts.count } }
        : {
            rule: 'does_not_fit',
            leans: 'let_go',
            facts: { fitting: facts.fittingCount, count: facts.count },
          },
    );
  }
  const others = facts.elsewhere.reduce((sum, { count }) => sum + count, 0);
  if (others > 0)
    opinions.push({
      rule: 'elsewhere_too',
      leans: 'let_go',
      facts: { count: others, rooms: facts.elsewhere.map(({ roomName }) => roomName).join(', ') },
    });
  const eachMinor = findReplaceCost(facts.name);
  if (eachMinor !== undefined && eachMinor >= DEAR_MINOR)
    opinions.push({ rule: 'costs_to_replace', leans: 'keep', facts: { eachMinor } });
  if (eachMinor !== undefined && eachMinor <= CHEAP_MINOR)
    opinions.push({ rule: 'cheap_to_replace', leans: 'let_go', facts: { eachMinor } });
  return { opinions, cautions: facts.cautions };
}

/**
 * Somebody hesitates when the thing in hand waits this many times longer than usual, and at least
 * so many seconds.
 */
const HESITATION = { times: 3, leastSeconds: 25 } as const;

/**
 * Whether a thing has been in hand for longer than usual. `usualMinutes` are the intervals of the
 * session.
 */
export function isHesitating(inHandSeconds: number, usualMinutes: readonly number[]): boolean {
  if (usualMinutes.length < 5) return inHandSeconds > 60;
  const sorted = [...usualMinutes].sort((a, b) => a - b);
  const medianSeconds = sorted[Math.floor(sorted.length / 2)]! * 60;
  return inHandSeconds > Math.max(HESITATION.leastSeconds, HESITATION.times * medianSeconds);
}
