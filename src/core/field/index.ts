export { fieldActSchema, type FieldAct, type FieldActInput, type FieldCommand } from './acts';
export { visitWith, walkWith, type WaitingCommand } from './withWaiting';
export { stepOf } from './stepOf';
export { inTurn, mergeAct, subjectOf, type KeptAct } from './mergeActs';
