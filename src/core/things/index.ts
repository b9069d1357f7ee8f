// Codes
export {
  cautionCodes,
  countUnits,
  figureSources,
  goesToCodes,
  LIFTING_LIMIT_G,
  reasons,
  type CautionCode,
  type CountUnit,
  type FigureSource,
  type GoesTo,
  type Reason,
} from './codes';
export { cautionSchema, goesToSchema } from './codeSchemas';
// The engine; `readThings` and the vocabulary itself are large and stand apart
export {
  thingsRequestSchema,
  type ThingFound,
  type ThingsAnswer,
  type ThingsRequest,
} from './model';
export {
  createThingReader,
  finderOf,
  type Known,
  type ThingRead,
  type Vocabulary,
} from './createThingReader';
export { readCorrection, type Correction } from './readCorrection';
export type { OwnKind } from './piece';
export type { Figure } from './sizeThing';
export type { Family, Kind, Range } from './readVocabulary';
export { stemsOf } from './readWords';
export { anyWord } from './patterns';
