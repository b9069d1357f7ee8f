import 'server-only';

import {
  effectOf,
  FELT_SECONDS,
  homeFindings,
  isWorthTaking,
  mendingsOf,
  reviewIdOf,
  reviewSchema,
  scopeOfPlaces,
  soughtIn,
  toSoughtRequest,
  type Effect,
  type Finding,
  type FindingNow,
  type Mending,
  type Review,
} from '@/core/again';
import type { FirmLearned } from '@/core/learn';
import {
  bayIdSchema,
  groupIdSchema,
  type BayId,
  type DraftId,
  type GroupId,
  type ProjectId,
  type RoomId,
} from '@/core/shared';
import { recordChange, requireUnchanged, stampOf } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import {
  groupRecord,
  loadRecords,
  reviewRecord,
  type LoadName,
  type Records,
} from '@/data/records';
import { effectWords, mendingWords } from '@/ui/again/againWords';
import { loadLearned } from '../learn/loadLearned';
import { runEngine } from '../engines/runEngine';
import { nowIso, today } from '../means';
import { addDraft, arrange } from '../place/drafts';
import { zonesOf } from '../place/zonesOfRoom';
import { namesOf } from './names';

export const mendNames = [
  'containers',
  'drafts',
  'fits',
  'fixtures',
  'groups',
  'labelings',
  'passages',
  'people',
  'project',
  'purchases',
  'putAwayTests',
  'reviews',
  'rooms',
  'things',
  'units',
] as const satisfies readonly LoadName[];
type MendRecords = Records<(typeof mendNames)[number]>;

/** A way to mend a finding, with the effect that is worked out before somebody takes it. */
export interface WayToMend {
  readonly mending: Mending;
  readonly effect: Effect;
}
export interface FindingToMend extends FindingNow {
  readonly ways: readonly WayToMend[];
}

/** What was found, with what would mend it; places are asked of `zones`, each within a second. */
export async function findingsToMend(
  db: Db,
  records: MendRecords,
): Promise<{
  readonly open: readonly FindingToMend[];
  readonly held: readonly FindingNow[];
}> {
  const { reviews, putAwayTests: tests, people, units } = records;
  const facts = {
    unitOf: (bayId: BayId): string | undefined =>
      units.find(({ bays }) => bays.some(({ id }) => id === bayId))?.id,
    someCannotRead: people.some(({ labels }) => labels === 'pictures'),
  };
  const { open, held } = homeFindings({ reviews, tests });
  const { found } = (await loadLearned(db)).learned;
  return {
    open: await Promise.all(
      open.map(async (each) => ({
        ...each,
        ways: await waysOf(each.finding, { facts, records, found }),
      })),
    ),
    held,
  };
}

async function waysOf(
  finding: Finding,
  {
    facts,
    records,
    found,
  }: {
    readonly facts: Parameters<typeof mendingsOf>[1];
    readonly records: MendRecords;
    readonly found: FirmLearned['found'];
  },
): Promise<WayToMend[]> {
  const ways: WayToMend[] = [];
  for (const mending of mendingsOf(finding, facts)) {
    if (mending !== 'place')
      ways.push({ mending, effect: effectOf(finding, mending, { ...records, found }) });
    else if ('groupId' in finding)
      ways.push({ mending, effect: await askZones(finding.groupId, records) });
  }
  return ways;
}

/** So long `zones` thinks about one group; with all others where they are it is proven in hundredths. */
const ZONES_MS = 1000;

/**
 * Where a group should live with what was seen of where it is looked for: first with all others where they are, and
 * where it finds no better place so, with those that live where it is and where it is sought free to change.
 */
async function askZones(groupId: GroupId, records: MendRecords): Promise<Effect> {
  const sought = soughtIn(groupId, { tests: records.putAwayTests, reviews: records.reviews });
  const livesIn = records.groups.find(({ id }) => id === groupId)?.bayId ?? null;
  if (livesIn === null) return { code: 'no_place' };
  const bayIds = [livesIn, ...sought.map(({ bayId }) => bayId)];
  const scope = scopeOfPlaces({ groupIds: [groupId], bayIds }, records);
  const request = zonesOf(records, scope, { groups: records.groups, timeLimitMs: ZONES_MS });
  if (!request) return { code: 'no_household' };
  const places = Object.fromEntries(records.groups.map(({ id, bayId }) => [id, bayId]));
  const ask = (freeBayIds: ReadonlySet<string>) =>
    toSoughtRequest(request, { groupId, sought, places, freeBayIds });
  const alone = ask(new Set());
  const own = alone?.groups.find(({ id }) => id === groupId);
  if (!alone || !own) return { code: 'no_place' };
  const pinned = alone.groups.map((group) =>
    group.id === groupId ? { ...group, fixedBayId: places[groupId] ?? '' } : group,
  );
  const today = await runEngine('zones', { ...alone, groups: pinned });
  const [top] = sought;
  const beside = ask(new Set([places[groupId] ?? '', ...(top ? [top.bayId] : [])]));
  for (const asked of [alone, beside]) {
    const answer = asked && (await runEngine('zones', asked));
    if (!answer || answer.objective === null) continue;
    const moved = answer.assignment.filter(({ groupId: id, bayId }) => places[id] !== bayId);
    // Where it is today it may break a rule: then nothing can be said of seconds.
    const secondsLess = today.objective === null ? undefined : today.objective - answer.objective;
    const isFelt = secondsLess === undefined || secondsLess >= FELT_SECONDS;
    if (moved.some(({ groupId: id }) => id === groupId) && isFelt)
      return {
        code: 'moves',
        places: moved.map((each) => ({
          groupId: groupIdSchema.parse(each.groupId),
          bayId: bayIdSchema.parse(each.bayId),
        })),
        secondsLess,
        isProven: answer.status === 'optimal',
      };
  }
  return {
    code: 'stays',
    lookingSeconds:
      own.usesPerWeek * sought.reduce((sum, { share, seconds }) => sum + share * seconds, 0),
  };
}

