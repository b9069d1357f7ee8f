import 'server-only';

export { agreementRecord, personRecord, projectRecord, sectionRecord } from './agree';
export {
  clientAnswerRecord,
  clientOpeningRecord,
  clientPageRecord,
  closingRecord,
  outgoingMailRecord,
  sharingRecord,
} from './client';
export { enoughRuleRecord } from './count';
export { putAwayTestRecord, reviewRecord } from './again';
export type { AnyRecord, RecordKind } from './defineRecord';
export { describeRecords } from './describeRecords';
export { containerRecord, fitRecord, fitWishesRecord } from './fit';
export {
  findKindOfTable,
  getRecordKind,
  recordKinds,
  type RecordName,
  type RecordOf,
} from './kinds';
export {
  findProject,
  loadRecords,
  type LoadName,
  type ProjectRecords,
  type Records,
} from './loadRecords';
export {
  bayRecord,
  fixtureRecord,
  passageRecord,
  pictureRecord,
  roomRecord,
  thingPictureRecord,
  unitRecord,
  vantagePointRecord,
} from './look';
export {
  findUnnamable,
  findUnregisteredTables,
  isAlwaysShared,
  isChangeable,
  isShared,
  listOwned,
  ownedIds,
} from './ownership';
export { draftRecord, moveListRecord, setUpRecord } from './place';
export { jarRecord, kitRecord, labelingRecord, routineRecord } from './setUp';
export {
  fetchRecord,
  handoverRecord,
  haulBoxRecord,
  haulDestinationRecord,
  haulTripRecord,
  leavingRecord,
  saleRecord,
} from './takeAway';
export { visitRecord } from './visits';
export {
  approvalRecord,
  giftCardRecord,
  handNeedRecord,
  materialsRecord,
  needPriorityRecord,
  offerRecord,
  purchaseRecord,
  receiptRecord,
  shopRecord,
  shortageRecord,
} from './shop';
export {
  findOwnedByAny,
  insertIfMissing,
  insertRecord,
  listEvery,
  listPictureNames,
  putShared,
} from './writeRecords';
export { carryRecord, groupRecord, ownMethodRecord, sessionRecord } from './sort';
export { listRecords } from './listRecords';
