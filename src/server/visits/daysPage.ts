import 'server-only';

import { listNeeds, listOtherNeeds } from '@/core/shop';
import { isKept } from '@/core/sort';
import {
  orderByOf,
  visitStateOf,
  workOfVisit,
  type OrderLine,
  type VisitWork,
} from '@/core/visits';
import type { Records } from '@/data/records';
import { roomRecordsOf, type DeskName } from '../desk/loadDesk';
import { countedMaterialNeedsOf } from '../shop/materials';
import { leftElsewhereOf } from '../shop/leftElsewhere';

type DaysRecords = Records<DeskName | 'visits' | 'sessions' | 'moveLists'>;

/** What happened on each visit that is not only planned, by its id. */
export function gatherVisitWork(
  { things, sessions, moveLists, carries, purchases, visits }: DaysRecords,
  now: string,
): Readonly<Record<string, VisitWork>> {
  const doings = {
    things: things.map((thing) => ({ ...thing, isKept: isKept(thing) })),
    sessions,
    moves: moveLists.flatMap(({ items }) =>
      items.flatMap(({ doneAt }) => (doneAt === null ? [] : [{ doneAt }])),
    ),
    boxes: carries,
    purchases,
  };
  return Object.fromEntries(
    visits
      .filter((visit) => visitStateOf(visit) !== 'planned')
      .map((visit) => [visit.id, workOfVisit(visit, doings, now)]),
  );
}

/** What is on the rooms' lists and not bought, with the latest day to order it. */
export function loadOrders(records: DaysRecords, today: string): OrderLine[] {
  const { rooms, sections, visits, project } = records;
  return orderByOf(
    rooms.map(({ id, name }) => ({
      name,
      sectionIds: sections.filter(({ roomId }) => roomId === id).map((section) => section.id),
      names: openNamesOf(records, id),
    })),
    { visits, today, days: project.terms.days },
  );
}

function openNamesOf(records: DaysRecords, roomId: DaysRecords['rooms'][number]['id']): string[] {
  const own = roomRecordsOf(records, roomId);
  const containers = listNeeds({
    ...own,
    priorities: new Map(),
    leftElsewhere: leftElsewhereOf(records, roomId),
  });
  const others = listOtherNeeds({
    handNeeds: records.handNeeds.filter((need) => need.roomId === roomId),
    materialNeeds: countedMaterialNeedsOf(records, roomId),
    purchases: own.purchases,
  });
  return [
    ...containers.flatMap(({ container, qty, hadQty }) => (qty > hadQty ? [container.name] : [])),
    ...others.flatMap(({ name, qty, hadQty }) => (qty > hadQty ? [name] : [])),
  ];
}
