import 'server-only';

import { answerChecks, findPlanClashes, traceWalls, type CheckAnswer } from '@/core/look';
import type { RoomId } from '@/core/shared';
import type { Records } from '@/data/records';

/** A room's checks with their answers, read off its plan where there is one. */
export function answerRoomChecks(
  { rooms, units, fixtures }: Records<'fixtures' | 'rooms' | 'units'>,
  roomId: RoomId,
): CheckAnswer[] {
  const room = rooms.find(({ id }) => id === roomId);
  if (!room) return [];
  const own = units.filter((unit) => unit.roomId === roomId);
  const outline = room.plan && traceWalls(room.plan);
  if (!outline?.ok) return answerChecks(room.checks, undefined);
  const clashes = findPlanClashes({
    outline: outline.value,
    units: own,
    fixtures: fixtures.filter((fixture) => fixture.roomId === roomId),
    checks: room.checks,
  });
  return answerChecks(room.checks, { clashes, units: own });
}
