import { z } from 'zod';

import { sectionIdSchema, visitIdSchema } from '@/core/shared';
import type { Visit, Worker } from '@/core/visits';
import type { Terms } from '@/core/agree';
import { typedNumber, typedOptionalNumber } from '../typedValues';
import { clockWords } from './visitWords';

/** A time of day: `9:30`, `09.30`, `14`. */
const typedClock = z.string().transform((text, context): number => {
  const match = /^\s*(\d{1,2})(?:[:.h]\s*(\d{2}))?\s*$/.exec(text);
  const minute = match ? Number(match[1]) * 60 + Number(match[2] ?? 0) : NaN;
  if (match && Number(match[2] ?? 0) < 60 && minute <= 1440) return minute;
  context.addIssue({ code: 'custom', message: 'Type a time, such as 9:30' });
  return z.NEVER;
});

/** Names after commas, each once. */
const typedNames = z.string().transform((text, context): string[] => {
  const names = [
    ...new Set(
      text
        .split(',')
        .map((name) => name.trim())
        .filter(Boolean),
    ),
  ];
  if (names.length <= 8 && names.every((name) => name.length <= 60)) return names;
  context.addIssue({ code: 'custom', message: 'At most 8 names of 60 letters' });
  return z.NEVER;
});

const typedDay = z.iso.date('Choose a day');

export const visitFormSchema = z
  .object({
    id: z.string(),
    day: typedDay,
    from: typedClock,
    to: typedClock,
    people: typedNames,
    clientThere: z.boolean(),
    sectionIds: z.array(sectionIdSchema).max(60),
    parking: z.string().trim().max(200, 'At most 200 letters'),
    prepare: z.string().trim().max(400, 'At most 400 letters'),
    isPinned: z.boolean(),
  })
  .transform(({ id, from, to, ...form }, context) => {
    if (to <= from)
      context.addIssue({ code: 'custom', path: ['to'], message: 'It ends before it begins' });
    return {
      ...form,
      id: id === '' ? undefined : visitIdSchema.parse(id),
      fromMinute: from,
      toMinute: to,
    };
  });
export type VisitTyped = z.input<typeof visitFormSchema>;

export const emptyVisit = (
  day: string,
  terms: Terms,
  sectionIds: readonly string[],
): VisitTyped => ({
  id: '',
  day,
  from: clockWords(terms.days.fromMinute),
  to: clockWords(Math.min(1440, terms.days.fromMinute + terms.visitMinutes)),
  people: terms.days.people.join(', '),
  clientThere: true,
  sectionIds: sectionIds.map((id) => sectionIdSchema.parse(id)),
  parking: '',
  prepare: '',
  isPinned: false,
});
export const toTypedVisit = (visit: Visit): VisitTyped => ({
  ...visit,
  from: clockWords(visit.fromMinute),
  to: clockWords(visit.toMinute),
  people: visit.people.join(', '),
});

/** What is noted of a visit that was lived. */
export const visitNotesSchema = z.object({
  done: z.string().trim().max(600, 'At most 600 letters'),
  promised: z.string().trim().max(600, 'At most 600 letters'),
  next: z.string().trim().max(600, 'At most 600 letters'),
  hours: typedOptionalNumber({ least: 0, most: 24, what: 'hours, or nothing' }),
});
export type VisitNotesTyped = z.input<typeof visitNotesSchema>;

/** Days after commas or spaces. */
const typedDays = z.string().transform((text, context): string[] => {
  const days = text.split(/[\s,;]+/).filter(Boolean);
  const wrong = days.find((day) => !z.iso.date().safeParse(day).success);
  if (wrong === undefined && days.length <= 100) return days;
  context.addIssue({
    code: 'custom',
    message:
      wrong === undefined
        ? 'At most 100 days'
        : `“${wrong}” is no day; write them like 2026-12-24, with a comma between`,
  });
  return z.NEVER;
});

/** From and to in days: `2 to 7`, `3-5`, `4`. */
const typedRange = z.string().transform((text, context): readonly [number, number] => {
  const match = /^\s*(\d{1,3})(?:\s*(?:to|-|–)\s*(\d{1,3}))?\s*$/.exec(text);
  const low = match ? Number(match[1]) : NaN;
  const high = match ? Number(match[2] ?? match[1]) : NaN;
  if (match && low <= high && high <= 120) return [low, high];
  context.addIssue({ code: 'custom', message: 'Type days, from the fewest to the most: 2 to 7' });
  return z.NEVER;
});

