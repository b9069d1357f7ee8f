export {
  baySchema, moments, momentSchema, obstacleSchema, pictureSchema, roomSchema, unitKinds,
  unitKindSchema, unitSchema, vantagePointSchema,
  type Bay, type Moment, type Obstacle, type Picture, type Room, type Unit, type UnitKind,
  type VantagePoint,
} from './model';
export {
  askewMeasuresOf, bayInsideOf, layOutUnit, MAX_SPREAD_MM, usableLitresOf, wantsAnchoring,
  type BayFront, type BayInside, type LayOutUnitError, type UnitLayout,
} from './layOutUnit';
export { arrangeFront, scaleToFit, type FrontUnit, type FrontView } from './arrangeFront';
