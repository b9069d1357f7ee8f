import type { Step } from '../desk';
import type { FieldCommand } from './acts';

const STEPS: { readonly [K in FieldCommand['kind']]: Step | undefined } = {
  bought: 'shop',
  bought_for_rooms: 'shop',
  approved: 'shop',
  shortage: 'shop',
  debt: 'sort',
  debt_settled: 'sort',
  step_over: 'sort',
  paused: 'sort',
  carried: 'sort',
  check_answered: 'look',
  unit_measured: 'look',
  container_tried: 'fit',
  container_corrected: 'fit',
  move: 'place',
  task: 'set-up',
  task_took: 'set-up',
  air_noted: 'set-up',
  unit_set_up: 'set-up',
  liner_changed: 'set-up',
  walk_line: 'look-again',
  look_made: 'look-again',
  test: 'look-again',
  visit_mark: undefined,
  section_done: undefined,
  packed: undefined,
  visit_noted: undefined,
};

/** The step on whose pages a command is done; undefined: on the days of the home. */
export const stepOf = ({ kind }: Pick<FieldCommand, 'kind'>): Step | undefined => STEPS[kind];