/** When somebody works, in all homes. */
export const workerFormSchema = z
  .object({
    name: z.string().trim().min(1, 'Type a name').max(60, 'At most 60 letters'),
    weekdays: z.array(z.number().int().min(1).max(7)).min(1, 'Choose at least one day'),
    from: typedClock,
    to: typedClock,
    weekHours: typedOptionalNumber({ least: 0, most: 100, what: 'hours, or nothing' }),
    awayDays: typedDays,
    liftKg: typedOptionalNumber({ least: 1, most: 50, what: 'kilograms, or nothing' }),
  })
  .transform(({ from, to, weekHours, liftKg, ...form }, context) => {
    if (to <= from)
      context.addIssue({ code: 'custom', path: ['to'], message: 'It ends before it begins' });
    return {
      ...form,
      fromMinute: from,
      toMinute: to,
      weekMinutes: weekHours === null ? null : Math.round(weekHours * 60),
      ...(liftKg === null ? {} : { liftG: Math.round(liftKg * 1000) }),
    };
  });
export type WorkerTyped = z.input<typeof workerFormSchema>;

export const toTypedWorker = (worker: Worker): WorkerTyped => ({
  name: worker.name,
  weekdays: worker.weekdays,
  from: clockWords(worker.fromMinute),
  to: clockWords(worker.toMinute),
  weekHours: worker.weekMinutes === null ? '' : String(worker.weekMinutes / 60),
  awayDays: worker.awayDays.join(', '),
  liftKg: worker.liftG === undefined ? '' : String(worker.liftG / 1000),
});

/** When a home can be visited, and who comes. */
export const daysFormSchema = z
  .object({
    people: typedNames,
    weekdays: z.array(z.number().int().min(1).max(7)).min(1, 'Choose at least one day'),
    from: typedClock,
    travelMinutes: typedOptionalNumber({ least: 0, most: 600, what: 'minutes' }),
    mostHardMinutes: typedNumber({ least: 0, most: 720, what: 'minutes' }),
    stretchMinutes: typedNumber({ least: 10, most: 720, what: 'minutes' }),
    orderDays: typedRange,
    clientAway: typedDays,
  })
  .transform(({ from, travelMinutes, orderDays, ...form }) => {
    return {
      ...form,
      fromMinute: Math.min(from, 1410),
      orderLowDays: orderDays[0],
      orderHighDays: orderDays[1],
      travelMinutes: Math.round(travelMinutes ?? 0),
      mostHardMinutes: Math.round(form.mostHardMinutes),
      stretchMinutes: Math.round(form.stretchMinutes),
    };
  });
export type DaysTyped = z.input<typeof daysFormSchema>;

export const toTypedDays = ({ days }: Terms): DaysTyped => ({
  people: days.people.join(', '),
  weekdays: days.weekdays,
  from: clockWords(days.fromMinute),
  clientAway: days.clientAway.join(', '),
  travelMinutes: String(days.travelMinutes),
  mostHardMinutes: String(days.mostHardMinutes),
  stretchMinutes: String(days.stretchMinutes),
  orderDays: `${days.orderLowDays} to ${days.orderHighDays}`,
});

/** How hours and tax stand on the statement. */
export const statementFormSchema = z
  .object({
    roundMinutes: z.enum(['1', '5', '6', '15', '30']),
    roundsUp: z.boolean(),
    taxLabel: z.string().trim().max(40, 'At most 40 letters'),
    taxPercent: typedOptionalNumber({ least: 0, most: 50, what: 'per cent, or nothing' }),
  })
  .transform(({ roundMinutes, taxPercent, ...form }) => ({
    ...form,
    roundMinutes: ROUNDINGS[roundMinutes],
    taxBasisPoints: Math.round((taxPercent ?? 0) * 100),
  }));
export type StatementTyped = z.input<typeof statementFormSchema>;
const ROUNDINGS = { '1': 1, '5': 5, '6': 6, '15': 15, '30': 30 } as const;

export const toTypedStatement = ({ statement }: Terms): StatementTyped => ({
  roundMinutes: `${statement.roundMinutes}`,
  roundsUp: statement.roundsUp,
  taxLabel: statement.taxLabel,
  taxPercent: statement.taxBasisPoints === 0 ? '' : String(statement.taxBasisPoints / 100),
});
