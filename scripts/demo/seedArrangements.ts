import { draftSchema, planZones, setAside } from '@/core/place';
import { loadSolver, roomIdSchema } from '@/core/shared';
import { materialsSchema, type MaterialsInput } from '@/core/shop';
import { placingSchema } from '@/core/sort';
import type { Project } from '@/core/agree';
import type { Db } from '@/data/db';
import { draftRecord, groupRecord, loadRecords, materialsRecord } from '@/data/records';
import { zonesOf, zonesOfRoom } from '@/server/place/zonesOfRoom';
import { measure } from './measure';

/**
 * How a demo room's groups are used and where they stand today, in short hand: uses a week,
 * station, users by their number.
 */
interface DemoArrangement {
  readonly use: Readonly<
    Record<
      string,
      readonly [
        usesPerWeek: number,
        station?: string,
        users?: readonly number[],
        season?: readonly [from: number, to: number],
      ]
    >
  >;
  /** By group: its bay today; what is not named stands where it is to live. */
  readonly today: Readonly<Record<string, string | null>>;
  readonly chosenName: string;
}

const ARRANGEMENTS: Readonly<Record<string, DemoArrangement>> = {
  'linen-press': {
    use: {
      towels: [28, 'Top of the stairs', [0, 1, 2]],
      face: [14, 'Top of the stairs', [0, 1, 2]],
      bed: [4, 'Folding ledge', [0, 1]],
      pillowcases: [4, 'Folding ledge', [0, 1]],
      guest: [0.3, 'Folding ledge', [0]],
      blankets: [1, 'Top of the stairs', [0, 3]],
      scarves: [10, 'Top of the stairs', [0, 1], [10, 3]],
      gloves: [10, 'Top of the stairs', [0, 1], [10, 3]],
      duvets: [0.2, 'Folding ledge', [0, 1]],
      table: [1, 'Folding ledge', [0]],
      curtains: [0.1, 'Folding ledge', [0]],
      beach: [6, 'Top of the stairs', [0, 1]],
      'first-aid': [1, 'Top of the stairs', [0, 1]],
      albums: [0.3, 'Top of the stairs', [0, 3]],
    },
    today: {
      towels: 'left-4',
      face: 'right-0',
      bed: 'left-2',
      pillowcases: 'right-3',
      guest: 'left-1',
      blankets: 'left-0',
      scarves: 'left-3',
      gloves: 'right-4',
      duvets: 'right-1',
      table: 'right-2',
      curtains: 'right-0',
      beach: 'left-3',
    },
    chosenName: 'Like with like',
  },
  workbench: {
    use: {
      hand: [12, 'Vice', [1]],
      screws: [6, 'Vice', [1]],
      power: [3, 'Vice', [1]],
      paint: [0.5, 'Glue table', [0, 1]],
      glue: [2, 'Glue table', [0, 1]],
      electric: [0.5, 'Vice', [1, 3]],
      rope: [0.3, 'Glue table', [1]],
    },
    today: {
      hand: 'drawer-2',
      screws: 'drawer-3',
      power: 'wall-1',
      paint: 'wall-0',
      glue: 'wall-2',
      electric: 'drawer-1',
    },
    chosenName: 'Tools by the vice',
  },
};

/** What is bought for the workbench: a shelf more, a rail along the wall, and a liner for the drawers. */
const YARD = 'sample-shop-yard';
const MATERIALS: Readonly<
  Record<
    string,
    Pick<MaterialsInput, 'boards' | 'cuts' | 'roll' | 'paint' | 'labels' | 'fixings'> & {
      readonly buying?: unknown;
      readonly lined: readonly string[];
    }
  >
> = {
  workbench: {
    boards: [
      { name: 'Pine 20 × 1.8', length: measure('1.8 m'), priceMinor: 740, available: null },
      { name: 'Pine 20 × 1.8', length: measure('2.4 m'), priceMinor: 930, available: null },
      { name: 'Loft offcut', length: measure('118 cm'), priceMinor: 0, available: 1 },
    ],
    cuts: [
      { name: 'Shelf', length: measure('146 cm'), qty: 2 },
      { name: 'Rail', length: measure('72 cm'), qty: 4 },
      { name: 'Bracket', length: measure('34 cm'), qty: 6 },
    ],
    roll: { width: measure('50 cm'), length: measure('150 cm'), priceMinor: 650 },
    lined: ['drawer-0', 'drawer-1', 'drawer-2', 'drawer-3'],
  },
  'spare-room': {
    boards: [],
    cuts: [],
    roll: null,
    lined: [],
    paint: {
      surfaces: [
        { name: 'Wall behind the bed', width: measure('3.1 m'), height: measure('2.3 m'), qty: 1 },
        { name: 'Window wall', width: measure('2.4 m'), height: measure('2.3 m'), qty: 1 },
      ],
      coats: 2,
      squareMetresPerLitre: 12,
      canLitres: 1,
      priceMinor: 1890,
      dryHours: 2,
      cureDays: 3,
    },
    fixings: {
      rows: [{ name: 'Wardrobe', things: 1, each: 2, wall: 'brick' }],
      packs: [{ wall: 'brick', packSize: 8, priceMinor: 420 }],
    },
  },
  'boot-room': {
    boards: [],
    cuts: [],
    roll: null,
    lined: [],
    paint: {
      surfaces: [
        {
          name: 'Laundry cupboard, back',
          width: measure('60 cm'),
          height: measure('136 cm'),
          qty: 1,
        },
        {
          name: 'Laundry cupboard, sides',
          width: measure('54 cm'),
          height: measure('136 cm'),
          qty: 2,
        },
      ],
      coats: 2,
      squareMetresPerLitre: 11,
      canLitres: 0.5,
      priceMinor: 1150,
      dryHours: 6,
      cureDays: 2,
    },
    labels: { letter: measure('9 mm'), cassette: measure('4 m'), priceMinor: 690, spareCount: 4 },
    fixings: {
      rows: [
        { name: 'Shoe shelves', things: 1, each: 2, wall: 'brick' },
        { name: 'Laundry cupboard', things: 1, each: 2, wall: 'brick' },
      ],
      packs: [{ wall: 'brick', packSize: 8, priceMinor: 420 }],
    },
    buying: {
      paint: { shopId: YARD, priority: 'nice' },
      labels: { shopId: YARD, priority: 'should' },
      fixings: { shopId: YARD, priority: 'must' },
    },
  },
};

