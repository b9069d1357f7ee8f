import { listLooks, type Review } from '../again';
import type { Picture, Room, Unit, VantagePoint } from '../look';
import type { Labeling } from '../labels';
import type { SetUp } from '../setUp';
import { addDays } from '../shared';
import { keptPiecesOf, type Purchase } from '../shop';
import { dayOf, openDebts, waitsForDay, type Carry, type Group, type Thing } from '../sort';

/** Something that is due on a day, by its own name; of what was put off, how many things. */
export interface DueThing {
  readonly day: string;
  readonly code: 'return' | 'arrives' | 'debt' | 'later' | 'review' | 'labels' | 'liner';
  readonly name: string;
}

interface HomeFacts {
  readonly rooms: readonly Room[];
  readonly carries: readonly Carry[];
  readonly purchases: readonly Purchase[];
  readonly things: readonly Thing[];
  readonly vantagePoints: readonly VantagePoint[];
  readonly pictures: readonly Picture[];
  readonly labelings: readonly Labeling[];
  readonly setUps: readonly SetUp[];
  readonly units: readonly Unit[];
  readonly project: { readonly id: string };
  readonly groups: readonly Group[];
  readonly reviews: readonly Review[];
}

/** A washable liner is changed after so many days; an assumption. */
const LINER_DAYS = 60;
/** What falls on a day in a home, in the order of the days. */
export function findDue({
  rooms,
  carries,
  purchases,
  things,
  vantagePoints,
  pictures,
  labelings,
  setUps,
  units,
  project,
  groups,
  reviews,
}: HomeFacts): DueThing[] {
  const later = new Map<string, number>();
  for (const thing of things) {
    const day = waitsForDay(thing) ? dayOf(thing) : undefined;
    if (day !== undefined) later.set(day, (later.get(day) ?? 0) + thing.count);
  }
  const due = [
    ...purchases.flatMap((purchase): DueThing[] => [
      ...(purchase.returnBy !== null && keptPiecesOf(purchase) > 0
        ? [{ day: purchase.returnBy, code: 'return' as const, name: purchase.label }]
        : []),
      ...(purchase.deliverOn === null
        ? []
        : [{ day: purchase.deliverOn, code: 'arrives' as const, name: purchase.label }]),
    ]),
    ...openDebts(carries).flatMap(({ note, dueOn }): DueThing[] =>
      dueOn === null ? [] : [{ day: dueOn, code: 'debt', name: note }],
    ),
    ...[...later].map(([day, count]): DueThing => ({ day, code: 'later', name: String(count) })),
    ...labelings.flatMap(({ id, settlesOn }): DueThing[] =>
      settlesOn === null
        ? []
        : [
            {
              day: settlesOn,
              code: 'labels',
              name: rooms.find((room) => room.id === id)?.name ?? '',
            },
          ],
    ),
    ...setUps.flatMap(({ liners }) =>
      liners.map(({ bayId, changedOn }): DueThing => ({
        day: addDays(changedOn, LINER_DAYS),
        code: 'liner',
        name: units.flatMap(({ bays }) => bays).find(({ id }) => id === bayId)?.name ?? '',
      })),
    ),
    ...listLooks({
      projectId: project.id,
      rooms,
      vantagePoints,
      pictures,
      groups,
      reviews,
    }).flatMap(({ dueOn, doneOn, roomName }): DueThing[] =>
      doneOn === null ? [{ day: dueOn, code: 'review', name: roomName ?? 'the whole home' }] : [],
    ),
  ];
  return due.sort((a, b) => a.day.localeCompare(b.day));
}
