// The engine and its open format
export { priorities } from './codes';
export { type ShopAnswer, type ShopBill, type ShopReason } from './shopAnswer';
export {
  prioritySchema,
  shopRequestSchema,
  type Need,
  type Priority,
  type ShopOffer,
  type ShopRequest,
} from './model';
export { planShop } from './planShop';
export { findWaysBack, type WayBack } from './findWaysBack';
// Boards and liners
export {
  cutRequestSchema,
  type CutAnswer,
  type CutReason,
  type CutPattern,
  type CutRequest,
  type CutRequestInput,
} from './cutModel';
export { planCuts } from './planCuts';
export {
  rollRequestSchema,
  type RollAnswer,
  type RollReason,
  type RollRequest,
  type RollRequestInput,
} from './rollModel';
export { planRoll } from './planRoll';
export { falseFloorsOf, toPanelRequest, type FloorPiece } from './falseFloors';
export {
  materialKinds,
  toPieceId,
  toStockId,
  USUAL_DRYING,
  wallKinds,
  type MaterialKind,
  type PaintKind,
} from './materialCodes';
export {
  materialsSchema,
  toCutRequest,
  toRollRequest,
  wallKindSchema,
  type Fixings,
  type LabelTape,
  type Materials,
  type MaterialsInput,
  type Paint,
  type WallKind,
} from './materials';
export {
  fixingNeedsOf,
  listMaterialNeeds,
  paintNeedOf,
  tapeNeedOf,
  toMaterialNeedId,
  type MaterialNeed,
} from './materialNeeds';
// The room's list
export {
  giftCardSchema,
  handNeedSchema,
  offerSchema,
  purchaseSchema,
  receiptSchema,
  shopSchema,
  shortageSchema,
  type GiftCard,
  type HandNeed,
  type Offer,
  type Purchase,
  type Receipt,
  type Shop,
  type Shortage,
} from './records';
export { findLeftovers, keptPiecesOf, type Leftover } from './findLeftovers';
export { leftElsewhere, piecesOver, type LeftElsewhere, type RoomStock } from './leftElsewhere';
export { cutToOffer, type Lacking } from './cutToOffer';
export { shareLine } from './shareLine';
export { splitMinor } from './splitMinor';
export { toTripRequest, tripNeedId } from './toTripRequest';
export { weighWishes, type WishWeights } from './weighWishes';
export {
  cardLeftMinorOf,
  findUnitPriceMinor,
  listNeeds,
  listOtherNeeds,
  OTHER_OFFER,
  ownMinorOf,
  spentMinorOf,
  stockOf,
  toShopRequest,
  type ContainerNeed,
  type RoomShopping,
} from './listNeeds';
export { checkReceipt, findLinesOf, type ReceiptCheck } from './receipts';
// The client's yes and the money
export { approvalSchema, approvalStateOf, type Approval, type ApprovalState } from './approvals';
export { needIdOf, priceLines, sumPayers, sumRoom, sumRooms, type BudgetSums } from './budget';
