import 'server-only';

import { containerIdsOf } from '@/core/fit';
import type { Asked, AskedPurchase, AskedThing, LineNow } from '@/core/client';
import { usableLitresOf, type Unit } from '@/core/look';
import { formatLitres, formatMoney } from '@/core/shared';
import { spaceInBay, waitsForClient, type Group, type Thing } from '@/core/sort';
import { compareAgreements } from '@/core/agree';
import type { LoadName, Records } from '@/data/records';
import type { Db } from '@/data/db';
import { cautionWords, reasonWords } from '@/ui/sort/sortWords';
import { agreementLinesOf } from '../agree/agreementLines';
import { dayWords } from '../show/clientWords';
import { shoppingNames, loadPriceList } from '../shop/roomShopping';
import { loadShopView, type ShopView } from '../shop/shopView';

/** What questions to the client are gathered from. */
export const askableNames = [
  ...shoppingNames,
  'agreements',
  'approvals',
  'fitWishes',
  'sections',
  'things',
] as const satisfies readonly LoadName[];
type AskableRecords = Records<(typeof askableNames)[number]>;

/** A home's lists as they stand. Of a room whose list takes long, the last one known. */
export async function loadShopLists(
  db: Db,
  records: AskableRecords,
  stamp: string,
): Promise<readonly { readonly roomId: string; readonly view: ShopView }[]> {
  const prices = await loadPriceList(db);
  return Promise.all(
    records.rooms.map(async ({ id }) => {
      const answered = await loadShopView({ db, records, stamp }, id, prices);
      const view =
        answered.state === 'fresh'
          ? answered.answer
          : (answered.known?.answer ?? (await answered.coming));
      return { roomId: id as string, view };
    }),
  );
}
type ShopLists = Awaited<ReturnType<typeof loadShopLists>>;

export const linesNow = (lists: ShopLists): LineNow[] =>
  lists.flatMap(({ roomId, view }) =>
    view.needs.map(({ needId, qty, hadQty, lineMinor }) => ({
      roomId,
      needId,
      qty,
      lineMinor,
      isBought: hadQty >= qty,
    })),
  );

/** Everything that could be asked of the client now, as they would read it. */
export function listAskable(records: AskableRecords, lists: ShopLists): Asked[] {
  const last = records.agreements.at(-1);
  const lines = agreementLinesOf(records);
  const isAgreed = last && compareAgreements(last.lines, lines).length === 0;
  return [
    ...records.things.filter(waitsForClient).map((thing) => askThing(thing, records)),
    ...lists.flatMap(({ roomId, view }) =>
      view.needs.flatMap((need) => askPurchase(need, { roomId, records })),
    ),
    ...(isAgreed || lines.length === 0
      ? []
      : [{ about: 'agreement' as const, key: 'agreement', lines }]),
  ];
}

function askThing(thing: Thing, records: AskableRecords): AskedThing {
  return {
    about: 'thing',
    key: `thing ${thing.id}`,
    thingId: thing.id,
    decisionId: thing.decisionId,
    roomId: thing.roomId,
    roomName: records.rooms.find(({ id }) => id === thing.roomId)?.name ?? '',
    name: thing.name,
    count: thing.count,
    known: knownOf(thing, records),
    pictureId: thing.pictureId ?? null,
  };
}

/** What is known of a thing, and what space says, a sentence each. */
function knownOf(thing: Thing, { groups, things, units }: AskableRecords): string[] {
  const reasons = thing.reasons.map((reason) => reasonWords[reason]).join(', ');
  const group = groups.find(({ id }) => id === thing.groupId);
  return [
    ...(reasons === '' ? [] : [`Noted of it: ${reasons}.`]),
    ...(thing.mustAsk === undefined ? [] : [`You asked us never to let this go without you.`]),
    ...(thing.expiresOn === undefined ? [] : [`Day on the pack: ${dayWords(thing.expiresOn)}.`]),
    ...(thing.litres > 0
      ? [`Takes about ${formatLitres(Number(thing.litres.toPrecision(2)))}.`]
      : []),
    ...(group ? spaceWords(thing, { group, groups, things, units }) : []),
    ...(thing.cautions ?? []).map((code) => cautionWords[code]),
  ].map((line) => line.slice(0, 300));
}

