// Outcomes
export { assertNever, invariant } from './invariant';
export { err, ok, type Result } from './result';
// Ids
export {
  bayIdSchema, containerIdSchema, decisionIdSchema, groupIdSchema, offerIdSchema, personIdSchema,
  pictureIdSchema, projectIdSchema, purchaseIdSchema, roomIdSchema, shopIdSchema, thingIdSchema,
  unitIdSchema, vantagePointIdSchema,
  type BayId, type ContainerId, type DecisionId, type GroupId, type OfferId, type PersonId,
  type PictureId, type ProjectId, type PurchaseId, type RoomId, type ShopId, type ThingId,
  type UnitId, type VantagePointId,
} from './ids';
// Units
export {
  formatLength, lengthSchema, lengthUnits, parseLength, smallestMm, spreadMm, toTenthMm,
  type Length, type LengthError, type LengthUnit,
} from './length';
export {
  currencies, currencySchema, formatMoney, formatMoneyInput, parseMoney, priceMinorSchema,
  type Currency, type MoneyError,
} from './money';
export { formatCount, formatLitres, formatMass, formatShare, MM3_PER_LITRE } from './quantity';
// Geometry
export { boxesOverlap, freeLitresOf, type Box } from './boxes';
// The solver
export { isSolved, LinearModel, loadSolver, type Clock, type LinearSolution, type Solver } from './linearModel';
// Chance that can be repeated
export { createRandom, type Random } from './random';
