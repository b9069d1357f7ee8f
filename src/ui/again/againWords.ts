import { parseISO, setMonth } from 'date-fns';

import {
  FELT_SECONDS,
  type Change,
  type Effect,
  type Finding,
  type Look,
  type Mending,
  type Share,
  type WalkMark,
} from '@/core/again';
import { assertNever, formatCount, formatLitres, formatDate } from '@/core/shared';

export const walkMarkWords: Readonly<Record<WalkMark, string>> = {
  as_meant: 'As meant',
  overfull: 'Overfull',
  half_empty: 'Half empty',
  something_else: 'Something else in it',
  label_missing: 'Label missing',
  container_unused: 'Container unused',
  lid_off: 'Lid left off',
};

export const mendingWords: Readonly<Record<Mending, string>> = {
  label: 'put a label there',
  picture: 'put a picture on it',
  place: 'let it live where it is looked for',
  join: 'join the two groups',
  enough: 'say how many are enough',
  refit: 'fit the place again, with what was found',
  lidless: 'take the lid away',
  give_back: 'use the container elsewhere, or return it',
};

/** "two weeks after, boot room" */
export function lookWords({ kind, month, roomName }: Look): string {
  const where = roomName?.toLowerCase() ?? 'the whole home';
  switch (kind) {
    case 'two_weeks':
      return `${where}, two weeks after`;
    case 'month':
      return `${where}, a month after`;
    case 'season':
      return `seasonal swap of ${formatDate(setMonth(new Date(2026, 0, 1), (month ?? 1) - 1), 'MMMM')}`;
    case 'year':
      return `${where}, a year after`;
    case 'own':
      return where;
    default:
      return assertNever(kind);
  }
}

export const longDay = (day: string): string => formatDate(parseISO(day), 'EEE d MMM yyyy');

/** "1 of 4 at once (between 7 and 57 %)": never more certain than it is. */
export function shareWords({ hits, of, low, high }: Share): string {
  const percent = (share: number) => Math.round(share * 100);
  return `${hits} of ${of} at once (likely ${percent(low)} to ${percent(high)} %)`;
}

export const changeWords: Readonly<Record<Change, string>> = {
  better: 'found better',
  worse: 'found worse',
  none: 'no difference that so few looks could tell',
};

interface Names {
  readonly group: (id: string) => string;
  readonly bay: (id: string) => string;
}

/** A finding in one sentence. */
export function findingWords(finding: Finding, { group, bay }: Names): string {
  switch (finding.code) {
    case 'looked_elsewhere': {
      const { missed, countThere } = finding;
      const who = `${missed.hits} of ${missed.of} did not find ${group(finding.groupId).toLowerCase()} at once`;
      return finding.bayId === undefined
        ? `${who}; each looked somewhere else.`
        : `${who}; ${countThere} looked first in ${bay(finding.bayId)}.`;
    }
    case 'mixed_up':
      return `${finding.groupIds.map((id) => group(id)).join(' and ')} are mixed up: each is looked for in the other’s place.`;
    case 'wandered':
      return `${group(finding.groupId)} lay in ${bay(finding.bayId)}, ${formatCount(finding.times, 'time')}.`;
    case 'overfull':
    case 'half_empty':
      return `${bay(finding.bayId)} was ${finding.code === 'overfull' ? 'overfull' : 'half empty'}${
        finding.litresFound === null ? '' : `, about ${formatLitres(finding.litresFound)}`
      }.`;
    case 'label_missing':
      return `${bay(finding.bayId)} had no label.`;
    case 'container_unused':
      return `A container in ${bay(finding.bayId)} was not used.`;
    case 'lid_off':
      return `The lid lay beside ${bay(finding.bayId)}.`;
    default:
      return assertNever(finding);
  }
}

/** To five seconds: searches are not known better. */
function about(seconds: number): string {
  if (seconds < FELT_SECONDS) return `less than ${FELT_SECONDS} s`;
  if (seconds < 90) return `about ${Math.round(seconds / 5) * 5} s`;
  return `about ${Math.round(seconds / 60)} min`;
}

/** What a way to mend comes to; empty where it is seen where it is done. */
export function effectWords(effect: Effect, { group, bay }: Names): string {
  switch (effect.code) {
    case 'seen_there':
      return '';
    case 'moves': {
      const moves = effect.places.map(
        ({ groupId, bayId }) => `${group(groupId).toLowerCase()} to ${bay(bayId)}`,
      );
      const less =
        effect.secondsLess === undefined
          ? 'where it is today it breaks a rule'
          : `${about(effect.secondsLess)} a week less of walking, reaching and looking`;
      return `${moves.join(', ')}: ${less}${effect.isProven ? '' : '; a better one was not ruled out'}`;
    }
    case 'stays':
      return (
        `looking takes ${about(effect.lookingSeconds)} a week, and no other place saves ` +
        `${FELT_SECONDS} s of it all: it stays, and a label helps`
      );
    case 'no_household':
      return 'nobody lives here yet, so no way is counted: add the household first';
    case 'no_place':
      return 'it has no place yet';
    case 'not_said':
      return 'nobody has said how much lay there';
    case 'too_much':
      return `${formatLitres(effect.overLitres)} too much${pileWords(effect.pile)}`;
    case 'lies_badly':
      return 'what lay there is no more than goes in: it lies badly rather than too much';
    case 'nothing_lives_there':
      return 'nothing lives there by the plan: put a group there first';
    case 'give_back':
      return effect.containers.map(giveBackWords).join('; ');
    case 'sign': {
      const { hasLabel, labelled, unlabelled } = effect;
      const inTen = ({ share }: typeof labelled) => `${Math.round(share * 10)} in 10`;
      return (
        (hasLabel ? 'a label is there already: another word, or larger; ' : '') +
        `found at once with a label ${inTen(labelled)}, without ${inTen(unlabelled)}`
      );
    }
    case 'join':
      return effect.freeLitres < 0
        ? `together they are ${formatLitres(-effect.freeLitres)} too much for ${bay(effect.bayId)}`
        : `both go into ${bay(effect.bayId)}, ${formatLitres(effect.freeLitres)} to spare`;
    case 'refit':
      return `with ${formatLitres(effect.foundLitres)} instead of ${formatLitres(effect.countedLitres)}`;
    case 'lidless':
      return effect.groupCount === 0
        ? 'no group there wants a lid'
        : `${formatCount(effect.groupCount, 'group')} there would take containers without lids; a fit that was taken says so`;
    default:
      return assertNever(effect);
  }
}

const giveBackWords = ({
  name,
  pieces,
  returnBy,
}: Extract<Effect, { code: 'give_back' }>['containers'][number]): string =>
  `${pieces} × ${name}${returnBy === null ? '' : `, can go back until ${longDay(returnBy)}`}`;

function pileWords(pile: Extract<Effect, { code: 'too_much' }>['pile']): string {
  if (!pile) return '';
  const { name, count, pieces } = pile;
  return pieces > count
    ? `: more than all ${count} ${name}`
    : `: about ${pieces} of ${count} ${name}`;
}
