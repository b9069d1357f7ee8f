import 'server-only';

import { rankNext } from '@/core/desk';
import type { Db } from '@/data/db';
import { listVisits } from '../visits/saveVisit';
import { loadDesk } from './loadDesk';

/** What an icon on a phone leads to. */
export const shortcuts = ['bench', 'list'] as const;
export type Shortcut = (typeof shortcuts)[number];

/**
 * The address of a shortcut: in the home whose visit is today or next, else the first on the desk; the bench of
 * the room in which most is missing. The desk itself where there is no home, or no room yet.
 */
export async function findShortcut(db: Db, shortcut: Shortcut, today: string): Promise<string> {
  const desk = await loadDesk(db);
  const planned = (await listVisits(db))
    .filter(({ visit }) => visit.day >= today)
    .sort((a, b) => a.visit.day.localeCompare(b.visit.day))[0];
  const home = desk.find(({ project }) => project.id === planned?.projectId) ?? desk[0];
  if (!home) return '/';
  const base = `/projects/${home.project.id}`;
  if (shortcut === 'list') return `${base}/home/shop`;
  const next = rankNext(home.rooms);
  const room = (next.find(({ next: { step } }) => step === 'sort') ?? next[0] ?? home.rooms[0])
    ?.room;
  return room ? `${base}/rooms/${room.id}/sort` : `${base}/home`;
}
