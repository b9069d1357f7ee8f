import 'server-only';

import {
  homeFindings,
  mendingsOf,
  reviewIdOf,
  reviewSchema,
  type Finding,
  type FindingNow,
  type Mending,
  type Review,
} from '@/core/again';
import { usableLitresOf } from '@/core/look';
import { formatCount, formatLitres, type BayId, type DraftId, type ProjectId } from '@/core/shared';
import { isKept, keptLitresOf, type Group } from '@/core/sort';
import { recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import {
  groupRecord,
  loadRecords,
  reviewRecord,
  type LoadName,
  type Records,
} from '@/data/records';
import { nowIso, today } from '../means';
import { addDraft, arrange } from '../place/drafts';

export const mendNames = [
  'drafts',
  'groups',
  'people',
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
  /** What it would come to; empty: it is seen on the draft, or where it is done. */
  readonly effect: string;
}
export interface FindingToMend extends FindingNow {
  readonly ways: readonly WayToMend[];
}

export function findingsToMend(records: MendRecords): {
  readonly open: readonly FindingToMend[];
  readonly held: readonly FindingNow[];
} {
  const { reviews, putAwayTests: tests, people, units } = records;
  const facts = {
    unitOf: (bayId: BayId): string | undefined =>
      units.find(({ bays }) => bays.some(({ id }) => id === bayId))?.id,
    someCannotRead: people.some(({ labels }) => labels === 'pictures'),
  };
  const { open, held } = homeFindings({ reviews, tests });
  return {
    open: open.map((each) => ({
      ...each,
      ways: mendingsOf(each.finding, facts)
        // Where nobody looked in one place more often, there is none to put it.
        .filter((mending) => mending !== 'place' || placeFor(each.finding) !== undefined)
        .map((mending) => ({ mending, effect: effectOf(each.finding, mending, records) })),
    })),
    held,
  };
}

/** Which group would go where, of a finding that another place would mend. */
function placeFor(finding: Finding): { groupId: Group['id']; bayId: BayId } | undefined {
  if (finding.code === 'wandered') return { groupId: finding.groupId, bayId: finding.bayId };
  if (finding.code === 'looked_elsewhere' && finding.bayId !== undefined)
    return { groupId: finding.groupId, bayId: finding.bayId };
  return undefined;
}

function effectOf(
  finding: Finding,
  mending: Mending,
  { groups, things, units }: MendRecords,
): string {
  const bayOf = (bayId: BayId) => units.flatMap(({ bays }) => bays).find(({ id }) => id === bayId);
  const there = (bayId: BayId) => groups.filter((group) => group.bayId === bayId);
  if (mending === 'place') {
    const place = placeFor(finding);
    const bay = place && bayOf(place.bayId);
    const group = groups.find(({ id }) => id === place?.groupId);
    if (!bay || !group) return '';
    const others = there(bay.id).reduce((sum, each) => sum + keptLitresOf(each, things), 0);
    const over = others + keptLitresOf(group, things) - usableLitresOf(bay);
    return over > 0
      ? `it would be ${formatLitres(over)} too much there, beside what lives there`
      : `there is room for it, ${formatLitres(-over)} to spare`;
  }
  if (mending === 'enough' && finding.code === 'overfull') {
    const bay = bayOf(finding.bayId);
    if (!bay || finding.litresFound === null) return 'nobody has said how much lay there';
    const over = finding.litresFound - usableLitresOf(bay);
    if (over <= 0)
      return 'what lay there is no more than goes in: it lies badly rather than too much';
    return `${formatLitres(over)} too much${piecesWords(over, there(bay.id), things)}`;
  }
  if (mending === 'refit' && 'litresFound' in finding && finding.litresFound !== null)
    return `with ${formatLitres(finding.litresFound)} instead of ${formatLitres(
      there(finding.bayId).reduce((sum, each) => sum + keptLitresOf(each, things), 0),
    )}`;
  if (mending === 'lidless' && finding.code === 'lid_off') {
    const lidded = there(finding.bayId).filter(({ lid }) => lid !== 'forbidden');
    return lidded.length === 0
      ? 'no group there wants a lid'
      : `${formatCount(lidded.length, 'group')} there would take containers without lids; a fit that was taken says so`;
  }
  return '';
}

/** "about 4 of 12 scarves": of the largest pile there, by its own litres. */
function piecesWords(
  over: number,
  groups: readonly Group[],
  things: MendRecords['things'],
): string {
  const [largest] = things
    .filter((thing) => isKept(thing) && groups.some(({ id }) => id === thing.groupId))
    .sort((a, b) => b.litres - a.litres);
  if (!largest || largest.litres <= 0) return '';
  const pieces = Math.ceil(over / (largest.litres / largest.count));
  return pieces > largest.count
    ? `: more than all ${largest.count} ${largest.name}`
    : `: about ${pieces} of ${largest.count} ${largest.name}`;
}

/**
 * Takes a way to mend a finding, and notes that it was taken. Another place is made a draft beside the chosen
 * arrangement, which stays as it is; without lids changes what the groups there wish; the others are noted, and done
 * where they belong. Returns the draft, where there is one. @errors `not_found`: it is no longer found.
 */
export const takeMending = (
  db: Db,
  projectId: ProjectId,
  { key, mending }: { readonly key: string; readonly mending: Mending },
): Promise<DraftId | undefined> =>
  db.transaction(async (trx) => {
    const records = await loadRecords(trx, projectId, ...mendNames);
    const found = findingsToMend(records).open.find((each) => each.key === key);
    const way = found?.ways.find((each) => each.mending === mending);
    if (!found || !way) throw new DataError('not_found', 'this is no longer found');
    const place = mending === 'place' ? placeFor(found.finding) : undefined;
    const draftId = place && (await draftWith(trx, projectId, { place, records }));
    await recordChange(
      trx,
      { projectId, deed: { code: 'look_noted', name: 'what was found' }, now: nowIso() },
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
            { findingKey: key, change: mending, told: way.effect.slice(0, 300), takenOn: today() },
          ],
        });
      },
    );
    return draftId;
  });

async function draftWith(
  trx: Db,
  projectId: ProjectId,
  {
    place,
    records,
  }: { readonly place: { groupId: Group['id']; bayId: BayId }; readonly records: MendRecords },
): Promise<DraftId> {
  const group = records.groups.find(({ id }) => id === place.groupId);
  const unit = records.units.find(({ bays }) => bays.some(({ id }) => id === place.bayId));
  // Into another room it is the home that is arranged.
  const roomId = group && unit?.roomId === group.roomId ? group.roomId : null;
  const name = `${group?.name ?? 'It'} where it is sought`.slice(0, 40);
  const id = await addDraft(trx, projectId, { roomId, name, from: 'chosen' });
  await arrange(trx, projectId, { roomId, ref: id, assignment: [place] });
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
