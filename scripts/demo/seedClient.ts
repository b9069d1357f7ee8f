import { subHours } from 'date-fns';

import type { Project } from '@/core/agree';
import { type Asked, type ClientAnswer, type Saying } from '@/core/client';
import { clientAnswerIdSchema, invariant } from '@/core/shared';
import type { Db } from '@/data/db';
import { noteOpened } from '@/data/clientRepo';
import { approvalRecord, clientAnswerRecord, insertRecord, loadRecords } from '@/data/records';
import { stampOf } from '@/data/changes';
import { askableNames, listAskable, loadShopLists } from '@/server/client/askable';
import { makePage, saveSharing } from '@/server/client/pages';

/** What Nora and Tom were asked and said: a link, a file, and a price that has gone up since her yes. */
export async function seedClient(db: Db, project: Project, now: Date): Promise<void> {
  if (project.id !== 'quarry-row') return;
  await raiseApprovedPrice(db, project);
  await saveSharing(db, project.id, ['days', 'pictures', 'places', 'agreement']);
  const records = await loadRecords(db, project.id, ...askableNames);
  const lists = await loadShopLists(db, records, await stampOf(db, project.id));
  const askable = listAskable(records, lists);
  const named = (part: string) => {
    const found = askable.find((each) => each.about === 'thing' && each.name.includes(part));
    invariant(found !== undefined, `the demo asks about ${part}`);
    return found;
  };
  const [violin, records31, tablecloths] = ['violin', 'records', 'tablecloths'].map(named);
  invariant(violin && records31 && tablecloths, 'the demo has three questions');
  const dearer = askable.find(
    (each) => each.about === 'purchase' && each.known.some((line) => line.includes('dearer')),
  );
  const link = await makePage(db, project.id, {
    way: 'link',
    name: 'Nora',
    mayAnswer: true,
    parts: ['days', 'places', 'pictures'],
    keys: [violin, records31, dearer].flatMap((each) => each?.key ?? []),
    days: 30,
  });
  const file = await makePage(db, project.id, {
    way: 'file',
    name: 'Tom',
    mayAnswer: true,
    parts: [],
    keys: [tablecloths.key],
    days: null,
  });
  invariant(link.ok && file.ok, 'the demo makes two pages');
  await noteOpened(db, link.value.page.id, subHours(now, 20).toISOString());
  await noteOpened(db, link.value.page.id, subHours(now, 3).toISOString());
  const say = (asked: Asked, says: Saying, words: string, hoursAgo: number): Promise<void> => {
    const { page } = asked === tablecloths ? file.value : link.value;
    const at = subHours(now, hoursAgo).toISOString();
    const answer: ClientAnswer = {
      id: clientAnswerIdSchema.parse(`demo-${asked.key.replace(/[^\w-]/g, '-').slice(0, 50)}`),
      projectId: project.id,
      pageId: page.id,
      asked,
      says,
      words,
      by: page.name,
      saidAt: at,
      arrivedAt: at,
      way: page.way,
      state: 'waits',
      settledAt: null,
      decisionId: null,
    };
    return insertRecord(db, clientAnswerRecord, answer);
  };
  await say(violin, 'talk', 'My cousin may want it. Can we ring her on Thursday?', 3);
  await say(records31, 'sell', 'All but the three with a note inside.', 3);
  await say(tablecloths, 'keep', '', 9);
}

/** Nora said yes to a line that comes to more by now. */
async function raiseApprovedPrice(db: Db, project: Project): Promise<void> {
  const { approvals } = await loadRecords(db, project.id, 'approvals');
  const approval = approvals.find(({ lineMinor }) => (lineMinor ?? 0) > 2000) ?? approvals[0];
  if (!approval || approval.lineMinor === null) return;
  const { table } = approvalRecord;
  await db(table.name)
    .where({ id: approval.id })
    .update(table.toRow({ ...approval, lineMinor: Math.round(approval.lineMinor * 0.9) }));
}
