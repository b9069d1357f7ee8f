// The engine and its open format
export {
  priorities, prioritySchema, shopRequestSchema,
  type Need, type Priority, type ShopAnswer, type ShopBill, type ShopOffer, type ShopReason, type ShopRequest,
} from './model';
export { planShop, servedNeedsOf } from './planShop';
export { findWaysBack, type WayBack } from './findWaysBack';
// Boards and liners
export { cutRequestSchema, type CutAnswer, type CutPattern, type CutRequest, type CutRequestInput } from './cutModel';
export { planCuts } from './planCuts';
export { rollRequestSchema, type RollAnswer, type RollRequest, type RollRequestInput } from './rollModel';
export { planRoll } from './planRoll';
export { materialsSchema, toCutRequest, toRollRequest, type Materials } from './materials';
// The room's list
export {
  giftCardSchema, handNeedSchema, offerSchema, purchaseSchema, shopSchema,
  type GiftCard, type HandNeed, type Offer, type Purchase, type Shop,
} from './records';
export { findLeftovers, keptPiecesOf, type Leftover } from './findLeftovers';
export { findSoldOut } from './findSoldOut';
export { weighWishes, type WishWeights } from './weighWishes';
export { BY_HAND, cardLeftMinorOf, findUnitPriceMinor, hadByHandOf, listNeeds, ownMinorOf, spentMinorOf, toShopRequest, type ContainerNeed, type RoomShopping } from './listNeeds';
