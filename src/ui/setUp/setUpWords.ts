import { addMinutes, isSameDay, parseISO, roundToNearestMinutes } from 'date-fns';

import type { SetUpTask, TaskKind } from '@/core/setUp';
import { formatCount, formatLitres, formatNumber, formatDate } from '@/core/shared';

const ORDINALS = ['First', 'Second', 'Third', 'Fourth', 'Fifth', 'Sixth'];

/** Of `2 Wall`: the second coat of the wall. */
function coatWords(of: string): string {
  const [number = '', ...surface] = of.split(' ');
  const name = surface.join(' ');
  return `${ORDINALS[Number(number) - 1] ?? 'Next'} coat of paint${name === '' ? '' : `: ${name}`}`;
}

/** What a task is, by the name of what it is of. */
export function taskWords({ kind, of }: Pick<SetUpTask, 'kind' | 'of'>, unitName: string): string {
  const words: Readonly<Record<TaskKind, string>> = {
    takeDown: `Take down ${unitName}`,
    fill: 'Fill the holes',
    prime: `Coat of primer${of === '' ? '' : `: ${of}`}`,
    assemble: `Put ${unitName} together`,
    secure: `Anchor ${unitName} to the wall`,
    wash: `Wash the containers of ${unitName}`,
    fit: `Put the containers into ${unitName}`,
    move: 'Carry everything to its new place, by the list of moves',
    wipe: `Wipe ${unitName}`,
    sand: `Wash and sand ${of === '' ? 'what is painted' : of}`,
    paint: coatWords(of),
    cut: 'Cut boards and sheets',
    anchor: `Fix to the wall: ${of}`,
    floor: `Lay the false floor into ${unitName}`,
    line: `Line ${unitName}`,
    load: `Load ${unitName}, heavy things lowest`,
    label: `Label ${unitName}`,
    photograph: 'Photograph the spots',
  };
  return words[kind];
}

const AMOUNTS: Readonly<Partial<Record<TaskKind, (amount: number) => string>>> = {
  wipe: (count) => formatCount(count, 'place'),
  sand: (amount) => squareMetres(amount),
  paint: (amount) => squareMetres(amount),
  cut: (count) => formatCount(count, 'piece'),
  anchor: (count) => formatCount(count, 'piece'),
  wash: (count) => formatCount(count, 'container'),
  floor: (count) => formatCount(count, 'sheet'),
  line: (count) => formatCount(count, 'liner'),
  fit: (count) => formatCount(count, 'container'),
  load: (amount) => formatLitres(amount),
  label: (count) => formatCount(count, 'label'),
};
const squareMetres = (amount: number): string => `${formatNumber(Math.round(amount * 10) / 10)} m²`;

/** `7 labels`; empty where there is nothing to count. */
export const amountWords = ({ kind, amount }: Pick<SetUpTask, 'kind' | 'amount'>): string =>
  amount === undefined ? '' : (AMOUNTS[kind]?.(amount) ?? '');

/** What to take care of, where a task can hurt. */
export const taskCautions: Readonly<Partial<Record<TaskKind, string>>> = {
  takeDown:
    'Empty it first, take its doors and drawers out, and unscrew it from the wall last, with somebody holding it.',
  fill: 'Dust mask on where old paint is scraped; paint from before the 1980s may hold lead.',
  prime: 'Open the windows, keep flames away, and read the tin: what it says counts.',
  assemble:
    'Check the parts against the list first, sort the small parts into cups, lay a blanket on the floor. ' +
    'Nothing is stood up by one person that two should lift.',
  secure:
    'Until it is anchored, children stay away and drawers stay shut. Look for pipes and cables before drilling; ' +
    'the fixing has to suit the wall. Walls that you are not sure of are for a licensed trade.',
  sand: 'Dust mask on. Paint from before the 1980s may hold lead: have it tested before it is sanded.',
  paint:
    'A ladder stands on firm ground, and nobody reaches beside it. Open the windows, keep flames away, ' +
    'and read the tin: what it says counts.',
  cut: 'Goggles and hearing protection on, fingers away from the saw.',
  anchor:
    'Look for pipes and cables before drilling. Electrical work, gas, and walls that you are not sure of are for a licensed trade.',
};

const toFive = (at: Date | number): Date => roundToNearestMinutes(at, { nearestTo: 5 });
/** `14:05`: a plan is no more certain. */
export const clockWords = (at: Date | number): string => formatDate(toFive(at), 'H:mm');

/** `Tue 14:00` to five minutes, since a plan is no more certain, or only the time where it is today. */
export function whenWords(instant: string, now: Date): string {
  const at = toFive(parseISO(instant));
  return formatDate(at, isSameDay(at, now) ? 'H:mm' : 'EEE d MMM, H:mm');
}

/** When paint is hard: to the next full hour, which is as much as a tin knows. */
export const hardWords = (instant: string): string =>
  formatDate(addMinutes(parseISO(instant), 59), "EEEE d MMMM, H':00'");

/** `, assumed 20, by 4 times of yours` where what was timed says otherwise than is assumed. */
export const learntWords = ({
  minutes,
  assumedMinutes,
  learned,
}: Pick<SetUpTask, 'minutes' | 'assumedMinutes' | 'learned'>): string =>
  learned.count === 0 || minutes === assumedMinutes
    ? ''
    : ` (assumed ${assumedMinutes}, corrected by ${formatCount(learned.count, 'time')} of yours)`;
