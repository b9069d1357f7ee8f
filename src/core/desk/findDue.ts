import type { Picture, Room, Unit, VantagePoint } from '../look';
import type { Labeling } from '../labels';
import type { SetUp } from '../setUp';
import { addDays } from '../shared';
import { keptPiecesOf, type Purchase } from '../shop';
import { pairPictures } from '../show';
import { dayOf, openDebts, waitsForDay, type Carry, type Thing } from '../sort';

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
}

/** A room that is done is looked at again after so many days. */
const REVIEW_AFTER_DAYS = 14;
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
    ...rooms.flatMap(({ id, name }): DueThing[] => {
      const spots = vantagePoints.filter(({ roomId }) => roomId === id);
      const afters = pairPictures(spots, pictures).map(({ after }) => after?.takenAt);
      const last = afters
        .flatMap((at) => at ?? [])
        .sort()
        .at(-1);
      return last === undefined || afters.includes(undefined)
        ? []
        : [{ day: addDays(last.slice(0, 10), REVIEW_AFTER_DAYS), code: 'review', name }];
    }),
  ];
  return due.sort((a, b) => a.day.localeCompare(b.day));
}
