// Outcomes
export { assertNever, checkFigures, invariant } from './invariant';
export { err, ok, type Result } from './result';
export { median } from './median';
export {
  errorOf,
  learnFactor,
  learnShare,
  learnWithin,
  saidBefore,
  type Learned,
  type LearnedShare,
  type Outcome,
  type Prior,
} from './learn';
// Words
export { capital } from './capital';
// Ids
export { toId } from './idShape';
export {
  agreementIdSchema,
  bayIdSchema,
  carryIdSchema,
  checkIdSchema,
  containerIdSchema,
  decisionIdSchema,
  draftIdSchema,
  enoughRuleIdSchema,
  fixtureIdSchema,
  giftCardIdSchema,
  groupIdSchema,
  handNeedIdSchema,
  jarIdSchema,
  kitIdSchema,
  haulDestinationIdSchema,
  haulBoxIdSchema,
  haulTripIdSchema,
  handoverIdSchema,
  saleIdSchema,
  fetchIdSchema,
  reviewIdSchema,
  putAwayTestIdSchema,
  clientPageIdSchema,
  clientAnswerIdSchema,
  outgoingMailIdSchema,
  methodIdSchema,
  offerIdSchema,
  personIdSchema,
  pictureIdSchema,
  projectIdSchema,
  purchaseIdSchema,
  passageIdSchema,
  visitIdSchema,
  receiptIdSchema,
  roomIdSchema,
  routineIdSchema,
  sectionIdSchema,
  sessionIdSchema,
  shopIdSchema,
  thingIdSchema,
  unitIdSchema,
  vantagePointIdSchema,
  type AgreementId,
  type BayId,
  type CarryId,
  type CheckId,
  type ContainerId,
  type DecisionId,
  type DraftId,
  type EnoughRuleId,
  type FixtureId,
  type GiftCardId,
  type HandNeedId,
  type JarId,
  type KitId,
  type HaulDestinationId,
  type HaulBoxId,
  type HaulTripId,
  type HandoverId,
  type SaleId,
  type FetchId,
  type ReviewId,
  type PutAwayTestId,
  type ClientPageId,
  type ClientAnswerId,
  type OutgoingMailId,
  type PassageId,
  type VisitId,
  type GroupId,
  type MethodId,
  type OfferId,
  type PersonId,
  type PictureId,
  type ProjectId,
  type PurchaseId,
  type ReceiptId,
  type RoomId,
  type RoutineId,
  type SectionId,
  type SessionId,
  type ShopId,
  type ThingId,
  type UnitId,
  type VantagePointId,
} from './ids';
// Units
export {
  formatLength,
  judgeReadings,
  lengthUnits,
  MAX_SPREAD_MM,
  parseLength,
  smallestMm,
  spreadMm,
  toLength,
  toTenthMm,
  type Length,
  type LengthError,
  type LengthUnit,
} from './length';
export { lengthSchema } from './lengthSchema';
export {
  currencies,
  formatMoney,
  formatMoneyInput,
  parseMoney,
  type Currency,
  type MoneyError,
} from './money';
export { currencySchema, priceMinorSchema } from './moneySchema';
export { fitLabel } from './fitLabel';
export { formatLitres, formatMass, formatShare, MM3_PER_LITRE } from './quantity';
export { addDays, daysBetween, findDay, weekdayOf } from './calendarDay';
// Geometry
export { boxesOverlap, freeLitresOf, largestFreeBoxOf, type Box } from './boxes';
export { largestCircleOf, type FloorRect } from './largestCircle';
// The solver
export { GrowingModel, type CoverColumn, type CoverSolution } from './growingModel';
export {
  isSolved,
  LinearModel,
  loadSolver,
  type Clock,
  type LinearSolution,
  type MinimiseOptions,
  type Solver,
} from './linearModel';
export { minimiseNarrowed, type Narrowed } from './minimiseNarrowed';
// Chance that can be repeated
export { createRandom, type Random } from './random';
export { formatCount, formatNumber, LOCALE, pluralOf } from './locale';
export { formatDate } from './formatDate';
export { compareText, pickByShare } from './order';
