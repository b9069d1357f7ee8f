import { addDays, formatISO, subDays } from 'date-fns';

import type { Project } from '@/core/agree';
import {
  putAwayTestSchema,
  reviewIdOf,
  reviewSchema,
  roomDoneOn,
  type PutAwayItem,
} from '@/core/again';
import { keptLitresOf } from '@/core/sort';
import type { Db } from '@/data/db';
import { insertRecord, loadRecords, putAwayTestRecord, reviewRecord } from '@/data/records';

/** A finished home that was looked at after two weeks, and three people of another who looked for things. */
export async function seedAgain(db: Db, project: Project, now: Date): Promise<void> {
  if (project.id === 'allotment') await seedLook(db, project);
  if (project.id === 'quarry-row') await seedTests(db, project, now);
}

async function seedLook(db: Db, project: Project): Promise<void> {
  const records = await loadRecords(
    db,
    project.id,
    'groups',
    'pictures',
    'rooms',
    'things',
    'units',
    'vantagePoints',
  );
  const [room] = records.rooms;
  const doneOn = room && roomDoneOn(room.id, records);
  if (!room || doneOn === undefined) return;
  const plannedOn = formatISO(addDays(new Date(doneOn), 14), { representation: 'date' });
  const bays = records.units.flatMap(({ bays: own }) => own);
  // Places that something lives in.
  const [full, other, third] = bays.filter(({ id }) =>
    records.groups.some(({ bayId }) => bayId === id),
  );
  const wandered = records.groups.find(({ bayId }) => bayId !== null && bayId !== other?.id);
  const countedLitres = records.groups
    .filter(({ bayId }) => bayId === full?.id)
    .reduce((sum, group) => sum + keptLitresOf(group, records.things), 0);
  const line = { litresFound: null, strays: [], ranOut: '' };
  await insertRecord(
    db,
    reviewRecord,
    reviewSchema.parse({
      id: reviewIdOf({ key: room.id, kind: 'two_weeks', plannedOn }),
      projectId: project.id,
      roomId: room.id,
      kind: 'two_weeks',
      plannedOn,
      dueOn: plannedOn,
      doneOn: plannedOn,
      note: 'Dry, and used every weekend.',
      lines: [
        ...(full
          ? [
              {
                ...line,
                bayId: full.id,
                marks: ['overfull'],
                litresFound: Math.ceil(countedLitres * 1.2),
              },
            ]
          : []),
        ...(other && wandered
          ? [
              {
                ...line,
                bayId: other.id,
                marks: ['something_else'],
                strays: [{ name: wandered.name.toLowerCase(), groupId: wandered.id, isBack: true }],
              },
            ]
          : []),
        ...(third ? [{ ...line, bayId: third.id, marks: ['as_meant'] }] : []),
      ],
      changes: full
        ? [
            {
              findingKey: `overfull ${full.id}`,
              change: 'enough',
              told: 'a few pots fewer',
              takenOn: plannedOn,
            },
          ]
        : [],
    }),
  );
}

/** Tom, Ida and Alf look for five things of the boot room; most of them for one of them in the wrong place. */
async function seedTests(db: Db, project: Project, now: Date): Promise<void> {
  const { groups, people, units } = await loadRecords(db, project.id, 'groups', 'people', 'units');
  const asked = groups.filter((group) => group.roomId === 'boot-room' && group.bayId !== null);
  const bayIds = units
    .filter(({ roomId }) => roomId === 'boot-room')
    .flatMap(({ bays }) => bays.map(({ id }) => id));
  const searchers = people.filter(({ name }) => name !== 'Nora');
  for (const [i, person] of searchers.slice(0, 3).entries()) {
    const items = asked.slice(0, 5).map((group, j): PutAwayItem => {
      const meantBayId = group.bayId!;
      const wrong = bayIds.find((id) => id !== meantBayId) ?? meantBayId;
      // The second is looked for elsewhere by all but one, the fourth by one.
      const misses = (j === 1 && i !== 2) || (j === 3 && i === 0);
      const taps = misses
        ? [
            { bayId: wrong, seconds: 4 + i },
            { bayId: meantBayId, seconds: 9 + 2 * i },
          ]
        : [{ bayId: meantBayId, seconds: 3 + i + j }];
      return { groupId: group.id, name: group.name.toLowerCase(), meantBayId, taps, isFound: true };
    });
    if (items.length === 0) return;
    await insertRecord(
      db,
      putAwayTestRecord,
      putAwayTestSchema.parse({
        id: `${project.id}-test-${i}`,
        projectId: project.id,
        personId: person.id,
        personName: person.name,
        at: subDays(now, 1).toISOString(),
        byPictures: person.labels === 'pictures',
        items,
      }),
    );
  }
}
