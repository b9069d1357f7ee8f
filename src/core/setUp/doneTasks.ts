import { taskIdOf, type DoneTask } from './taskKinds';
import type { SetUp } from './model';

export const doneTasksOf = ({ done }: Pick<SetUp, 'done'>): DoneTask[] =>
  done.map(({ kind, of, doneAt }) => ({ taskId: taskIdOf(kind, of), doneAt }));
