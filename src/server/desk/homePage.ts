import 'server-only';

import { daysBetween } from '@/core/shared';
import { keptPiecesOf, spentMinorOf } from '@/core/shop';
import { addUpHours, visitStateOf } from '@/core/visits';
import { addUp, leavesHome, leavingStatesOf, openDebts, waitsForClient } from '@/core/sort';
import { loadEstimate } from '../agree/loadEstimate';
import type { OpenHome } from './openRoom';

/** So many days before its last day, something that can go back is told of. */
const RETURN_SOON_DAYS = 14;

/** What the first page of a home tells, beside what is next in its rooms. */
export async function loadHomePage(
  { db, records }: OpenHome<'agreements' | 'visits'>,
  today: string,
) {
  const { project, rooms, things, carries, purchases } = records;
  const { estimate, backward } = await loadEstimate(db, records, today);
  const planned = records.visits.find(
    (visit) => visitStateOf(visit) !== 'lived' && visit.day >= today,
  );
  const states = leavingStatesOf(things, carries);
  const inState = (state: 'decided' | 'by_the_door') =>
    addUp(things.filter((thing) => leavesHome(thing) && states.get(thing.id) === state));
  return {
    questions: things.filter(waitsForClient),
    byTheDoor: rooms.flatMap((room) => {
      const standing = carries.filter(
        ({ roomId, verdict, goneAt }) => roomId === room.id && verdict !== null && goneAt === null,
      );
      return standing.length === 0
        ? []
        : [
            {
              room,
              boxCount: standing.length,
              litres: standing.reduce((sum, { litres }) => sum + litres, 0),
              massG: standing.reduce((sum, { massG }) => sum + massG, 0),
            },
          ];
    }),
    stillInRooms: inState('decided'),
    debts: openDebts(carries),
    returns: purchases
      .flatMap((purchase) => {
        const { returnBy } = purchase;
        const room = rooms.find(({ id }) => id === purchase.roomId);
        const daysLeft = returnBy === null ? undefined : daysBetween(today, returnBy);
        return room &&
          returnBy !== null &&
          daysLeft !== undefined &&
          daysLeft >= 0 &&
          daysLeft <= RETURN_SOON_DAYS &&
          keptPiecesOf(purchase) > 0
          ? [{ purchase, room, returnBy, daysLeft, pieces: keptPiecesOf(purchase) }]
          : [];
      })
      .sort((a, b) => a.daysLeft - b.daysLeft),
    money: { spentMinor: spentMinorOf(purchases), budgetMinor: project.budgetMinor },
    hours: {
      workedMinutes: addUpHours(rooms, records.sections, records.visits).allMinutes,
      likelyMinutes: estimate.likelyMinutes,
      highMinutes: estimate.highMinutes,
    },
    estimate,
    isAgreed: records.agreements.length > 0,
    planned,
    plannedSections: records.sections.filter(({ id }) => planned?.sectionIds.includes(id)),
    nextVisit: nextVisitOf(estimate.sections, project.terms.visitMinutes),
    visitsLeft: estimate.visitsLeft,
    latestStart: backward?.latestStart,
    doesFit: backward?.doesFit ?? true,
  };
}

type Estimates = Awaited<ReturnType<typeof loadEstimate>>['estimate']['sections'];

/** The sections that are next in the order of the work and go into one visit; at least one of them. */
export function nextVisitOf(
  sections: readonly Pick<Estimates[number], 'section' | 'isDone' | 'likelyMinutes'>[],
  visitMinutes: number,
) {
  const open = sections.filter(({ section, isDone }) => section.inScope && !isDone);
  let minutes = 0;
  const chosen = open.filter(({ likelyMinutes }, i) => {
    const fits = i === 0 || minutes + likelyMinutes <= visitMinutes;
    // The order is the household's: what comes after a section that is too long waits with it.
    if (!fits) minutes = Infinity;
    else minutes += likelyMinutes;
    return fits;
  });
  return {
    sections: chosen.map(({ section }) => section),
    likelyMinutes: chosen.reduce((sum, { likelyMinutes }) => sum + likelyMinutes, 0),
  };
}
