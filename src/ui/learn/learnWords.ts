import type { FirmLearned, LearnTopic } from '@/core/learn';
import type { LabelMedium } from '@/core/labels';
import type { TaskKind } from '@/core/setUp';
import { formatCount, formatLitres, type Learned, type LearnedShare } from '@/core/shared';

export const topicWords: Readonly<Record<LearnTopic, string>> = {
  hours: 'Hours of rooms',
  tasks: 'Minutes of setting up',
  litres: 'Litres that lay there',
  sizes: 'Litres of one piece',
  money: 'Money at the till',
  fullness: 'How full places are later',
  containers: 'Containers that stay in use',
  labels: 'Labels',
};

/** Where what is learnt is used. */
export const useWords: Readonly<Record<LearnTopic, string>> = {
  hours: 'Corrects the estimate of every home (Agree) and the days that are planned from it.',
  tasks: 'Corrects the minutes of the working list (Set up) in every room.',
  litres: 'Said beside the estimate (Agree), for boxes and the car.',
  sizes: 'Counted at every bench from now on, unless you typed a size for the kind.',
  money: 'Said beside the list (Shop). No plan is made dearer by it.',
  fullness: 'Said at each place (Fit). No fit is changed by it.',
  containers: 'Said at each container that is proposed (Fit), from three looks on.',
  labels: 'Said where labels are made (Set up).',
};

export const taskKindWords: Readonly<Record<TaskKind, string>> = {
  takeDown: 'taking units down',
  wipe: 'wiping',
  fill: 'filling holes',
  sand: 'sanding',
  prime: 'primer',
  paint: 'paint',
  cut: 'cutting boards',
  assemble: 'putting units together',
  secure: 'anchoring units',
  anchor: 'fixing to the wall',
  wash: 'washing containers',
  floor: 'laying false floors',
  line: 'lining',
  fit: 'putting containers in',
  move: 'carrying to new places',
  load: 'loading',
  label: 'labelling',
  photograph: 'photographs',
};

export const mediumWords: Readonly<Record<LabelMedium, string>> = {
  sheet: 'from a sheet',
  tape: 'on tape',
  tags: 'tied on',
  hand: 'by hand',
};

/** `× 1.3`, on one line: a factor carries one digit behind the point. */
const times = (factor: number): string => `×\u00a0${factor.toFixed(1)}`;
/** Nearer to one than this nothing is done differently. */
const AS_ASSUMED = 0.05;

/** `× 1.3, four in five between 0.9 and 1.8` or that it goes as assumed. */
export function factorWords({ factor, low, high }: Learned): string {
  const head = Math.abs(factor - 1) < AS_ASSUMED ? 'as assumed' : times(factor);
  return `${head}, four in five between ${times(low)} and ${times(high)}`;
}

/** `8 of 9 places; about 9 in 10`: as it was, and with the assumption beside it. */
export const shareWords = ({ share, hits, count }: LearnedShare, what: string): string =>
  count === 0
    ? `${Math.round(share * 10)} in 10, assumed`
    : `${hits} of ${formatCount(count, what)}, so about ${Math.round(share * 10)} in 10`;

export const offWords = (share: number): string => `${Math.round(share * 100)} %`;

/** With fewer looks nothing is said of a container. */
const LEAST_LOOKS = 3;

/** What is said at a place with so many litres, and of the containers that could stand there. */
export function fitNotes(
  { fullness, containers, lidsOn }: FirmLearned,
  { litres, containerIds }: { readonly litres: number; readonly containerIds: ReadonlySet<string> },
): string[] {
  const notes: string[] = [];
  const { factor, count } = fullness.litres;
  if (count > 0 && litres > 0 && Math.abs(factor - 1) >= AS_ASSUMED)
    notes.push(
      `Later on places held ${times(factor)} of what was planned (${formatCount(count, 'place')}): ` +
        `${formatLitres(litres)} here would be about ${formatLitres(Number((litres * factor).toPrecision(2)))}.`,
    );
  if (lidsOn.count >= LEAST_LOOKS) notes.push(`Lids stay on: ${shareWords(lidsOn, 'place')}.`);
  for (const each of containers)
    if (containerIds.has(each.containerId) && each.used.count >= LEAST_LOOKS)
      notes.push(`${each.name}: in use at ${each.used.hits} of ${each.used.count} looks.`);
  return notes;
}

/** What is said beside a list. */
export const shopNotes = ({ money }: FirmLearned): string[] =>
  money.count === 0
    ? []
    : [
        `The till against the list: ${factorWords(money)} (${formatCount(money.count, 'finished room')}).`,
      ];

/** What is said where labels are made. */
export function labelNotes({ labels, found }: FirmLearned): string[] {
  const notes = labels
    .filter(({ stays }) => stays.count >= LEAST_LOOKS)
    .map(
      ({ medium, stays }) =>
        `Labels ${mediumWords[medium]} that were still there: ${shareWords(stays, 'place')}.`,
    );
  const { labelled, unlabelled } = found;
  if (labelled.count >= LEAST_LOOKS && unlabelled.count >= LEAST_LOOKS)
    notes.push(
      `Found at the first try: with a label ${shareWords(labelled, 'thing')}, without ${shareWords(unlabelled, 'thing')}.`,
    );
  return notes;
}