/**
 * How often and by whom the groups are used, where they stand today, and a second draft that the
 * engine worked out.
 */
export async function seedArrangements(db: Db, project: Project, roomKey: string): Promise<void> {
  const demo = ARRANGEMENTS[roomKey];
  const { groups, fixtures, people } = await loadRecords(
    db,
    project.id,
    'fixtures',
    'groups',
    'people',
  );
  const own = groups.filter((group) => group.roomId === roomKey);
  for (const group of own) {
    const key = group.id.slice(roomKey.length + 1);
    const [usesPerWeek, station, users, season] = demo?.use[key] ?? [];
    const placing = placingSchema.parse({
      usesPerWeek: usesPerWeek ?? null,
      stationId:
        fixtures.find((fixture) => fixture.roomId === roomKey && fixture.name === station)?.id ??
        null,
      userIds: (users ?? []).flatMap((i) => people[i]?.id ?? []),
      season: season ? { from: season[0], to: season[1] } : null,
    });
    const stands = demo && key in demo.today ? demo.today[key] : group.bayId;
    await db(groupRecord.table.name)
      .where({ id: group.id })
      .update(
        groupRecord.table.toRow({
          ...group,
          placing,
          standsBayId: (stands ?? null) as typeof group.bayId,
        }),
      );
  }
  const material = MATERIALS[roomKey];
  if (material) {
    const { lined, ...rest } = material;
    await db(materialsRecord.table.name).insert(
      materialsRecord.table.toRow(
        materialsSchema.parse({
          ...rest,
          id: roomKey,
          kerf: measure('3 mm'),
          carLength: measure('2 m'),
          linedBayIds: lined,
        }),
      ),
    );
  }
  if (!demo) return;
  const records = await loadRecords(
    db,
    project.id,
    'fixtures',
    'groups',
    'people',
    'project',
    'rooms',
    'things',
    'units',
  );
  const request = zonesOfRoom(records, roomIdSchema.parse(roomKey), {
    groups: records.groups,
    timeLimitMs: 3000,
  });
  if (!request) return;
  const answer = planZones(request, { solver: await loadSolver(), clock: () => performance.now() });
  const drafts = [
    { id: `${roomKey}-draft-0`, name: demo.chosenName, places: null, position: 0 },
    { id: `${roomKey}-draft-1`, name: 'Fewest steps', places: answer.assignment, position: 1 },
  ];
  for (const draft of drafts)
    await db(draftRecord.table.name).insert(
      draftRecord.table.toRow(
        draftSchema.parse({ ...draft, projectId: project.id, roomId: roomKey }),
      ),
    );
}

/** A home whose spare bedding is tried out where people sleep; the engine arranges the rest around it. */
const HOME_DRAFT = {
  projectKey: 'quarry-row',
  chosenName: 'Every room for itself',
  name: 'Bedding by the beds',
  moved: { 'linen-press-guest': 'wardrobe-0', 'linen-press-duvets': 'under-bed-0' },
} as const satisfies { readonly moved: Readonly<Record<string, string>> } & Readonly<
  Record<string, unknown>
>;

/** A draft of the whole home beside the rooms' own; every room must have its groups by then. */
export async function seedHomeDraft(db: Db, project: Project): Promise<void> {
  if (project.id !== HOME_DRAFT.projectKey) return;
  const records = await loadRecords(
    db,
    project.id,
    'fixtures',
    'groups',
    'passages',
    'people',
    'project',
    'rooms',
    'things',
    'units',
  );
  const moved = new Map<string, string>(Object.entries(HOME_DRAFT.moved));
  const asked = zonesOf(records, null, { groups: records.groups, timeLimitMs: 3000 });
  const request = asked && {
    ...asked,
    groups: asked.groups.map((group) =>
      moved.has(group.id) ? { ...group, fixedBayId: moved.get(group.id) } : group,
    ),
  };
  if (!request) return;
  const now = records.groups.map(({ id, bayId }) => [id, bayId] as const);
  const answer = planZones(setAside(request, Object.fromEntries(now)).request, {
    solver: await loadSolver(),
    clock: () => performance.now(),
  });
  const places = [
    ...new Map([
      ...now,
      ...answer.assignment.map(({ groupId, bayId }) => [groupId, bayId] as const),
    ]),
  ].map(([groupId, bayId]) => ({ groupId, bayId }));
  const drafts = [
    { id: `${project.id}-draft-0`, name: HOME_DRAFT.chosenName, places: null, position: 0 },
    { id: `${project.id}-draft-1`, name: HOME_DRAFT.name, places, position: 1 },
  ];
  for (const draft of drafts)
    await db(draftRecord.table.name).insert(
      draftRecord.table.toRow(draftSchema.parse({ ...draft, projectId: project.id, roomId: null })),
    );
}
