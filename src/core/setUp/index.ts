export {
  doneTasksOf,
  setUpSchema,
  taskIdOf,
  taskKinds,
  type SetUp,
  type SetUpTask,
  type TaskKind,
} from './model';
export { dryingFactorOf, listTasks, TASK_MINUTES, type SetUpFacts } from './listTasks';
export {
  findEarlyTicks,
  layOutTasks,
  nowNextThen,
  type PlannedTask,
  type SetUpPlan,
  type SetUpQuestion,
  type WorkWindow,
} from './layOutTasks';
