// The engine and its open format
export {
  bearingRoles,
  containerRoles,
  fitAims,
  hangingRoles,
  lidWishes,
  materials,
  seeWishes,
  type ContainerRole,
  type FitAim,
} from './codes';
export { containerIdsOf, isWhole } from './answerFacts';
export {
  fitAnswerSchema,
  fitRequestSchema,
  type FitAnswer,
  type FitContainer,
  type FitGroup,
  type FitReason,
  type GroupFault,
  type FitRequest,
  type FitRequestInput,
  type Placement,
  type Surface,
} from './model';
export { planFit } from './planFit';
export { type Stood } from './planFlat';
export { bearingsOf, groundOf, widthOf } from './levels';
export { boughtOf, costMinorOf } from './measureFit';
export { asPlaced, litresIn, overRimMm, piecesIn } from './contents';
export { movementsOf } from './measureFit';
export { planFits, type PlacedFit } from './planFits';
export { AIM_TURNS, workOutAims } from './workOutAims';
export { proposeShelf, type ShelfProposal, type ShelfQuestion } from './proposeShelf';
export { findFitFaults } from './findFitFaults';
export type { FitFault } from './fitFault';
export { explainUnused, findBayFault, suits, type FitPin, type FitQuestion } from './suitability';
export { clearancesAround, type Around } from './clearancesAround';
export { adviseInsides, type InsideTip } from './adviseInsides';
export { parseProduct, readPrice } from './parseProduct';
export { findInCatalogue } from './findInCatalogue';
// Records and how they reach the engine
export {
  containerProductSchema,
  fitWishesSchema,
  keepChecks,
  mockCheckSchema,
  productKinds,
  insteadOf,
  takenFitSchema,
  toFitContainer,
  type ContainerProduct,
  type FitWishes,
  type MockCheck,
  type TakenFit,
} from './records';
export { levelFactsSchema, type LevelFacts } from './levelModel';
export { levelOf, roleOfProduct, usualLevelOf } from './levelFacts';
export { commonContainers } from './madeContainers';
export { toFitRequest } from './toFitRequest';
export { restateLitres, unmetLitresOf } from './restateLitres';
export { costOfWish, withoutWish, type OneWish, type WishCost } from './costOfWish';
export { tidyFit, tidyWays, type TidyWay } from './tidyFit';
export {
  labelFaceOf,
  listLevels,
  putInOrder,
  type LabelFace,
  type NamedLevel,
  type PutIn,
} from './loadOrder';
