import { formatMoney, type Currency } from '@/core/shared';
import type { Opinion, OpinionRule } from '@/core/sort';

interface OpinionWords {
  readonly keep: string;
  readonly letGo: string;
  readonly question: string;
}

const PLAIN: Readonly<
  Record<
    Exclude<
      OpinionRule,
      | 'more_than_enough'
      | 'fits'
      | 'does_not_fit'
      | 'elsewhere_too'
      | 'sentimental'
      | 'costs_to_replace'
      | 'cheap_to_replace'
    >,
    OpinionWords
  >
> = {
  out_of_date: {
    keep: 'nothing, once it can harm',
    letGo: 'its date has passed',
    question: 'Is there one in date already?',
  },
  broken: {
    keep: 'it can be mended within the month',
    letGo: 'it has waited for mending so far',
    question: 'Who mends it, and by when?',
  },
  incomplete: {
    keep: 'the missing part may turn up in this very sort',
    letGo: 'without it, it does nothing',
    question: 'Where would the rest be?',
  },
  worn_out: {
    keep: 'there is no better one',
    letGo: 'there are better ones',
    question: 'Would you hand this to a guest?',
  },
  outgrown: {
    keep: 'somebody smaller follows',
    letGo: 'nobody here fits it any more',
    question: 'For whom, and when?',
  },
  not_used: {
    keep: 'the occasion is named and near',
    letGo: 'it has had its chance',
    question: 'When would it be used next?',
  },
  forgotten: {
    keep: 'it is what was looked for',
    letGo: 'it was not missed',
    question: 'Would you have bought another?',
  },
  does_not_do_its_job: {
    keep: 'there is nothing else for the job',
    letGo: 'it fails at the one thing it is for',
    question: 'What is used instead?',
  },
  heirloom: {
    keep: 'somebody wants it after you',
    letGo: 'nobody asked for it',
    question: 'Who should have it, now or later?',
  },
  in_use: {
    keep: 'it is used',
    letGo: 'nothing, as long as it has a place',
    question: 'How often, and where?',
  },
};

const SCHOOLS: Readonly<Record<string, string>> = {
  'while-space': 'it may stay while its space holds',
  limit: 'it counts against the limit that was set',
  photograph: 'a photograph keeps the memory',
};

/** An opinion in words: one line for, one against, one question. */
export function opinionWords({ rule, facts }: Opinion, currency: Currency): OpinionWords {
  switch (rule) {
    case 'more_than_enough':
      return facts.enough === undefined
        ? {
            keep: 'all of them are in use at once',
            letGo: 'more than are ever used together',
            question: 'How many are in use on the busiest day?',
          }
        : {
            keep: `a busy day takes more than ${facts.enough}`,
            letGo: `it would make ${facts.wouldBe}, and ${facts.enough} are enough`,
            question: 'Which ones would you not miss?',
          };
    case 'fits':
      return {
        keep:
          Number(facts.count) === 1
            ? 'there is room for it'
            : `there is room for all ${facts.count}`,
        letGo: 'room alone is no reason',
        question: 'What would you rather have in that space?',
      };
    case 'does_not_fit':
      return {
        keep: 'something else gives way',
        letGo: `${facts.fitting} of ${facts.count} fit where they are to live`,
        question: `Which ${facts.fitting} are the best?`,
      };
    case 'elsewhere_too':
      return {
        keep: 'each is used where it is',
        letGo: `there are ${facts.count} more in ${facts.rooms}`,
        question: 'Do they do the same job?',
      };
    case 'costs_to_replace':
      return {
        keep: `a plain new one costs about ${formatMoney(Number(facts.eachMinor), currency)}`,
        letGo: 'it costs nothing as long as nobody needs it',
        question: 'Would you buy it again at that price?',
      };
    case 'cheap_to_replace':
      return {
        keep: 'one less thing to buy',
        letGo: `a new one is had for about ${formatMoney(Number(facts.eachMinor), currency)} when it is needed`,
        question: 'Would you look for it here, or buy one?',
      };
    case 'sentimental':
      return {
        keep: 'it means something that nothing else does',
        letGo:
          facts.school === undefined
            ? 'the memory stays without it'
            : (SCHOOLS[String(facts.school)] ?? ''),
        question: 'What would you tell of it, and is one of them enough to tell it?',
      };
    default:
      return PLAIN[rule];
  }
}
