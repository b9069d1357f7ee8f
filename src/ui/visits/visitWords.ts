import { parseISO } from 'date-fns';

import { formatCount, formatDate } from '@/core/shared';
import type {
  BringCode,
  BringLine,
  EnergyFault,
  HomeOutlook,
  OrderLine,
  Visit,
  VisitWork,
} from '@/core/visits';
import { hoursWords } from '../agree/agreeWords';

/** `9:05`, from minutes of a day. */
export const clockWords = (minute: number): string =>
  `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`;

/** `Tue 8 Dec`. */
export const visitDayWords = (day: string): string => formatDate(parseISO(day), 'EEE d MMM');

export const timesWords = ({ fromMinute, toMinute }: Pick<Visit, 'fromMinute' | 'toMinute'>) =>
  `${clockWords(fromMinute)} to ${clockWords(toMinute)}`;

/** `2 h 05`, as a clock that ran; less than a minute is `0 h 00`. */
export function ranWords(minutes: number): string {
  const whole = Math.floor(minutes);
  return `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, '0')}`;
}

/** What happened on a visit, counted from the records; nothing where nothing did. */
export const workWords = (work: VisitWork): string =>
  [
    work.decidedCount > 0 &&
      `${formatCount(work.decidedCount, 'thing')} decided, ${work.keptCount} kept`,
    work.sessionCount > 0 && formatCount(work.sessionCount, 'session'),
    work.moveCount > 0 && `${formatCount(work.moveCount, 'line')} of the moves ticked`,
    work.boxCount > 0 && `${formatCount(work.boxCount, 'box', 'boxes')} carried out`,
    work.purchaseCount > 0 && formatCount(work.purchaseCount, 'purchase'),
  ]
    .filter(Boolean)
    .join(' · ');

/** What a visit asks of the client beyond what was chosen. */
export const energyWords = (fault: EnergyFault): string =>
  fault.code === 'hard_last'
    ? `${fault.content === 'papers' ? 'Papers' : 'Keepsakes'} come last on this visit: put them first, while everybody is fresh.`
    : `About ${hoursWords(fault.minutes)} of papers and keepsakes; ${hoursWords(fault.mostMinutes)} on one visit were chosen.`;

const BRING_NAMES: Readonly<Record<BringCode, string>> = {
  boxes: 'boxes of 50 l',
  bags: 'bags of 60 l',
  labels: 'labels, tape and a pen',
  liner: 'liner and scissors',
  drill_level: 'drill, level and fixings',
  gloves: 'gloves',
  sharps_box: 'a sharps box',
  tape_measure: 'tape measure',
  camera: 'camera, for what is not pictured yet',
  purchases: 'what was bought',
};

/** `4 to 9 boxes of 50 l`, and what it is for. */
export function bringWords({ code, count, because }: BringLine): {
  readonly what: string;
  readonly why: string;
} {
  const [low, high] = count ?? [0, 0];
  const many = low === high ? `${low}` : `${low} to ${high}`;
  return {
    what: count ? `${many} ${BRING_NAMES[code]}` : BRING_NAMES[code],
    why: because.join(', ').toLowerCase(),
  };
}

interface Risk {
  readonly isAtRisk: boolean;
  readonly words: string;
}

/** Whether the days proposed end before the home has to be ready, said for half of the cases and four fifths. */
export function riskWords(
  outlook: HomeOutlook,
  { visitCount, readyBy, lead }: { visitCount: number; readyBy: string | null; lead: string },
): Risk {
  const { likelyDay, highDay } = outlook;
  if (outlook.isNeverFree)
    return {
      isAtRisk: true,
      words: `${lead || 'Whoever leads'} is never free on a day on which this home can be visited.`,
    };
  if (outlook.unplannedMinutes === 0 && visitCount === 0)
    return {
      isAtRisk: false,
      words: 'Nothing is left to plan: every section is done or in a visit that stays.',
    };
  if (likelyDay === null) return { isAtRisk: true, words: 'The days of a year do not hold it.' };
  const count = formatCount(visitCount, 'visit');
  const likely = `${count}, likely done on ${visitDayWords(likelyDay)}`;
  const high =
    highDay === null
      ? 'in four cases out of five later than a year from now'
      : `in four cases out of five by ${visitDayWords(highDay)}`;
  const all = `${likely}, ${high}.`;
  if (readyBy === null) return { isAtRisk: false, words: all };
  const ready = visitDayWords(readyBy);
  if (likelyDay > readyBy)
    return { isAtRisk: true, words: `${all} It has to be ready by ${ready}: it will not be.` };
  if (highDay === null || highDay > readyBy)
    return {
      isAtRisk: true,
      words: `${all} It has to be ready by ${ready}: likely, and not safely.`,
    };
  return { isAtRisk: false, words: `${all} Ready by ${ready} holds.` };
}

/** What holds a home back, where something does: papers that spread, other homes. */
export function whyLaterWords({
  likelyDay,
  leastDay,
  withoutHardLimitDay,
  inOrderDay,
}: HomeOutlook): string[] {
  return [
    ...(inOrderDay === null
      ? []
      : [
          'Papers and keepsakes begin each visit, before their turn in the order of the work: after ' +
            `it they would end on ${visitDayWords(inOrderDay)}.`,
        ]),
    ...(withoutHardLimitDay === null
      ? []
      : [
          'Papers and keepsakes spread over more visits; with more of them on one visit it is done ' +
            `on ${visitDayWords(withoutHardLimitDay)}.`,
        ]),
    ...(leastDay !== null && likelyDay !== null && leastDay < likelyDay
      ? [`No plan ends before ${visitDayWords(leastDay)}.`]
      : []),
  ];
}

/** Until when something is ordered, or that it is late by now. */
export function orderByWords(
  { safeDay, lastDay }: Pick<OrderLine, 'safeDay' | 'lastDay'>,
  today: string,
): string {
  if (lastDay < today) return 'Too late by the usual time: fetch it, or put the visit off';
  if (safeDay < today) return `Today, and not safely; ${visitDayWords(lastDay)} at the latest`;
  return safeDay === lastDay
    ? `By ${visitDayWords(safeDay)}`
    : `By ${visitDayWords(safeDay)} to be safe, ${visitDayWords(lastDay)} at the latest`;
}

export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
