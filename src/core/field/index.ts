export { fieldActSchema, type FieldAct, type FieldCommand } from './acts';
