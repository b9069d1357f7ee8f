import 'server-only';

import { stemsOf } from '@/core/things';
import type { ProjectId } from '@/core/shared';
import { whereIs } from '@/core/show';
import type { Db } from '@/data/db';
import { listCatalogue } from '@/data/catalogueRepo';
import { listProjects } from '@/data/projectRepo';
import { loadRecords } from '@/data/records';
import { whereWords } from '@/ui/home/whereWords';
import { sayTo, verdictPast } from '@/ui/sort/sortWords';

export interface Hit {
  readonly kind: 'project' | 'room' | 'group' | 'thing' | 'bay' | 'container';
  readonly label: string;
  /** Where it is, or what was decided. */
  readonly note: string;
  readonly href: string;
}
type Candidate = Hit & {
  /** A longer note, worked out for what is shown alone. */
  readonly tellMore?: () => string;
};

const MAX_HITS = 30;

/**
 * Finds rooms, groups, things, places and containers by their words, in any order and number. With a
 * project it looks there alone, so that a client who watches sees no other home; without one it
 * finds projects.
 */
export async function findAnything(
  db: Db,
  query: string,
  projectId: ProjectId | undefined,
): Promise<Hit[]> {
  const wanted = stemsOf(query);
  if (wanted.length === 0) return [];
  const candidates = projectId ? await listProjectHits(db, projectId) : await listDeskHits(db);
  return candidates
    .map((hit, order) => ({ hit, order, score: scoreOf(hit, wanted) }))
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score || a.order - b.order)
    .slice(0, MAX_HITS)
    .map(({ hit: { tellMore, ...hit } }) => (tellMore ? { ...hit, note: tellMore() } : hit));
}

/** Every word must begin a word of the label or note; whole words and labels count more. */
function scoreOf(hit: Hit, wanted: readonly string[]): number {
  const inLabel = stemsOf(hit.label);
  const inNote = stemsOf(hit.note);
  let score = 0;
  for (const word of wanted) {
    if (inLabel.includes(word)) score += 4;
    else if (inLabel.some((other) => other.startsWith(word))) score += 3;
    else if (inNote.some((other) => other.startsWith(word))) score += 1;
    else return 0;
  }
  return score;
}

async function listDeskHits(db: Db): Promise<Candidate[]> {
  const projects = await listProjects(db);
  return [
    ...projects.map((project): Hit => ({
      kind: 'project',
      label: project.name,
      note: 'project',
      href: `/projects/${project.id}`,
    })),
    ...(await containerHits(db)),
  ];
}

async function containerHits(db: Db): Promise<Hit[]> {
  const catalogue = await listCatalogue(db);
  return catalogue.map((container): Hit => ({
    kind: 'container',
    label: container.name,
    note: `${container.kind}, ${container.material}`,
    href: `/containers#${container.id}`,
  }));
}

async function listProjectHits(db: Db, projectId: ProjectId): Promise<Candidate[]> {
  const records = await loadRecords(
    db,
    projectId,
    'carries',
    'containers',
    'fits',
    'groups',
    'project',
    'rooms',
    'things',
    'units',
  );
  const { rooms, units, groups, things } = records;
  const where = (id: string) => `/projects/${projectId}/home/where?id=${id}`;
  const whereNote = (id: string) => {
    const found = whereIs(records, id);
    return found ? whereWords(found) : '';
  };
  const base = (roomId: string) => `/projects/${projectId}/rooms/${roomId}`;
  const roomName = (roomId: string) => rooms.find(({ id }) => id === roomId)?.name ?? '';
  const bays = units.flatMap((unit) => unit.bays.map((bay) => ({ bay, unit })));
  return [
    ...rooms.map((room): Hit => ({
      kind: 'room',
      label: room.name,
      note: 'room',
      href: `${base(room.id)}/look`,
    })),
    ...groups.map((group): Hit => ({
      kind: 'group',
      label: group.name,
      note: whereNote(group.id),
      href: where(group.id),
    })),
    ...bays.map(({ bay, unit }): Hit => ({
      kind: 'bay',
      label: `${unit.name}, ${bay.name}`,
      note: roomName(unit.roomId),
      href: `${base(unit.roomId)}/fit?bay=${bay.id}`,
    })),
    ...things.map((thing): Candidate => ({
      kind: 'thing',
      label: `${thing.count} ${thing.name}`,
      note: `${roomName(thing.roomId)} · ${verdictPast[thing.verdict]}${thing.to ? ` to ${sayTo(thing)}` : ''}`,
      href: where(thing.id),
      tellMore: () => whereNote(thing.id),
    })),
    ...(await containerHits(db)),
  ];
}
