import 'server-only';

import type { FitContainer, FitQuestion } from '@/core/fit';
import { hasInside } from '@/core/look';
import { walkBays } from '@/core/place';
import type { RoomId } from '@/core/shared';
import type { Records } from '@/data/records';
import { toFitQuestion } from './takeFit';

/**
 * Places with something to go in and no fit yet; the containers once for all of them, since they
 * are many.
 */
export interface OpenPlaces {
  readonly containers: readonly FitContainer[];
  readonly places: readonly OpenPlace[];
}
interface OpenPlace {
  readonly name: string;
  readonly roomId: RoomId;
  readonly roomName: string;
  readonly question: Omit<FitQuestion, 'containers'>;
  /** Of the containers, those that are not wanted here. */
  readonly without: readonly string[];
}

/** Of the whole home, room by room as one walks past them. */
export function listOpenPlaces(
  records: Records<'fitWishes' | 'fits' | 'groups' | 'rooms' | 'things' | 'units'>,
  priced: readonly FitContainer[],
): OpenPlaces {
  const taken = new Set<string>(records.fits.map(({ bayId }) => bayId));
  const containers = new Map<string, FitContainer>();
  const places = records.rooms.flatMap((room) =>
    walkBays(records.units.filter((unit) => unit.roomId === room.id)).flatMap(
      (bay): OpenPlace[] => {
        if (
          bay.outOfScope ||
          !hasInside(bay) ||
          taken.has(bay.id) ||
          records.groups.every((group) => group.bayId !== bay.id || group.loose)
        )
          return [];
        const { containers: allowed, ...question } = toFitQuestion(records, priced, {
          bayId: bay.id,
          prefer: 'cost',
        });
        if (question.groups.length === 0 || allowed.length === 0) return [];
        for (const container of allowed) containers.set(container.id, container);
        return [
          {
            name: bay.name,
            roomId: room.id,
            roomName: room.name,
            question,
            without: records.fitWishes.find(({ bayId }) => bayId === bay.id)?.forbidden ?? [],
          },
        ];
      },
    ),
  );
  return { containers: [...containers.values()], places };
}
