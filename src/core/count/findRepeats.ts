import type { RoomId } from '../shared';
import { type Thing, findPhrase, headStemsOf, isKept } from '../sort';
import { vocabulary } from '../things/vocabulary';

/** What makes two things the same to their user: the known kind, or all the words before the comma. */
export function likenessOf(name: string): string {
  const stems = headStemsOf(name);
  return (
    findPhrase(vocabulary.kinds, stems)?.entry.words[0] ??
    (stems.sort().join(' ') || name.trim().toLowerCase())
  );
}

/** One kind of thing that is kept in more than one room. */
export interface Repeat {
  readonly likeness: string;
  /** As they are called where there are most. */
  readonly name: string;
  readonly count: number;
  readonly rooms: readonly { readonly roomId: RoomId; readonly count: number }[];
}

/**
 * Kept pieces by likeness and room. O(things). `known` remembers the likeness of a name from one
 * call to the next.
 */
export function keptByLikeness(
  things: readonly Thing[],
  known = new Map<string, string>(),
): Readonly<Record<string, Readonly<Record<string, number>>>> {
  const sums: Record<string, Record<string, number>> = {};
  for (const { name, roomId, verdict, count } of things) {
    if (!isKept({ verdict })) continue;
    const likeness = known.get(name) ?? likenessOf(name);
    known.set(name, likeness);
    const byRoom = (sums[likeness] ??= {});
    byRoom[roomId] = (byRoom[roomId] ?? 0) + count;
  }
  return sums;
}

/** Kinds of which several are kept, in more than one room: the most pieces first. */
export function findRepeats(things: readonly Thing[]): Repeat[] {
  const names = new Map<string, { readonly name: string; readonly count: number }>();
  for (const thing of things) {
    if (!isKept(thing)) continue;
    const likeness = likenessOf(thing.name);
    if (thing.count > (names.get(likeness)?.count ?? 0))
      names.set(likeness, {
        name: thing.name.split(/[,;(]/)[0]?.trim() ?? thing.name,
        count: thing.count,
      });
  }
  return Object.entries(keptByLikeness(things))
    .map(([likeness, byRoom]) => {
      const rooms = Object.entries(byRoom)
        .map(([roomId, count]) => ({ roomId: roomId as RoomId, count }))
        .sort((a, b) => b.count - a.count);
      return {
        likeness,
        name: names.get(likeness)?.name ?? likeness,
        count: rooms.reduce((sum, { count }) => sum + count, 0),
        rooms,
      };
    })
    .filter(({ rooms }) => rooms.length > 1)
    .sort((a, b) => b.count - a.count || a.name.localeCompare(b.name));
}