/**
 * Takes a way to mend a finding, and notes that it was taken. Another place is made a draft beside the chosen
 * arrangement, which stays as it is; without lids changes what the groups there wish; the others are noted, and done
 * where they belong. Returns the draft, where there is one. @errors `not_found`: it is no longer found.
 */
export async function takeMending(
  db: Db,
  projectId: ProjectId,
  { key, mending }: { readonly key: string; readonly mending: Mending },
): Promise<DraftId | undefined> {
  const stamp = await stampOf(db, projectId);
  const records = await loadRecords(db, projectId, ...mendNames);
  const found = (await findingsToMend(db, records)).open.find((each) => each.key === key);
  const way = found?.ways.find((each) => each.mending === mending);
  if (!found || !way || !isWorthTaking(way.effect))
    throw new DataError('not_found', 'this is no longer found');
  const told = effectWords(way.effect, namesOf(records)).slice(0, 300);
  return db.transaction(async (trx) => {
    await requireUnchanged(trx, projectId, stamp);
    const draftId =
      way.effect.code === 'moves'
        ? await draftWith(trx, projectId, {
            places: way.effect.places,
            soughtId: 'groupId' in found.finding ? found.finding.groupId : undefined,
            records,
          })
        : undefined;
    await recordChange(
      trx,
      { projectId, deed: { code: 'finding_mended', name: mendingWords[mending] }, now: nowIso() },
      async (writer) => {
        if (mending === 'lidless' && found.finding.code === 'lid_off')
          for (const group of records.groups)
            if (group.bayId === found.finding.bayId)
              await writer.put(groupRecord, { ...group, lid: 'forbidden' as const });
        const review = reviewFor(records, { projectId, finding: found.finding });
        await writer.put(reviewRecord, {
          ...review,
          changes: [
            ...review.changes.filter(({ findingKey }) => findingKey !== key),
            { findingKey: key, change: mending, told, takenOn: today() },
          ],
        });
      },
    );
    return draftId;
  });
}

type Places = Extract<Effect, { code: 'moves' }>['places'];

/** Where a draft of a way is made. */
export const draftScopeOf = (
  places: Places,
  records: Pick<MendRecords, 'groups' | 'units'>,
): RoomId | null =>
  scopeOfPlaces(
    {
      groupIds: places.map(({ groupId }) => groupId),
      bayIds: places.map(({ bayId }) => bayId),
    },
    records,
  );

async function draftWith(
  trx: Db,
  projectId: ProjectId,
  {
    places,
    soughtId,
    records,
  }: {
    readonly places: Places;
    readonly soughtId: GroupId | undefined;
    readonly records: MendRecords;
  },
): Promise<DraftId> {
  const group = records.groups.find(({ id }) => id === soughtId);
  const roomId = draftScopeOf(places, records);
  const name = `${group?.name ?? 'It'} where it is sought`.slice(0, 40);
  const id = await addDraft(trx, projectId, { roomId, name, from: 'chosen' });
  await arrange(trx, projectId, { roomId, ref: id, assignment: places });
  return id;
}

/** The look that a change is noted with: the newest one of its room, or one of today. */
function reviewFor(
  { reviews, units, groups }: MendRecords,
  { projectId, finding }: { readonly projectId: ProjectId; readonly finding: Finding },
): Review {
  const bayId = 'bayId' in finding ? finding.bayId : undefined;
  const roomId =
    units.find(({ bays }) => bays.some(({ id }) => id === bayId))?.roomId ??
    groups.find(({ id }) => 'groupId' in finding && id === finding.groupId)?.roomId ??
    null;
  const newest = reviews
    .filter((review) => review.roomId === roomId && review.lines.length > 0)
    .sort((a, b) => (a.doneOn ?? a.dueOn).localeCompare(b.doneOn ?? b.dueOn))
    .at(-1);
  if (newest) return newest;
  const at = { roomId, kind: 'own' as const, plannedOn: today() };
  const id = reviewIdOf({ key: roomId ?? projectId, ...at });
  return (
    reviews.find((review) => review.id === id) ??
    reviewSchema.parse({
      ...at,
      id,
      projectId,
      dueOn: at.plannedOn,
      doneOn: null,
      note: '',
      lines: [],
      changes: [],
    })
  );
}
