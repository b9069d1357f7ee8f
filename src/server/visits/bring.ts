import 'server-only';

import { keptPiecesOf } from '@/core/shop';
import { pairPictures } from '@/core/show';
import { cautionsOfAll, leavesHome } from '@/core/sort';
import { findWhatToBring, visitStateOf, type BringLine, type Visit } from '@/core/visits';
import type { SectionEstimate } from '@/core/agree';
import type { DeskName } from '../desk/loadDesk';
import type { Records } from '@/data/records';
import { labelTextsOf } from '../shop/materials';

type BringRecords = Records<DeskName | 'visits'>;

/** What to bring to each visit that is not over, by its id. */
export function loadWhatToBring(
  records: BringRecords,
  sections: readonly SectionEstimate[],
): Readonly<Record<string, readonly BringLine[]>> {
  const { things, visits } = records;
  const litresOf = (leaves: boolean) =>
    things
      .filter((thing) => leavesHome(thing) === leaves)
      .reduce((sum, { litres }) => sum + litres, 0);
  const sofar = { leftLitres: litresOf(true), keptLitres: litresOf(false) };
  const open = visits.filter((visit) => visitStateOf(visit) !== 'lived');
  return Object.fromEntries(
    open.map((visit) => [visit.id, findWhatToBring(roomsOfVisit(records, visit, sections), sofar)]),
  );
}

function roomsOfVisit(records: BringRecords, visit: Visit, sections: readonly SectionEstimate[]) {
  const own = sections.filter(({ section }) => visit.sectionIds.includes(section.id));
  const lastLived =
    records.visits
      .flatMap(({ leftAt }) => leftAt ?? [])
      .sort()
      .at(-1) ?? '';
  return records.rooms
    .filter(({ id }) => own.some(({ section }) => section.roomId === id))
    .map((room) => {
      const materials = records.materials.find(({ id }) => id === room.id);
      const bays = records.units.filter(({ roomId }) => roomId === room.id).flatMap((u) => u.bays);
      const spots = records.vantagePoints.filter(({ roomId }) => roomId === room.id);
      return {
        name: room.name,
        litres: own
          .filter(({ section }) => section.roomId === room.id)
          .reduce((sum, { fullLitres }) => sum + fullLitres, 0),
        labelCount: labelTextsOf(records, room.id).length,
        linedCount: materials?.linedBayIds.length ?? 0,
        fixingCount: materials?.fixings.rows.length ?? 0,
        cautions: cautionsOfAll(records.things.filter(({ roomId }) => roomId === room.id)),
        usualCount: bays.filter(({ isUsual, outOfScope }) => isUsual && !outOfScope).length,
        missingBefore: pairPictures(spots, records.pictures).filter(({ before }) => !before).length,
        waiting: records.purchases
          .filter(
            (purchase) =>
              purchase.roomId === room.id &&
              purchase.boughtAt > lastLived &&
              keptPiecesOf(purchase) > 0,
          )
          .map(({ label }) => label),
      };
    });
}
