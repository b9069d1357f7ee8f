import { format, isSameDay, parseISO } from 'date-fns';

import type { SetUpTask, TaskKind } from '@/core/setUp';

const ORDINALS = ['First', 'Second', 'Third', 'Fourth', 'Fifth', 'Sixth'];

/** What a task is, by the name of what it is of. */
export function taskWords({ kind, of }: Pick<SetUpTask, 'kind' | 'of'>, unitName: string): string {
  const words: Readonly<Record<TaskKind, string>> = {
    wipe: `Wipe ${unitName}`,
    sand: 'Wash and sand what is painted',
    paint: `${ORDINALS[Number(of) - 1] ?? 'Next'} coat of paint`,
    cut: 'Cut the boards',
    anchor: `Fix to the wall: ${of}`,
    line: `Line ${unitName}`,
    load: `Load ${unitName}, heavy things lowest`,
    label: `Label ${unitName}`,
    photograph: 'Photograph the spots',
  };
  return words[kind];
}

/** What to take care of, where a task can hurt. */
export const taskCautions: Readonly<Partial<Record<TaskKind, string>>> = {
  sand: 'Dust mask on. Paint from before the 1980s may hold lead: have it tested before it is sanded.',
  paint: 'Open the windows, keep flames away, and read the tin: what it says counts.',
  cut: 'Goggles and hearing protection on, fingers away from the saw.',
  anchor:
    'Look for pipes and cables before drilling. Electrical work, gas, and walls that you are not sure of are for a licensed trade.',
};

/** `Tue 14:00`, or only the time where it is today. */
export const whenWords = (instant: string, now: Date): string =>
  format(parseISO(instant), isSameDay(parseISO(instant), now) ? 'H:mm' : 'EEE d MMM, H:mm');
