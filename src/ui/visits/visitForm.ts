import { z } from 'zod';

import { sectionIdSchema, visitIdSchema } from '@/core/shared';
import type { Visit } from '@/core/visits';
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

/** When a home can be visited, and who comes. */
export const daysFormSchema = z
  .object({
    people: typedNames,
    weekdays: z.array(z.number().int().min(1).max(7)).min(1, 'Choose at least one day'),
    from: typedClock,
    clientAway: z.string(),
    travelMinutes: typedOptionalNumber({ least: 0, most: 600, what: 'minutes' }),
    mostHardMinutes: typedNumber({ least: 0, most: 720, what: 'minutes' }),
    stretchMinutes: typedNumber({ least: 10, most: 720, what: 'minutes' }),
  })
  .transform(({ from, clientAway, travelMinutes, ...form }, context) => {
    const days = clientAway.split(/[\s,;]+/).filter(Boolean);
    const wrong = days.find((day) => !z.iso.date().safeParse(day).success);
    if (wrong !== undefined)
      context.addIssue({
        code: 'custom',
        path: ['clientAway'],
        message: `“${wrong}” is no day; write them like 2026-12-24, with a comma between`,
      });
    return {
      ...form,
      fromMinute: Math.min(from, 1410),
      clientAway: days,
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
});
