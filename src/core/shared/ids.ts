import { z } from 'zod';

/** Ids are made by clients (UUIDs) or shipped with the app (words); both fit this shape. */
const idPattern = /^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/;

function createIdSchema<B extends string>(brand: B) {
  void brand;
  return z.string().regex(idPattern, 'is not an id').brand<B>();
}

export const projectIdSchema = createIdSchema('ProjectId');
export const personIdSchema = createIdSchema('PersonId');
export const roomIdSchema = createIdSchema('RoomId');
export const unitIdSchema = createIdSchema('UnitId');
export const bayIdSchema = createIdSchema('BayId');
export const vantagePointIdSchema = createIdSchema('VantagePointId');
export const pictureIdSchema = createIdSchema('PictureId');
export const groupIdSchema = createIdSchema('GroupId');
export const thingIdSchema = createIdSchema('ThingId');
export const decisionIdSchema = createIdSchema('DecisionId');
export const containerIdSchema = createIdSchema('ContainerId');
export const shopIdSchema = createIdSchema('ShopId');
export const offerIdSchema = createIdSchema('OfferId');
export const purchaseIdSchema = createIdSchema('PurchaseId');
export const fixtureIdSchema = createIdSchema('FixtureId');
export const sectionIdSchema = createIdSchema('SectionId');
export const agreementIdSchema = createIdSchema('AgreementId');
export const sessionIdSchema = createIdSchema('SessionId');
export const methodIdSchema = createIdSchema('MethodId');
export const carryIdSchema = createIdSchema('CarryId');
export const checkIdSchema = createIdSchema('CheckId');
export const enoughRuleIdSchema = createIdSchema('EnoughRuleId');
export const draftIdSchema = createIdSchema('DraftId');
export const handNeedIdSchema = createIdSchema('HandNeedId');
export const giftCardIdSchema = createIdSchema('GiftCardId');
export const receiptIdSchema = createIdSchema('ReceiptId');
export const passageIdSchema = createIdSchema('PassageId');
export const visitIdSchema = createIdSchema('VisitId');
export const jarIdSchema = createIdSchema('JarId');
export const routineIdSchema = createIdSchema('RoutineId');
export const kitIdSchema = createIdSchema('KitId');

export type ProjectId = z.infer<typeof projectIdSchema>;
export type PersonId = z.infer<typeof personIdSchema>;
export type RoomId = z.infer<typeof roomIdSchema>;
export type UnitId = z.infer<typeof unitIdSchema>;
export type BayId = z.infer<typeof bayIdSchema>;
export type VantagePointId = z.infer<typeof vantagePointIdSchema>;
export type PictureId = z.infer<typeof pictureIdSchema>;
export type GroupId = z.infer<typeof groupIdSchema>;
export type ThingId = z.infer<typeof thingIdSchema>;
export type DecisionId = z.infer<typeof decisionIdSchema>;
export type ContainerId = z.infer<typeof containerIdSchema>;
export type ShopId = z.infer<typeof shopIdSchema>;
export type OfferId = z.infer<typeof offerIdSchema>;
export type PurchaseId = z.infer<typeof purchaseIdSchema>;
export type FixtureId = z.infer<typeof fixtureIdSchema>;
export type SectionId = z.infer<typeof sectionIdSchema>;
export type AgreementId = z.infer<typeof agreementIdSchema>;
export type SessionId = z.infer<typeof sessionIdSchema>;
export type MethodId = z.infer<typeof methodIdSchema>;
export type CarryId = z.infer<typeof carryIdSchema>;
export type CheckId = z.infer<typeof checkIdSchema>;
export type EnoughRuleId = z.infer<typeof enoughRuleIdSchema>;
export type PassageId = z.infer<typeof passageIdSchema>;
export type VisitId = z.infer<typeof visitIdSchema>;
export type JarId = z.infer<typeof jarIdSchema>;
export type RoutineId = z.infer<typeof routineIdSchema>;
export type KitId = z.infer<typeof kitIdSchema>;
export type HandNeedId = z.infer<typeof handNeedIdSchema>;
export type GiftCardId = z.infer<typeof giftCardIdSchema>;
export type ReceiptId = z.infer<typeof receiptIdSchema>;
export type DraftId = z.infer<typeof draftIdSchema>;
