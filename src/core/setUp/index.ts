export { doneTasksOf } from './doneTasks';
export { airSchema, setUpSchema, unitSetUpSchema, type SetUp, type UnitSetUp } from './model';
export { taskIdOf, taskKinds, type DoneTask, type SetUpTask, type TaskKind } from './taskKinds';
export { learnTask, TASK_MINUTES } from './taskMinutes';
export { dryingFactorOf, listTasks, type SetUpFacts, type UnitToSetUp } from './listTasks';
export {
  findEarlyTicks,
  layOutTasks,
  nowNextThen,
  type PlannedTask,
  type SetUpPlan,
  type SetUpQuestion,
  type WorkWindow,
} from './layOutTasks';
export { checkTipping, type TipAnswer, type TipCase } from './tipCheck';
export {
  doneOf,
  loadingOf,
  setUpFactsOf,
  tippingOf,
  unanchoredOf,
  unitSetUpOf,
  type SetUpRecordsOfRoom,
} from './setUpFacts';
export { putInOf, type PutInPlace, type PutInStep } from './putIn';
export { loadUnit, type LoadAnswer, type LoadQuestion, type LoadStep } from './loadUnit';
export {
  binsOf,
  decant,
  type Decanted,
  jarSchema,
  kitSchema,
  packVolumeOf,
  routineFor,
  routineSchema,
  type Jar,
  type Kit,
  type Routine,
  type RoutineStep,
} from './cards';
