import 'server-only';

import { agreementRecord, personRecord, projectRecord, sectionRecord } from './agree';
import {
  clientAnswerRecord,
  clientOpeningRecord,
  clientPageRecord,
  closingRecord,
  outgoingMailRecord,
  sharingRecord,
} from './client';
import { putAwayTestRecord, reviewRecord } from './again';
import { enoughRuleRecord } from './count';
import type { RecordKind } from './defineRecord';
import { containerRecord, fitRecord, fitWishesRecord } from './fit';
import {
  bayRecord,
  fixtureRecord,
  passageRecord,
  pictureRecord,
  roomRecord,
  thingPictureRecord,
  unitRecord,
  vantagePointRecord,
} from './look';
import { draftRecord, moveListRecord, setUpRecord } from './place';
import {
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
import { jarRecord, kitRecord, labelingRecord, routineRecord } from './setUp';
import {
  fetchRecord,
  handoverRecord,
  haulBoxRecord,
  haulDestinationRecord,
  haulTripRecord,
  leavingRecord,
  saleRecord,
} from './takeAway';
import { visitRecord } from './visits';
import { carryRecord, groupRecord, ownMethodRecord, sessionRecord } from './sort';

/** Every kind, parents and what is named before those who name it. The one list a new kind joins. */
const kinds = [
  projectRecord,
  personRecord,
  roomRecord,
  unitRecord,
  bayRecord,
  passageRecord,
  fixtureRecord,
  sectionRecord,
  agreementRecord,
  visitRecord,
  sessionRecord,
  haulDestinationRecord,
  leavingRecord,
  haulTripRecord,
  haulBoxRecord,
  handoverRecord,
  saleRecord,
  fetchRecord,
  carryRecord,
  ownMethodRecord,
  enoughRuleRecord,
  thingPictureRecord,
  vantagePointRecord,
  pictureRecord,
  groupRecord,
  draftRecord,
  moveListRecord,
  setUpRecord,
  labelingRecord,
  jarRecord,
  routineRecord,
  kitRecord,
  containerRecord,
  shopRecord,
  offerRecord,
  fitRecord,
  fitWishesRecord,
  receiptRecord,
  handNeedRecord,
  purchaseRecord,
  giftCardRecord,
  materialsRecord,
  needPriorityRecord,
  approvalRecord,
  shortageRecord,
  sharingRecord,
  clientPageRecord,
  clientOpeningRecord,
  clientAnswerRecord,
  outgoingMailRecord,
  closingRecord,
  reviewRecord,
  putAwayTestRecord,
] as const;

type Kind = (typeof kinds)[number];
export type RecordName = Kind['name'];
/** A record of the kind of that name. */
export type RecordOf<N extends RecordName> =
  Extract<Kind, { readonly name: N }> extends RecordKind<infer T, N> ? T : never;

/** Every kind of record that belongs to a home or to the price list, parents before children. */
export const recordKinds: readonly RecordKind[] = kinds as unknown as readonly RecordKind[];

const byName = new Map(recordKinds.map((kind) => [kind.name, kind]));
const byTable = new Map(recordKinds.map((kind) => [kind.table.name, kind]));

export function getRecordKind(name: string): RecordKind {
  const kind = byName.get(name);
  if (!kind) throw new Error(`no kind of record is called ${name}`);
  return kind;
}
export const findKindOfTable = (tableName: string): RecordKind | undefined =>
  byTable.get(tableName);
