import { ROOM_GAP_MM, schoolWeightOf, type PlacingSchools } from '@/core/place';

/** Time a week: "40 s", "4.2 min", "48 min". */
export const minutesWords = (seconds: number): string =>
  seconds < 59.5
    ? `${Math.round(seconds)} s`
    : seconds >= 600
      ? `${Math.round(seconds / 60)} min`
      : `${(seconds / 60).toFixed(1)} min`;

/** What is assumed where rooms are looked at together. */
export const ROOM_GAP_NOTE = `From one room to the next ${ROOM_GAP_MM / 1000} m are assumed, in the order in which the rooms are listed.`;

/** What the schools of a room change in a proposal. */
export function schoolNotes(schools: PlacingSchools): string[] {
  const { grouping, living } = schools;
  const weight = schoolWeightOf(schools);
  const notes: string[] = [];
  if (grouping === 'person')
    notes.push(
      `By person: what one person alone uses stands close together; each metre between counts ${weight} s a week.`,
    );
  if (grouping === 'task')
    notes.push(
      `By task: what is used at one station stands close together; each metre between counts ${weight} s a week.`,
    );
  if (grouping === 'frequency')
    notes.push(
      'By frequency: daily things count double, what is used less than once a week counts half.',
    );
  if (living === 'together' && grouping !== 'person' && grouping !== 'task')
    notes.push('All together: what belongs together counts three times as much.');
  return notes;
}

export const MONTH_NAMES = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const;
