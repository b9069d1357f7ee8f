export { fieldActSchema, type FieldAct, type FieldCommand } from './acts';
export { mergeAct, subjectOf, type KeptAct } from './mergeActs';