function spaceWords(
  thing: Thing,
  {
    group,
    groups,
    things,
    units,
  }: {
    readonly group: Group;
    readonly groups: readonly Group[];
    readonly things: readonly Thing[];
    readonly units: readonly Unit[];
  },
): string[] {
  const bay = units.flatMap(({ bays }) => bays).find(({ id }) => id === group.bayId);
  if (!bay) return [];
  const space = spaceInBay({
    bayId: bay.id,
    usableLitres: usableLitresOf(bay),
    groups,
    things,
    inHand: { count: thing.count, litres: thing.litres },
  });
  const fitting = space.fittingCount ?? 0;
  if (fitting >= thing.count) return [`There is room for it in its place (${bay.name}).`];
  return [
    fitting === 0
      ? `Its place (${bay.name}) is full without it.`
      : `Of ${thing.count}, ${fitting} still go into its place (${bay.name}).`,
  ];
}

function askPurchase(
  need: ShopView['needs'][number],
  { roomId, records }: { readonly roomId: string; readonly records: AskableRecords },
): AskedPurchase[] {
  const toBuy = need.qty - need.hadQty;
  if (toBuy <= 0 || need.lineMinor <= 0 || need.approval.is === 'approved') return [];
  const room = records.rooms.find(({ id }) => id === roomId);
  if (!room) return [];
  return [
    {
      about: 'purchase',
      key: `line ${roomId} ${need.needId}`,
      roomId: room.id,
      roomName: room.name,
      needId: need.needId,
      name: need.name,
      qty: need.qty,
      lineMinor: need.lineMinor,
      known: [
        ...forWhat(need.needId, records, roomId),
        ...whatItReplaces(need.needId, records, roomId),
        ...(FROM_WORDS[need.from] === '' ? [] : [FROM_WORDS[need.from]]),
        ...(need.priority === 'must' ? ['The plan does not work without it.'] : []),
        ...(need.hadQty > 0 ? [`${need.hadQty} of ${need.qty} are there already.`] : []),
        ...(need.approval.is === 'dearer'
          ? [
              `You said yes at ${formatMoney(need.approval.approvedMinor, records.project.currency)}; it has become dearer.`,
            ]
          : []),
      ].map((line) => line.slice(0, 300)),
    },
  ];
}

const FROM_WORDS: Readonly<Record<ShopView['needs'][number]['from'], string>> = {
  fit: '',
  owned: '',
  hand: 'Put onto the list by hand.',
  material: 'For the work on the places: boards, lining, labels, fixing to the wall.',
};

/** Containers that stood in the plan of its places before. */
function whatItReplaces(
  needId: string,
  { fits, units, containers }: AskableRecords,
  roomId: string,
): string[] {
  const bayIds = new Set(
    units.filter((unit) => unit.roomId === roomId).flatMap(({ bays }) => bays.map(({ id }) => id)),
  );
  const replaced = fits
    .filter(({ bayId, answer }) => {
      const isHere = containerIdsOf(answer).includes(needId);
      return isHere && bayIds.has(bayId);
    })
    .flatMap((fit) => fit.insteadOf);
  const names = containers.filter(({ id }) => replaced.includes(id)).map(({ name }) => name);
  return names.length === 0 ? [] : [`In the place of: ${names.slice(0, 4).join(', ')}.`];
}

/** Which places it is for, and what goes in. */
function forWhat(
  needId: string,
  { fits, units, groups }: AskableRecords,
  roomId: string,
): string[] {
  return units
    .filter((unit) => unit.roomId === roomId)
    .flatMap((unit) =>
      unit.bays.flatMap((bay) => {
        const answer = fits.find(({ bayId }) => bayId === bay.id)?.answer;
        const count = answer ? containerIdsOf(answer).filter((id) => id === needId).length : 0;
        if (!answer || count === 0) return [];
        const placed = answer.placements.filter(({ containerId }) => containerId === needId);
        const names = new Set(
          placed.flatMap(
            ({ groupId }) => groups.find(({ id }) => id === groupId)?.name.toLowerCase() ?? [],
          ),
        );
        const held = names.size === 0 ? '' : ` for ${[...names].join(', ')}`;
        return [`${count} in ${unit.name}, ${bay.name}${held}.`];
      }),
    )
    .slice(0, 4);
}
