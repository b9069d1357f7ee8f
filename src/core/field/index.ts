export { fieldActSchema, fieldCommandSchema, type FieldAct, type FieldCommand } from './acts';
